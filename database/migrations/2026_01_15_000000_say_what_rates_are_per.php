<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('measures', static function (Blueprint $table): void {
            $table->string('per')->default('');
        });
    }

    public function down(): void
    {
        Schema::table('measures', static fn(Blueprint $table) => $table->dropColumn('per'));
    }
};
