<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Dataset;
use App\Models\Entity;
use App\Models\ImportedFile;
use App\Models\Measure;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * What a data set was described by when it had a numbered description: entities and their groups, mergers and home;
 * measures and their units and kinds; breakdowns and peer sets.
 *
 * The tables hold the latest description. Triggers keep each row that a change replaces, with the numbers from which on
 * and until which it held. A version answers by the last description that it had while it was the latest.
 */
final readonly class Description
{
    private const DATASET = ['source', 'licence', 'retrieved', 'notes', 'breakdowns', 'peer_sets'];

    public const ENTITY = ['name', 'home', 'about', 'note', 'part_of', 'removed'];

    public const MEASURE = ['name', 'unit', 'kind', 'better', 'frequency', 'formula', 'per', 'decimals', 'removed'];

    /** @param int|null $number null for the latest */
    private function __construct(private int $dataset, public ?int $number) {}

    /**
     * @param int|null $version of the data; null for the latest
     * @param int|null $number of the description; null for the last one that the version had
     */
    public static function of(Dataset $dataset, ?int $version = null, ?int $number = null): self
    {
        $isLatest = $version === null || $version >= $dataset->version;

        return new self($dataset->id, $number ?? ($isLatest ? null : self::lastOf($dataset, $version)));
    }

    /** The number of the latest description, as it is in the database now. */
    public static function latest(Dataset $dataset): int
    {
        $number = Dataset::whereKey($dataset->id)->value('described');

        return is_numeric($number) ? (int) $number : 0;
    }

    private static function lastOf(Dataset $dataset, int $version): ?int
    {
        $number = ImportedFile::where('dataset_id', $dataset->id)->where('version', $version)->value('described');

        return is_numeric($number) ? (int) $number : null;
    }

    /** @return list<array<string, mixed>> rows of the entities, in the order in which they came in */
    public function entities(): array
    {
        return $this->rows('entities', 'entity', self::ENTITY);
    }

    /** @return list<array<string, mixed>> rows of the measures, likewise */
    public function measures(): array
    {
        return $this->rows('measures', 'measure', self::MEASURE);
    }

    /** The data set with the source, breakdowns and peer sets that it had. */
    public function dataset(): Dataset
    {
        $row = $this->number === null
            ? null
            : DB::table('dataset_histories')
                ->where('dataset_id', $this->dataset)
                ->where('until', '>', $this->number)
                ->orderBy('until')
                ->first(self::DATASET);
        $dataset = Dataset::withTrashed()->findOrFail($this->dataset);

        return $row === null
            ? $dataset
            : $dataset->setRawAttributes([...$dataset->getAttributes(), ...get_object_vars($row)]);
    }

    /** @return array<string, string> name of each measure by key */
    public function measureNames(): array
    {
        $names = [];
        foreach ($this->measures() as $row) {
            $measure = (new Measure())->newFromBuilder($row);
            $names[$measure->key] = $measure->name;
        }

        return $names;
    }

    /**
     * Makes the latest description what this one was. What came in since is removed from it; peer sets that were made
     * since stay, since nothing that was there then knows of them.
     */
    public function restore(): void
    {
        if ($this->number === null) {
            return;
        }
        $old = $this->dataset();
        $now = Dataset::findOrFail($this->dataset);
        $sets = [...$now->asPeerSets(), ...$old->asPeerSets()];
        $now->fill(array_intersect_key($old->attributesToArray(), array_flip(self::DATASET)));
        $now->peer_sets = array_values(array_map(static fn($set): array => $set->toArray(), $sets));
        $now->save();
        $this->restoreRows(Entity::class, $this->entities(), self::ENTITY, ['home' => false, 'part_of' => '']);
        $this->restoreRows(Measure::class, $this->measures(), self::MEASURE, []);
    }

    /**
     * @param class-string<Entity|Measure> $class
     * @param list<array<string, mixed>> $rows
     * @param list<string> $columns
     * @param array<string, mixed> $removed what else holds for a row that is not in the description
     */
    private function restoreRows(string $class, array $rows, array $columns, array $removed): void
    {
        $rows = array_column($rows, null, 'id');
        foreach ($class::where('dataset_id', $this->dataset)->orderBy('id')->get() as $model) {
            $row = $rows[$model->id] ?? null;
            if ($row === null) {
                $model->update(['removed' => true, ...$removed]);
                continue;
            }
            $old = (new $class())->newFromBuilder($row);
            foreach ($columns as $column) {
                $model->setAttribute($column, $old->getAttribute($column));
            }
            $model->save();
        }
    }

    /**
     * @param list<string> $columns
     * @return list<array<string, mixed>>
     */
    private function rows(string $table, string $row, array $columns): array
    {
        $latest = DB::table($table)
            ->where('dataset_id', $this->dataset)
            ->select(['id', 'dataset_id', 'key', ...$columns]);
        if ($this->number !== null) {
            $latest->where('described', '<=', $this->number)->unionAll($this->replaced($table, $row, $columns));
        }
        $rows = DB::query()->fromSub($latest, 'described')->where('removed', 0)->orderBy('id')->get();

        /** @var list<array<string, mixed>> */
        return $rows->map(static fn(object $one): array => get_object_vars($one))->all();
    }

    /**
     * Rows that held at this description and were replaced since.
     *
     * @param list<string> $columns
     */
    private function replaced(string $table, string $row, array $columns): Builder
    {
        $history = "{$row}_histories";
        $held = array_map(static fn(string $column): string => "{$history}.{$column}", $columns);

        return DB::table($history)
            ->join($table, "{$table}.id", '=', "{$history}.{$row}_id")
            ->where("{$table}.dataset_id", $this->dataset)
            ->where("{$history}.since", '<=', $this->number)
            ->where("{$history}.until", '>', $this->number)
            ->select(["{$table}.id", "{$table}.dataset_id", "{$table}.key", ...$held]);
    }
}
