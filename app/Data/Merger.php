<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Dataset;
use App\Models\Entity;
use App\Models\Measure;
use App\Models\StoredSeries;
use DuskRail\Data\Better;
use DuskRail\Data\Cell;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\SeriesTable;
use DuskRail\Rail\Pool;
use DuskRail\Rail\Scope;
use DuskRail\Reading\ReadSeries;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use Illuminate\Support\Str;

/**
 * Several entities that became one on a date, as a version of the data: their values are joined to those of the one,
 * and end on that date themselves. Amounts are added up; rates are weighed by what they are per, and left alone where
 * that is not known. Going back to an earlier version undoes it.
 */
final readonly class Merger
{
    private const JOINED = '~joined';

    /**
     * @param list<Entity> $parts those that end; the one is none of them
     * @param string $whole name of the one, which may be new, or that of an entity that takes the others over
     * @param Period $from the first period of the one
     * @param bool $back whether what the parts had before is joined to be the history of the one
     */
    public function __construct(
        private Dataset $dataset,
        private array $parts,
        private string $whole,
        private Period $from,
        private bool $back,
    ) {}

    public function carryOut(): void
    {
        $data = new StoredData($this->dataset, null, true);
        $names = implode(' and ', array_map(static fn(Entity $e): string => $e->name, $this->parts));
        $isKept = $this->known() !== null;
        $source = VersionSource::merger(
            "{$names} " . ($isKept ? 'merged into' : 'became') . " {$this->whole} in {$this->from->label()}",
        );
        VersionWriter::write(
            $this->dataset,
            $source,
            function (VersionWriter $version) use ($data): void {
                $whole = $this->whole();
                foreach ($this->dataset->measures()->where('formula', '')->get() as $measure) {
                    $this->join($version, $measure, $whole, $data);
                }
                foreach ($this->parts as $part) {
                    if ($part->home) {
                        $whole->update(['home' => true]);
                    }
                    $part->update([
                        'home' => false,
                        'part_of' => $whole->key,
                        'note' => "merged into {$whole->name} in {$this->from->label()}",
                    ]);
                }
            },
            $this->dataset->version,
        );
    }

    /** The entity of the data set that has the name of the one. */
    private function known(): ?Entity
    {
        return Entity::where('dataset_id', $this->dataset->id)
            ->orderBy('id')
            ->get()
            ->first(fn(Entity $e): bool => mb_strtolower($e->name) === mb_strtolower($this->whole));
    }

    /**
     * What all parts have is true of the whole; of a size class or a district that differs nobody knows.
     *
     * @return array<string, string>
     */
    private function shared(): array
    {
        $shared = $this->parts[0]->about ?? [];
        foreach ($this->parts as $part) {
            $shared = array_intersect_assoc($shared, $part->about);
        }

        return $shared;
    }

    /** @return list<string> what the whole is not known to have, since its parts differ */
    public function unshared(): array
    {
        $all = array_merge(...array_map(static fn(Entity $e): array => $e->about, $this->parts));

        return array_map(
            strval(...),
            array_keys(array_diff_key(array_filter($all), $this->known()->about ?? [], $this->shared())),
        );
    }

    private function whole(): Entity
    {
        $same = $this->known();
        if ($same !== null) {
            $same->update(['removed' => false, 'about' => [...$this->shared(), ...array_filter($same->about)]]);

            return $same;
        }
        $known = Entity::where('dataset_id', $this->dataset->id)->get();
        $slug = Str::slug($this->whole);
        $key = $free = $slug === '' ? 'merged' : $slug;
        for ($n = 2; $known->contains('key', $key); $n++) {
            $key = "{$free}-{$n}";
        }

        return Entity::create([
            'dataset_id' => $this->dataset->id,
            'key' => $key,
            'name' => $this->whole,
            'home' => false,
            'note' => '',
            'about' => $this->shared(),
        ]);
    }

    private function join(VersionWriter $version, Measure $measure, Entity $whole, StoredData $data): void
    {
        $ids = [$whole->id, ...array_map(static fn(Entity $e): int => $e->id, $this->parts)];
        $stored = [];
        foreach (
            StoredSeries::query()
                ->inVersion($this->dataset->version)
                ->where('measure_id', $measure->id)
                ->whereIn('entity_id', $ids)
                ->get() as $one
        ) {
            $stored[$one->cell][$one->entity_id] = $one;
        }
        foreach ($stored as $cell => $byEntity) {
            $table = $this->joined($measure, $data, (string) $cell, $whole);
            $series = $this->seriesOf($table, $byEntity[$whole->id] ?? null, $measure);
            if ($series !== null) {
                $packed = PackedSeries::of($series);
                $version->put($measure->id, $whole->id, $packed, $byEntity[$whole->id] ?? null, (string) $cell);
            }
            foreach ($this->parts as $part) {
                $own = $byEntity[$part->id] ?? null;
                $until = $own === null ? null : $this->until($own, $measure);
                if ($own !== null && $until === null && $this->beginsAfter($own, $measure)) {
                    $version->end($own);
                } elseif ($own !== null && $until !== null) {
                    $version->put($measure->id, $part->id, PackedSeries::of($until), $own, (string) $cell);
                }
            }
        }
    }

    /** The values of all parts as one, with those that the one has itself, along the axis of the measure. */
    private function joined(Measure $measure, StoredData $data, string $cell, Entity $whole): ?SeriesTable
    {
        if ($measure->kind === MeasureKind::Rate && ($data->measures()[$measure->per] ?? null) === null) {
            return null;
        }
        $keys = array_map(static fn(Entity $e): string => $e->key, [$whole, ...$this->parts]);
        $pool = Pool::sum(self::JOINED, $this->whole, $keys);
        if ($measure->frequency !== Frequency::Number) {
            $pool = $pool->goingOnUntil(Period::holding($measure->frequency, $this->from->firstDay() - 1)->ordinal);
        }

        return Scope::of($data, [], [], Better::Neither, [$pool])->table($measure->key, Cell::parse($cell));
    }

    /**
     * What the one has from now on: its own, and where it has none what the parts had. Up to the merger that is its
     * history, joined of all or left as its own.
     */
    private function seriesOf(?SeriesTable $table, ?StoredSeries $own, Measure $measure): ?ReadSeries
    {
        $joined = $table->series[self::JOINED]->values ?? [];
        $values = [];
        foreach ($joined as $i => $value) {
            $ordinal = ($table->axis->first ?? 0) + $i;
            if (!is_nan($value) && ($this->back || !$this->isBefore($measure, $ordinal))) {
                $values[$ordinal] = $value;
            }
        }
        $statuses = [];
        [$first, $there, $said] = $own === null ? [0, [], []] : [$own->first, $own->values, $own->statuses];
        foreach ($there as $i => $value) {
            // A rate without a weight has no history but its own.
            $isJoined = $this->back && $table !== null && $this->isBefore($measure, $first + $i);
            if (!is_nan($value) && !$isJoined) {
                $values[$first + $i] = $value;
                $statuses[$first + $i] = $said[$i] ?? 0;
            }
        }
        if ($values === []) {
            return null;
        }
        $all = range(min(array_keys($values)), max(array_keys($values)));
        $values = array_replace(array_fill_keys($all, NAN), $values);
        $statuses = array_replace(array_fill_keys($all, 0), $statuses);

        return new ReadSeries(
            0,
            0,
            $all[0],
            array_values($values),
            array_values($statuses),
            array_fill(0, count($all), -1),
        );
    }

    private function isBefore(Measure $measure, int $ordinal): bool
    {
        return Period::at($measure->frequency, $ordinal)->firstDay() < $this->from->firstDay();
    }

    private function beginsAfter(StoredSeries $own, Measure $measure): bool
    {
        return !$this->isBefore($measure, $own->first);
    }

    /** A part as far as it went; null where it had ended by then, or had not begun. */
    private function until(StoredSeries $own, Measure $measure): ?ReadSeries
    {
        $kept = 0;
        foreach (array_keys($own->values) as $i) {
            $kept += $this->isBefore($measure, $own->first + $i) ? 1 : 0;
        }

        return $kept === count($own->values) || $kept === 0
            ? null
            : new ReadSeries(
                0,
                0,
                $own->first,
                array_slice($own->values, 0, $kept),
                array_slice([...$own->statuses, ...array_fill(0, $kept, 0)], 0, $kept),
                array_slice([...$own->places, ...array_fill(0, $kept, -1)], 0, $kept),
            );
    }
}
