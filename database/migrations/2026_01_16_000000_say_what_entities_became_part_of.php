<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('entities', static function (Blueprint $table): void {
            $table->string('part_of')->default('');
            $table->integer('part_since')->default(0);
        });
    }

    public function down(): void
    {
        Schema::table('entities', static function (Blueprint $table): void {
            $table->dropColumn('part_of');
            $table->dropColumn('part_since');
        });
    }
};
