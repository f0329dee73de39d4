<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Casts\PackedDoubles;
use App\Models\Dataset;
use App\Models\HouseStyle;
use App\Models\ImportedFile;
use App\Models\Measure as MeasureModel;
use App\Models\StoredSeries;
use DuskRail\Data\Breakdown;
use DuskRail\Data\Cell;
use DuskRail\Data\DataSlice;
use DuskRail\Data\DataSource;
use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Data\Origin;
use DuskRail\Data\Series;
use DuskRail\Data\SeriesTable;
use DuskRail\Data\Status;
use DuskRail\Data\UnknownMeasure;
use DuskRail\Rail\Derived;
use DuskRail\Reading\Observations;
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

    /** @var array<string, SeriesTable> by measure key and cell */
    private array $tables = [];

    /** @var array<string, array<string, array<string, array<int, Status>>>> by measure, cell, entity and ordinal */
    private array $statuses = [];

    /** @var array<string, Breakdown>|null */
    private ?array $breakdowns = null;

    private ?VersionCache $facts = null;

    private ?Dataset $described = null;

    public readonly int $version;

    public readonly Description $description;

    /** @var array<string, string> formulas of measures that are calculated, by key */
    private array $formulas = [];

    /**
     * @param int|null $version null for the latest
     * @param bool $storedOnly without measures that are calculated from others
     * @param int|null $described number of the description; null for the last one that the version had
     */
    public function __construct(
        private readonly Dataset $dataset,
        ?int $version = null,
        private readonly bool $storedOnly = false,
        ?int $described = null,
    ) {
        $this->version = $version ?? $dataset->version;
        $this->description = Description::of($dataset, $this->version, $described);
    }

    public function measures(): array
    {
        if ($this->measures === null) {
            $this->measures = [];
            $rows = $this->facts()->get('measures', $this->description->measures(...));
            foreach ($rows as $row) {
                $measure = (new MeasureModel())->newFromBuilder($row);
                if ($this->storedOnly && $measure->formula !== '') {
                    continue;
                }
                $this->measures[$measure->key] = $measure->asCore();
                $this->measureIds[$measure->key] = $measure->id;
                if ($measure->formula !== '') {
                    $this->formulas[$measure->key] = $measure->formula;
                }
            }
        }

        return $this->measures;
    }

    public function entities(): array
    {
        if ($this->entities === null) {
            $this->entities = [];
            $hues = HouseStyle::current()->hues;
            // Plain rows: hundreds of entities are read with every edit, and models would cost more than the edit.
            $rows = $this->facts()->get(
                'entities',
                fn(): array => array_map(
                    static fn(array $row): array => [
                        ...$row,
                        'about' => json_decode(
                            is_string($row['about']) ? $row['about'] : '[]',
                            true,
                            8,
                            JSON_THROW_ON_ERROR,
                        ),
                    ],
                    $this->description->entities(),
                ),
            );
            /**
             * @var list<array{id: int, key: string, name: string, home: int, about: array<string, string>,
             *     note: string, part_of: string}> $rows
             */
            $names = array_column($rows, 'name', 'key');
            foreach ($rows as $row) {
                $this->entities[$row['key']] = new Entity(
                    $row['key'],
                    $row['name'],
                    $row['about']['group'] ?? '',
                    (bool) $row['home'],
                    $row['about'],
                    $hues[$row['key']] ?? 0,
                    $row['note'],
                    $names[$row['part_of']] ?? $row['part_of'],
                );
                $this->entityKeys[$row['id']] = $row['key'];
            }
        }

        return $this->entities;
    }

    private function facts(): VersionCache
    {
        return $this->facts ??= VersionCache::of($this->dataset->id, $this->version, $this->description->number);
    }

    public function breakdowns(): array
    {
        return $this->breakdowns ??= $this->described()->asBreakdowns();
    }

    public function peerSets(): array
    {
        return $this->described()->asPeerSets();
    }

    /** The data set with the source, breakdowns and peer sets of this description. */
    public function described(): Dataset
    {
        $isLatest = $this->description->number === null;

        return $this->described ??= $isLatest ? $this->dataset : $this->description->dataset();
    }

    public function table(string $measureKey, ?Cell $cell = null): SeriesTable
    {
        $this->measures();
        $isFormula = isset($this->formulas[$measureKey]);
        $cell = $isFormula ? $this->whole($cell) : $this->cell($measureKey, $cell);

        // Worked out from stored ones alone, so that no two can wait for each other.
        return $this->tables["{$measureKey} {$cell}"] ??= $isFormula
            ? Derived::table(
                $this->formulas[$measureKey],
                new DataSlice(
                    new self($this->dataset, $this->version, true, $this->description->number),
                    Cell::parse($cell),
                ),
            )
            : $this->read($measureKey, $cell);
    }

    /** A category of every breakdown: those that are asked for, the usual ones of the others. */
    private function whole(?Cell $cell): string
    {
        $usual = array_map(static fn(Breakdown $b): string => $b->default(), $this->breakdowns());

        return Cell::of([...$usual, ...$cell->categories ?? []])->text();
    }

    /**
     * The categories of those breakdowns that a measure is split by. A file may have brought it split, and another one
     * not: the cell that is most like what is asked for is taken.
     */
    public function cell(string $measureKey, ?Cell $wanted): string
    {
        if ($this->breakdowns() === []) {
            return '';
        }
        // What is no category of its breakdown is as if nothing had been asked.
        $known = array_filter(
            $wanted->categories ?? [],
            fn(string $category, string $key): bool => isset($this->breakdowns()[$key]->categories[$category]),
            ARRAY_FILTER_USE_BOTH,
        );
        $whole = Cell::parse($this->whole(Cell::of($known)))->categories;
        return Cell::of(array_intersect_key($whole, array_flip($this->cellsOf($measureKey)[0] ?? [])))->text();
    }

    public function splitBy(string $measureKey): array
    {
        $this->measures();
        // What is calculated from others may be split by whatever those are.
        return isset($this->formulas[$measureKey])
            ? array_keys($this->breakdowns())
            : $this->cellsOf($measureKey)[0] ?? [];
    }

    /** @return list<list<string>> keys of breakdowns that values of a measure are split by, the most first */
    private function cellsOf(string $measureKey): array
    {
        $this->measures();

        return $this->facts()->get(
            "cells of {$measureKey}",
            fn(): array => array_values(
                StoredSeries::query()
                    ->inVersion($this->version)
                    ->where('measure_id', $this->measureIds[$measureKey] ?? 0)
                    ->toBase()
                    ->distinct()
                    ->pluck('cell')
                    ->map(
                        static fn(mixed $cell): array => array_keys(
                            Cell::parse(is_string($cell) ? $cell : '')->categories,
                        ),
                    )
                    ->unique()
                    ->sortByDesc(static fn(array $keys): int => count($keys))
                    ->all(),
            ),
        );
    }

    public function unsettled(string $measureKey, ?Cell $cell = null): array
    {
        $this->measures();
        $this->entities();
        $cell = $this->cell($measureKey, $cell);

        return $this->facts()->get("unsettled {$measureKey} {$cell}", fn(): array => $this->open($measureKey, $cell));
    }

    /** @return array<string, int> by entity, the ordinal from which on its values are not settled */
    private function open(string $measureKey, string $cell): array
    {
        $unsettled = [];
        $series = StoredSeries::query()
            ->where('measure_id', $this->measureIds[$measureKey] ?? 0)
            ->where('statuses', '!=', '')
            ->where('cell', $cell)
            ->inVersion($this->version)
            ->get(['entity_id', 'first', 'values', 'statuses']);
        foreach ($series as $one) {
            $from = null;
            for (
                $i = count($one->values) - 1;
                $i >= 0 && (is_nan($one->values[$i]) || Status::from($one->statuses[$i] ?? 0)->isOpen());
                $i--
            ) {
                $from = is_nan($one->values[$i]) ? $from : $one->first + $i;
            }
            if ($from !== null) {
                $unsettled[$this->entityKeys[$one->entity_id]] = $from;
            }
        }

        return $unsettled;
    }

    public function statuses(string $measureKey, ?Cell $cell = null): array
    {
        $this->measures();
        $this->entities();
        $name = $this->cell($measureKey, $cell);

        return $this->statuses[$measureKey][$name] ??= $this->statusesOf($measureKey, $name);
    }

    /** @return array<string, array<int, Status>> by entity and ordinal */
    private function statusesOf(string $measureKey, string $cell): array
    {
        $statuses = [];
        $series = StoredSeries::query()
            ->where('measure_id', $this->measureIds[$measureKey] ?? 0)
            ->where('statuses', '!=', '')
            ->where('cell', $cell)
            ->inVersion($this->version)
            ->get(['entity_id', 'first', 'statuses']);
        foreach ($series as $one) {
            foreach (array_filter($one->statuses) as $i => $status) {
                $statuses[$this->entityKeys[$one->entity_id]][$one->first + $i] =
                    Status::tryFrom($status) ?? Status::Measured;
            }
        }

        return $statuses;
    }

    public function origin(string $measureKey, string $entityKey, int $ordinal, ?Cell $cell = null): ?Origin
    {
        $this->measures();
        $this->entities();
        // The latest version that has a cell for the value as it is: a later file that did not give it has no place
        // for it, and one whose value was gone back from is not where it comes from.
        $versions = StoredSeries::query()
            ->where('measure_id', $this->measureIds[$measureKey] ?? 0)
            ->where('entity_id', array_search($entityKey, $this->entityKeys, true))
            ->where('cell', $this->cell($measureKey, $cell))
            ->where('since', '<=', $this->version)
            ->orderByDesc('since')
            ->get();
        $value = $versions->first()?->valueAt($ordinal) ?? NAN;
        foreach ($versions as $series) {
            $place = $series->places[$ordinal - $series->first] ?? -1;
            $file =
                $place < 0 || $series->valueAt($ordinal) !== $value
                    ? null
                    : ImportedFile::find($series->imported_file_id);
            if ($file !== null) {
                return new Origin(
                    $file->name,
                    intdiv($place, Observations::COLUMNS) + 1,
                    ($place % Observations::COLUMNS) + 1,
                    Status::tryFrom($series->statusAt($ordinal)) ?? Status::Measured,
                );
            }
        }

        return null;
    }

    private function read(string $measureKey, string $cell): SeriesTable
    {
        $measure = $this->measures()[$measureKey] ?? throw UnknownMeasure::named($measureKey);
        $this->entities();
        $rows = StoredSeries::query()
            ->select(['entity_id', 'first', 'values'])
            ->where('measure_id', $this->measureIds[$measureKey])
            ->where('cell', $cell)
            ->inVersion($this->version)
            ->orderBy('entity_id')
            ->toBase()
            ->get();
        $stored = [];
        $first = PHP_INT_MAX;
        $end = PHP_INT_MIN;
        /** @var object{entity_id: int, first: int, values: string} $row */
        foreach ($rows as $row) {
            $values = PackedDoubles::unpacked($row->values);
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
            $series[] = new Series(
                $key,
                $before === 0 && $after === 0
                    ? $values
                    : [...array_fill(0, $before, NAN), ...$values, ...array_fill(0, $after, NAN)],
            );
        }

        return new SeriesTable(
            PeriodAxis::of($measure->frequency, $first, $end - $first),
            $measure->unitEach(),
            $measure->kind,
            $series,
        );
    }
}
