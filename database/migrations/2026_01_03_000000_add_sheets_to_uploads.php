<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('uploads', static function (Blueprint $table): void {
            $table->json('sheets')->nullable();
            $table->string('sheet')->default('');
        });
    }

    public function down(): void
    {
        Schema::table('uploads', static fn(Blueprint $table) => $table->dropColumn(['sheets', 'sheet']));
    }
};
