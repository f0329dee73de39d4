<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Columns and tables get the names that code and screen use; the house style is one set of settings. */
return new class extends Migration {
    private const COLUMNS = [['imported_files', 'way', 'kind'], ['uploads', 'way', 'mode']];

    private const TABLES = [['cards', 'cache_entries'], ['house_finishes', 'house_styles']];

    public function up(): void
    {
        foreach (self::COLUMNS as [$table, $old, $new]) {
            Schema::table($table, static fn(Blueprint $columns) => $columns->renameColumn($old, $new));
        }
        foreach (self::TABLES as [$old, $new]) {
            Schema::rename($old, $new);
        }
        DB::table('cache_entries')->delete();
        Schema::table('house_styles', static function (Blueprint $columns): void {
            $columns->renameColumn('finish', 'style');
            $columns->json('settings')->default('{}');
        });
        foreach (DB::table('house_styles')->get() as $row) {
            $conventions = is_string($row->conventions) ? json_decode($row->conventions, true) : [];
            $settings = ['ground' => $row->ground, 'locale' => $row->locale, 'source' => $row->source];
            DB::table('house_styles')
                ->where('id', $row->id)
                ->update(['settings' => json_encode([...$settings, ...(array) $conventions])]);
        }
        Schema::table('house_styles', static function (Blueprint $columns): void {
            $columns->dropColumn(['ground', 'locale', 'source', 'conventions']);
        });
    }

    public function down(): void
    {
        throw new RuntimeException('Restore the copy that data:upgrade kept.');
    }
};
