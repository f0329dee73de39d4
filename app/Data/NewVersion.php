<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Dataset;
use App\Models\ImportedFile;
use App\Models\StoredSeries;
use DuskRail\Reading\ReadSeries;

/**
 * A new version of a data set while it is written, within a transaction of the caller's. Only what changes is written: a
 * series is valid from one version until before another.
 */
final class NewVersion
{
    /** Rows to an insert: SQLite takes 32,766 values at once. */
    private const AT_ONCE = 500;

    /** @var list<array<string, mixed>> */
    private array $rows = [];

    private function __construct(private readonly Dataset $dataset, public readonly ImportedFile $file) {}

    /** @param array<string, mixed> $plan how the file was read */
    public static function begin(Dataset $dataset, string $fileName, string $sha256, int $rows, array $plan, string $way): self
    {
        $dataset->update(['version' => $dataset->version + 1]);

        return new self($dataset, ImportedFile::create([
            'dataset_id' => $dataset->id, 'version' => $dataset->version, 'name' => $fileName, 'sha256' => $sha256, 'rows' => $rows, 'plan' => $plan, 'way' => $way,
        ]));
    }

    /**
     * The series in force of some measures.
     *
     * @param list<int> $measures ids
     * @return array<string, StoredSeries> by the ids of measure and entity, with a slash
     */
    public static function inForce(Dataset $dataset, array $measures): array
    {
        $series = [];
        foreach (StoredSeries::query()->inVersion($dataset->version)->whereIn('measure_id', $measures)->cursor() as $one) {
            $series["{$one->measure_id}/{$one->entity_id}"] = $one;
        }

        return $series;
    }

    /** Writes a series from this version on, in place of the one that is in force. */
    public function put(int $measure, int $entity, ReadSeries $series, ?StoredSeries $old): void
    {
        $old?->update(['until' => $this->dataset->version]);
        $this->rows[] = (new StoredSeries([
            'measure_id' => $measure,
            'entity_id' => $entity,
            'imported_file_id' => $this->file->id,
            'since' => $this->dataset->version,
            'first' => $series->first,
            'values' => $series->values,
            'statuses' => array_filter($series->statuses) === [] ? [] : $series->statuses,
            'places' => $series->places,
        ]))->getAttributes();
        if (count($this->rows) === self::AT_ONCE) {
            $this->flush();
        }
    }

    /** Ends a series before this version. */
    public function end(StoredSeries $old): void
    {
        $old->update(['until' => $this->dataset->version]);
    }

    public function flush(): void
    {
        StoredSeries::insert($this->rows);
        $this->rows = [];
    }
}
