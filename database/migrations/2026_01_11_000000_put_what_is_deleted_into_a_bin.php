<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    private const TABLES = ['datasets', 'studies', 'briefs'];

    public function up(): void
    {
        foreach (self::TABLES as $table) {
            Schema::table($table, static fn(Blueprint $columns) => $columns->softDeletes());
        }
    }

    public function down(): void
    {
        foreach (self::TABLES as $table) {
            Schema::table($table, static fn(Blueprint $columns) => $columns->dropSoftDeletes());
        }
    }
};
