<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        foreach (['values', 'statuses', 'places'] as $column) {
            DB::statement(
                "update series set \"{$column}\" = cast(\"{$column}\" as blob) where typeof(\"{$column}\") = 'text'",
            );
        }
    }

    /** The program before reads blobs as well. */
    public function down(): void {}
};
