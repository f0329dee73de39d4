<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * What data sets, measures and entities are described by becomes a history: `datasets.described` numbers the
 * descriptions, every change keeps the row as it was, and each version names the last description that it had.
 *
 * Triggers write the history, so that no writer can leave it out.
 */
return new class extends Migration {
    /** Described columns by table, with the column of the history that names the row. */
    private const DESCRIBED = [
        'datasets' => ['source', 'licence', 'retrieved', 'notes', 'breakdowns', 'peer_sets'],
        'entities' => ['name', 'home', 'about', 'note', 'part_of', 'removed'],
        'measures' => ['name', 'unit', 'kind', 'better', 'frequency', 'formula', 'per', 'decimals', 'removed'],
    ];

    private const ROW = ['datasets' => 'dataset', 'entities' => 'entity', 'measures' => 'measure'];

    public function up(): void
    {
        foreach (['measures', 'entities'] as $table) {
            foreach (['insert', 'update', 'delete'] as $event) {
                DB::unprepared("drop trigger if exists {$table}_{$event}_describes");
            }
            Schema::table($table, static function (Blueprint $columns): void {
                $columns->unsignedInteger('described')->default(0);
                $columns->boolean('removed')->default(false);
            });
        }
        foreach (['imported_files', 'studies'] as $table) {
            Schema::table($table, static fn(Blueprint $c) => $c->unsignedInteger('described')->nullable());
        }
        foreach (self::DESCRIBED as $table => $columns) {
            $this->createHistory(self::ROW[$table], $table, $columns);
        }
        $this->numberOldVersions();
        $this->keepMergers();
        Schema::table('entities', static fn(Blueprint $columns) => $columns->dropColumn('part_since'));
        foreach (self::DESCRIBED as $table => $columns) {
            $this->createTriggers(self::ROW[$table], $table, $columns);
        }
    }

    public function down(): void
    {
        throw new RuntimeException('Restore the copy that data:upgrade kept: the descriptions would be lost.');
    }

    /** @param list<string> $columns */
    private function createHistory(string $row, string $table, array $columns): void
    {
        // Columns without a type, so that values stay what they are in the table itself.
        $names = implode(', ', array_map(static fn(string $c): string => "\"{$c}\"", $columns));
        DB::statement(
            "create table {$row}_histories (id integer primary key autoincrement, {$row}_id integer not null " .
                "references {$table} (id) on delete cascade, since integer not null, until integer not null, {$names})",
        );
        DB::statement("create index {$row}_histories_until on {$row}_histories ({$row}_id, until)");
    }

    /** Each version gets the number of its description: its own number, since none was kept before. */
    private function numberOldVersions(): void
    {
        DB::update(
            'update imported_files set described = version where version < ' .
                '(select version from datasets d where d.id = imported_files.dataset_id)',
        );
        DB::update(
            'update studies set described = version where version < ' .
                '(select version from datasets d where d.id = studies.dataset_id)',
        );
        DB::update('update datasets set described = max(described, version)');
        DB::update(
            'update studies set described = (select described from datasets d where d.id = studies.dataset_id) ' .
                'where version is not null and described is null',
        );
    }

    /** A merged entity was its own before the version of the merger; what it became part of is named by key. */
    private function keepMergers(): void
    {
        DB::insert(
            'insert into entity_histories (entity_id, since, until, name, home, about, note, part_of, removed) ' .
                "select id, 0, part_since, name, home, about, note, '', 0 from entities where part_since > 0",
        );
        DB::update('update entities set described = part_since where part_since > 0');
        DB::update(
            'update entities set part_of = coalesce((select w."key" from entities w where ' .
                "w.dataset_id = entities.dataset_id and w.name = entities.part_of), part_of) where part_of <> ''",
        );
    }

    /** @param list<string> $columns */
    private function createTriggers(string $row, string $table, array $columns): void
    {
        $dataset = $table === 'datasets' ? 'new.id' : 'new.dataset_id';
        $bump = "update datasets set described = described + 1 where id = {$dataset};";
        $number = "(select described from datasets where id = {$dataset})";
        $names = implode(', ', array_map(static fn(string $c): string => "\"{$c}\"", $columns));
        $old = implode(', ', array_map(static fn(string $c): string => "old.\"{$c}\"", $columns));
        $differences = array_map(static fn(string $c): string => "old.\"{$c}\" is not new.\"{$c}\"", $columns);
        $differs = implode(' or ', $differences);
        // A data set has no number of its own: each description of it begins where the one before ends.
        $since = $table === 'datasets'
            ? 'coalesce((select max(until) from dataset_histories where dataset_id = old.id), 0)'
            : 'old.described';
        $mark = $table === 'datasets' ? '' : "update {$table} set described = {$number} where id = new.id;";
        DB::unprepared(
            "create trigger {$table}_update_describes after update of {$names} on {$table} when {$differs} " .
                "begin {$bump} insert into {$row}_histories ({$row}_id, since, until, {$names}) " .
                "values (old.id, {$since}, {$number}, {$old}); {$mark} end",
        );
        if ($table !== 'datasets') {
            DB::unprepared(
                "create trigger {$table}_insert_describes after insert on {$table} begin {$bump} {$mark} end",
            );
            DB::unprepared(
                "create trigger {$table}_delete_describes after delete on {$table} begin " .
                    'update datasets set described = described + 1 where id = old.dataset_id; end',
            );
        }
    }
};
