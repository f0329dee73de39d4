<?php

declare(strict_types=1);

namespace App\Data;

use Illuminate\Support\Facades\DB;

/**
 * What a version is to hold, kept in tables of this connection alone until it is written. Filling them keeps nobody
 * waiting; writing them is a few statements within the database, a fraction of the time of a statement for each row.
 */
final class Staging
{
    private const TABLES = [
        'staged_entities' => 'n integer primary key, id integer, "key" text, name text, about text',
        'staged_aliases' => 'n integer, name text',
        'staged_series' =>
            'measure integer, entity integer, cell text, first integer, "values" blob, statuses blob, places blob, ' .
            'old integer',
    ];

    /** Rows to an insert: SQLite takes 32,766 values at once. */
    public const AT_ONCE = 500;

    /** @var array<string, list<array<string, scalar|Blob|null>>> rows by table that wait to be written together */
    private array $rows = ['staged_entities' => [], 'staged_aliases' => [], 'staged_series' => []];

    public function __construct()
    {
        $this->drop();
        foreach (self::TABLES as $table => $columns) {
            DB::statement("create temporary table {$table} ({$columns})");
        }
    }

    /**
     * @param int $number of the entity in the file
     * @param int|null $id in the data set; null for a new one
     * @param string|null $about what is said of it, as JSON; null where that stays as it is
     */
    public function entity(int $number, ?int $id, string $key, string $name, ?string $about): void
    {
        $this->add('staged_entities', [
            'n' => $number,
            'id' => $id === null ? null : (string) $id,
            'key' => $key,
            'name' => $name,
            'about' => $about,
        ]);
    }

    /** @param string $name in lower case, another one that the entity goes by */
    public function alias(int $number, string $name): void
    {
        $this->add('staged_aliases', ['n' => $number, 'name' => $name]);
    }

    /**
     * @param int $measure number in the file
     * @param int $entity likewise
     * @param int|null $old id of the series that it takes the place of
     */
    public function series(int $measure, int $entity, PackedSeries $series, ?int $old, string $cell): void
    {
        $this->add('staged_series', [
            'measure' => $measure,
            'entity' => $entity,
            'cell' => $cell,
            'first' => $series->first,
            'values' => $series->values,
            'statuses' => $series->statuses,
            'places' => $series->places,
            'old' => $old === null ? null : (string) $old,
        ]);
    }

    /** Makes the entities, with what is said of them and the names that they go by. */
    public function writeEntities(int $dataset): void
    {
        $this->flush();
        DB::update(
            'update entities set about = s.about from staged_entities s where s.id = entities.id and s.about not null',
        );
        DB::insert(
            'insert into entities (dataset_id, "key", name, home, about) ' .
                "select ?, \"key\", name, 0, coalesce(about, '[]') from staged_entities where id is null order by n",
            [$dataset],
        );
        DB::update(
            'update staged_entities set id = (select e.id from entities e ' .
                'where e.dataset_id = ? and e."key" = staged_entities."key") where id is null',
            [$dataset],
        );
        // An entity that was removed comes back with its values.
        DB::update(
            'update entities set removed = 0 where removed = 1 and id in ' .
                '(select s.id from staged_entities s join staged_series t on t.entity = s.n)',
        );
        DB::insert(
            'insert or ignore into entity_aliases (dataset_id, entity_id, name) ' .
                'select ?, s.id, a.name from staged_aliases a join staged_entities s on s.n = a.n order by a.rowid',
            [$dataset],
        );
    }

    /**
     * Writes the series from a version on, in place of those that they replace.
     *
     * @param list<int> $measures id of each measure of the file
     */
    public function writeSeries(int $version, int $file, array $measures): void
    {
        DB::update('update series set until = ? where id in (select old from staged_series where old is not null)', [
            $version,
        ]);
        foreach ($measures as $number => $id) {
            DB::insert(
                'insert into series (measure_id, entity_id, cell, imported_file_id, since, first, "values", ' .
                    'statuses, places) select ?, s.id, t.cell, ?, ?, t.first, t."values", t.statuses, t.places ' .
                    'from staged_series t join staged_entities s on s.n = t.entity where t.measure = ? ' .
                    'order by t.rowid',
                [$id, $file, $version, $number],
            );
        }
    }

    public function drop(): void
    {
        foreach (array_keys(self::TABLES) as $table) {
            DB::statement("drop table if exists temp.{$table}");
        }
    }

    /** @param array<string, scalar|Blob|null> $row */
    private function add(string $table, array $row): void
    {
        $this->rows[$table][] = $row;
        if (count($this->rows[$table]) === self::AT_ONCE) {
            $this->flush();
        }
    }

    private function flush(): void
    {
        $connection = WritingConnection::current();
        // Begun without the lock for writing, which these tables do not need.
        $isOwn = !$connection->getPdo()->inTransaction();
        if ($isOwn) {
            $connection->getPdo()->exec('begin');
        }
        foreach ($this->rows as $table => $rows) {
            $connection->insertMany($table, $rows);
            $this->rows[$table] = [];
        }
        if ($isOwn) {
            $connection->getPdo()->exec('commit');
        }
    }
}
