<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Dataset;
use App\Models\Entity;
use App\Models\ImportedFile;
use App\Models\Measure;
use App\Models\StoredSeries;
use DuskRail\Data\Revision;
use DuskRail\Data\Status;
use DuskRail\Reading\Limits;
use DuskRail\Reading\ReadSeries;
use DuskRail\Time\Period;

/** The states a data set has been in: compared, gone back to, and made new by a single correction. */
final readonly class Versions
{
    public function __construct(private Dataset $dataset) {}

    /** What changed from one version to another. */
    public function revision(int $from, int $to): Revision
    {
        $revision = new Revision();
        $measures = Measure::where('dataset_id', $this->dataset->id)->get()->keyBy('id');
        $entities = Entity::where('dataset_id', $this->dataset->id)->get()->keyBy('id');
        [$old, $new] = [$this->inVersion($from), $this->inVersion($to)];
        foreach ($old + $new as $key => $any) {
            [$was, $is] = [$old[$key] ?? null, $new[$key] ?? null];
            if ($was?->id !== $is?->id) {
                $revision->compare(
                    $measures[$any->measure_id]->name ?? '',
                    $entities[$any->entity_id]->name ?? '',
                    $was->first ?? 0,
                    $was->values ?? [],
                    $is->first ?? 0,
                    $is->values ?? [],
                );
            }
        }

        return $revision;
    }

    /** Makes a new version that is as an older one was, with all that described it; those between stay. */
    public function restore(int $version): void
    {
        VersionWriter::write($this->dataset, VersionSource::version($version), function (VersionWriter $new) use (
            $version,
        ): void {
            [$old, $now] = [$this->inVersion($version), $this->inVersion($this->dataset->newestVersion())];
            foreach ($old as $key => $series) {
                if (($now[$key]->id ?? null) !== $series->id) {
                    $copy = new ReadSeries(
                        0,
                        0,
                        $series->first,
                        $series->values,
                        $series->statuses,
                        array_fill(0, count($series->values), -1),
                    );
                    $new->put(
                        $series->measure_id,
                        $series->entity_id,
                        PackedSeries::of($copy),
                        $now[$key] ?? null,
                        $series->cell,
                    );
                }
            }
            foreach (array_diff_key($now, $old) as $series) {
                $new->end($series);
            }
            $names = Description::of($this->dataset)->measureNames();
            Description::of($this->dataset, $version)->restore();
            RenamedMeasures::inStudies($this->dataset, $names, Description::of($this->dataset)->measureNames());
        });
    }

    /**
     * Sets one value by hand, as a version of its own that says what it was before and why.
     *
     * @param float $value NAN for one that is missing
     *
     * @throws TooFarAway when the period is far from all that is there
     * @throws ChangedMeanwhile when another version is in force by now
     */
    public function correct(SeriesKey $of, int $ordinal, float $value, Status $status, string $why): void
    {
        [$measure, $entity] = [$of->measure, $of->entity];
        $this->mustBeNear($measure, $ordinal);
        $old = $this->inForce($of);
        $series = PackedSeries::of(self::corrected($old, $ordinal, $value, $status));
        $correction = new Correction(
            $measure->key,
            $entity->key,
            $ordinal,
            $old?->valueAt($ordinal) ?? NAN,
            $value,
            Status::tryFrom($old?->statusAt($ordinal) ?? 0) ?? Status::Measured,
            $of->cell,
        );
        VersionWriter::write(
            $this->dataset,
            VersionSource::correction($correction, $why),
            static fn(VersionWriter $new) => $new->put($measure->id, $entity->id, $series, $old, $of->cell),
            $this->dataset->version,
        );
    }

    /**
     * Puts back what a correction replaced.
     *
     * @throws NotInForce when something else has taken its place since
     */
    public function takeBack(ImportedFile $file): void
    {
        $correction = $file->correction();
        $measure = $this->dataset->measures->firstWhere('key', $correction->measure ?? '');
        $entity = $this->dataset->entities->firstWhere('key', $correction->entity ?? '');
        if ($correction === null || $measure === null || $entity === null) {
            throw NotInForce::unknown();
        }
        $of = new SeriesKey($measure, $entity, $correction->cell);
        if (!$this->isInForce($file)) {
            $now = $this->inForce($of)?->valueAt($correction->ordinal) ?? NAN;
            throw NotInForce::replacedBy(self::number($now));
        }
        $why = "undone: {$file->note}";
        $this->correct($of, $correction->ordinal, $correction->old, $correction->status, $why);
    }

    /** Whether the value that a correction set is still in force: no later version has given another. */
    public function isInForce(ImportedFile $file): bool
    {
        $correction = $file->correction();
        $measure = $this->dataset->measures->firstWhere('key', $correction->measure ?? '');
        $entity = $this->dataset->entities->firstWhere('key', $correction->entity ?? '');
        if ($correction === null || $measure === null || $entity === null) {
            return false;
        }
        $series = StoredSeries::query()
            ->where('measure_id', $measure->id)
            ->where('entity_id', $entity->id)
            ->where('cell', $correction->cell)
            ->where('since', '>=', $file->version)
            ->orderBy('since')
            ->get();
        foreach ($series as $one) {
            $value = $one->valueAt($correction->ordinal);
            $same = is_nan($value) ? is_nan($correction->new) : $value === $correction->new;
            $given = ($one->places[$correction->ordinal - $one->first] ?? -1) >= 0;
            if (!$same || ($given && $one->imported_file_id !== $file->id)) {
                return false;
            }
        }
        $newest = $series->last();

        return $newest !== null && $newest->until === null;
    }

    /** A correction in words: `Tarrow, Leakage, March 2024: 12 → 14`. */
    public function inWords(ImportedFile $file): string
    {
        $correction = $file->correction();
        $measure = $this->dataset->measures->firstWhere('key', $correction->measure ?? '');
        $entity = $this->dataset->entities->firstWhere('key', $correction->entity ?? '');
        if ($correction === null || $measure === null || $entity === null) {
            return '';
        }
        $period = Period::at($measure->frequency, $correction->ordinal)->label();
        $change = self::number($correction->old) . ' → ' . self::number($correction->new);

        return "{$entity->name}, {$measure->name}, {$period}: {$change}";
    }

    private static function number(float $value): string
    {
        return is_nan($value) ? 'nothing' : (string) json_encode($value);
    }

    /** A mistyped year would stretch every line of the measure over centuries. */
    private function mustBeNear(Measure $measure, int $ordinal): void
    {
        $all = StoredSeries::query()
            ->inVersion($this->dataset->version)
            ->where('measure_id', $measure->id)
            ->selectRaw('min(first) as low, max(first + length("values") / 8 - 1) as high')
            ->toBase()
            ->first();
        if (is_numeric($all?->low) && is_numeric($all->high)) {
            [$first, $last] = [(int) $all->low, (int) $all->high];
            $room = max(10 * $measure->frequency->inAYear(), $last - $first + 1);
            if ($ordinal < $first - $room || $ordinal > $last + $room) {
                throw TooFarAway::from(
                    Period::at($measure->frequency, $ordinal),
                    Period::at($measure->frequency, $first),
                    Period::at($measure->frequency, $last),
                    $measure->name,
                );
            }
            // One after the other they could stretch it as far.
            Limits::span(
                $measure->name,
                Period::at($measure->frequency, min($first, $ordinal)),
                Period::at($measure->frequency, max($last, $ordinal)),
            );
        }
    }

    private static function corrected(?StoredSeries $old, int $ordinal, float $value, Status $status): ReadSeries
    {
        // Taken out of the model once: every look into it unpacks the whole list.
        [$begins, $values, $statuses] = [$old->first ?? $ordinal, $old->values ?? [], $old->statuses ?? []];
        $statuses = $statuses === [] ? array_fill(0, count($values), 0) : $statuses;
        $before = max(0, $begins - $ordinal);
        $after = max(0, $ordinal - $begins + 1 - count($values));
        $values = [...array_fill(0, $before, NAN), ...$values, ...array_fill(0, $after, NAN)];
        $statuses = [...array_fill(0, $before, 0), ...$statuses, ...array_fill(0, $after, 0)];
        $places = array_fill(0, count($values), -1);
        $first = $begins - $before;
        $values[$ordinal - $first] = $value;
        $statuses[$ordinal - $first] = $status->value;
        $places[$ordinal - $first] = is_nan($value) ? -1 : 0;

        return new ReadSeries(0, 0, $first, array_values($values), array_values($statuses), array_values($places));
    }

    private function inForce(SeriesKey $of): ?StoredSeries
    {
        return StoredSeries::query()
            ->inVersion($this->dataset->version)
            ->where('measure_id', $of->measure->id)
            ->where('entity_id', $of->entity->id)
            ->where('cell', $of->cell)
            ->first();
    }

    /** @return array<string, StoredSeries> by the ids of measure and entity */
    private function inVersion(int $version): array
    {
        /** @var list<int> $measures */
        $measures = Measure::where('dataset_id', $this->dataset->id)->pluck('id')->all();

        return StoredSeries::ofVersion($version, $measures);
    }
}
