<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Dataset;
use App\Models\Entity as EntityModel;
use App\Models\Measure as MeasureModel;
use App\Models\StoredSeries;
use DuskRail\Data\DataSource;
use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Data\Series;
use DuskRail\Data\SeriesTable;
use DuskRail\Data\UnknownMeasure;
use DuskRail\Time\PeriodAxis;

/** One version of a data set in the database; what has been read once is kept for the request. */
final class StoredData implements DataSource
{
    /** @var array<string, Measure>|null */
    private ?array $measures = null;

    /** @var array<string, Entity>|null */
    private ?array $entities = null;

    /** @var array<string, int> */
    private array $measureIds = [];

    /** @var array<int, string> */
    private array $entityKeys = [];

    /** @var array<string, SeriesTable> */
    private array $tables = [];

    public function __construct(private readonly Dataset $dataset) {}

    public function measures(): array
    {
        if ($this->measures === null) {
            $this->measures = [];
            foreach (MeasureModel::where('dataset_id', $this->dataset->id)->orderBy('id')->get() as $measure) {
                $this->measures[$measure->key] = $measure->asCore();
                $this->measureIds[$measure->key] = $measure->id;
            }
        }

        return $this->measures;
    }

    public function entities(): array
    {
        if ($this->entities === null) {
            $this->entities = [];
            foreach (EntityModel::where('dataset_id', $this->dataset->id)->orderBy('id')->get() as $entity) {
                $this->entities[$entity->key] = $entity->asCore();
                $this->entityKeys[$entity->id] = $entity->key;
            }
        }

        return $this->entities;
    }

    public function table(string $measureKey): SeriesTable
    {
        return $this->tables[$measureKey] ??= $this->read($measureKey);
    }

    private function read(string $measureKey): SeriesTable
    {
        $measure = $this->measures()[$measureKey] ?? throw UnknownMeasure::named($measureKey);
        $this->entities();
        $rows = StoredSeries::query()
            ->select(['entity_id', 'first', 'values'])
            ->where('measure_id', $this->measureIds[$measureKey])
            ->inVersion($this->dataset->version)
            ->orderBy('entity_id')
            ->get();
        $stored = [];
        $first = PHP_INT_MAX;
        $end = PHP_INT_MIN;
        foreach ($rows as $row) {
            $values = $row->values;
            $stored[] = [$this->entityKeys[$row->entity_id], $row->first, $values];
            $first = min($first, $row->first);
            $end = max($end, $row->first + count($values));
        }
        if ($stored === []) {
            $first = $end = 0;
        }
        $series = [];
        foreach ($stored as [$key, $start, $values]) {
            $before = $start - $first;
            $after = $end - $start - count($values);
            $series[] = new Series($key, $before === 0 && $after === 0 ? $values : [
                ...array_fill(0, $before, NAN), ...$values, ...array_fill(0, $after, NAN),
            ]);
        }

        return new SeriesTable(PeriodAxis::of($measure->frequency, $first, $end - $first), $measure->unitEach(), $measure->kind, $series);
    }
}
