<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Whoever writes a measure or an entity, what was kept of its data set is known to be old. */
return new class extends Migration {
    private const EVENTS = ['insert' => 'new', 'update' => 'new', 'delete' => 'old'];

    public function up(): void
    {
        foreach (['measures', 'entities'] as $table) {
            foreach (self::EVENTS as $event => $row) {
                DB::unprepared(
                    "create trigger {$table}_{$event}_describes after {$event} on {$table} begin " .
                        "update datasets set described = described + 1 where id = {$row}.dataset_id; end",
                );
            }
        }
    }

    public function down(): void
    {
        foreach (['measures', 'entities'] as $table) {
            foreach (array_keys(self::EVENTS) as $event) {
                DB::unprepared("drop trigger {$table}_{$event}_describes");
            }
        }
    }
};
