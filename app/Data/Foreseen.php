<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Dataset;
use App\Models\StoredSeries;
use DuskRail\Data\Revision;
use DuskRail\Data\ScaleShift;
use DuskRail\Data\Unit;
use DuskRail\Data\ValueType;
use DuskRail\Reading\FoundBreakdowns;
use DuskRail\Reading\Limits;
use DuskRail\Reading\NotATable;
use DuskRail\Reading\Observations;
use DuskRail\Reading\ReadSeries;
use DuskRail\Time\Period;

/** What a file would change in a data set, before anything is stored. */
final readonly class Foreseen
{
    /** Withdrawn values that are named; of more it is said how many. */
    private const NAMED = 12;

    /**
     * @param list<string> $withdrawn stored values for which the file has none: measure, entity and period
     * @param int $withdrawnCount how many there are
     */
    private function __construct(
        public Revision $revision,
        public Matching $matching,
        public array $withdrawn,
        public int $withdrawnCount,
    ) {}

    /**
     * @param Observations $observations all that was read of it, or its beginning
     *
     * @throws NotATable when what is there and what is brought are too far apart
     * @throws ImportStopped when two names of the file are one entity
     */
    public static function of(Dataset $dataset, Observations $observations, Answers $answers): self
    {
        $revision = new Revision();
        $matching = Matching::of($dataset, $observations, $answers);
        $ids = $matching->measureIds();
        $withdrawn = [];
        $count = 0;
        [$pairs, $rest] = self::pairs($dataset, $observations, $matching, $answers);
        foreach ($pairs as [$read, $old]) {
            $read = $read->times($matching->factors[$read->measure]);
            $measure = $observations->measures[$read->measure];
            $name = $matching->entities[$read->entity]->name ?? $observations->entities[$read->entity];
            $next = LaidOver::next($old, $read, $answers);
            $revision->compare(
                $measure->name,
                $name,
                $old->first ?? $next->first,
                $old->values ?? [],
                $next->first,
                $next->values,
            );
            foreach ($old === null || $answers->isInPlace() ? [] : LaidOver::withdrawn($old, $read) as $ordinal) {
                $count++;
                if (count($withdrawn) < self::NAMED) {
                    $period = Period::at($observations->frequencyOf($read->measure), $ordinal)->label();
                    $withdrawn[] = "{$measure->name}, {$name}, {$period}";
                }
            }
        }
        foreach ($answers->isInPlace() ? $rest : [] as $gone) {
            $name = $observations->measures[(int) array_search($gone->measure_id, $ids, true)]->name;
            $revision->compare($name, '', $gone->first, $gone->values, $gone->first, []);
        }

        return new self($revision, $matching, $withdrawn, $count);
    }

    /**
     * Likely answers for measures whose values are all of another size than those that are there.
     *
     * @return array<string, string> a factor by name of the measure
     */
    public static function shifts(Dataset $dataset, Observations $observations, Answers $answers): array
    {
        $matching = Matching::of($dataset, $observations, $answers);
        $same = $next = [];
        foreach (self::pairs($dataset, $observations, $matching, $answers)[0] as [$read, $old]) {
            if ($old === null) {
                continue;
            }
            $sized = $read->times($matching->factors[$read->measure]);
            [$both, $after] = self::beside($old, $sized);
            $same[$read->measure] = [...$same[$read->measure] ?? [], ...$both];
            $next[$read->measure] = [...$next[$read->measure] ?? [], ...$after];
        }
        $shifts = [];
        foreach ($observations->measures as $n => $measure) {
            $there = $matching->measures[$n];
            $isPercent = $there !== null && Unit::parse($there->unit)->sort === ValueType::Percent;
            $factor = ScaleShift::factor($same[$n] ?? [], $next[$n] ?? [], $isPercent);
            if ($factor !== 1.0) {
                $shifts[$measure->name] = UnitQuestion::written($factor * $matching->factors[$n]);
            }
        }

        return $shifts;
    }

    /**
     * Values of the same period, and the latest stored with the first that comes after it.
     *
     * @return array{list<array{float, float}>, list<array{float, float}>}
     */
    private static function beside(StoredSeries $old, ReadSeries $new): array
    {
        [$first, $values] = [$old->first, $old->values];
        $both = [];
        $after = null;
        foreach ($new->values as $i => $value) {
            $was = $values[$new->first + $i - $first] ?? NAN;
            if (!is_nan($value) && !is_nan($was)) {
                $both[] = [$was, $value];
            } elseif (!is_nan($value) && $new->first + $i >= $first + count($values)) {
                $after ??= $value;
            }
        }
        $latest = array_values(array_filter($values, static fn(float $v): bool => !is_nan($v)));

        return [$both, $after === null || $latest === [] ? [] : [[$latest[count($latest) - 1], $after]]];
    }

    /**
     * Each series of the file with the one that is there, and those that are there alone.
     *
     * @return array{list<array{ReadSeries, StoredSeries|null}>, array<string, StoredSeries>}
     */
    private static function pairs(
        Dataset $dataset,
        Observations $observations,
        Matching $matching,
        Answers $answers,
    ): array {
        $ids = $matching->measureIds();
        $inForce = StoredSeries::ofVersion($dataset->version, array_values(array_filter($ids)));
        self::mustFit($observations, $ids, $inForce, $answers);
        $breakdowns = FoundBreakdowns::of($observations, $dataset->asBreakdowns());
        $pairs = [];
        foreach ($observations->series() as $read) {
            $entity = $matching->entities[$read->entity]->id ?? 0;
            $key = "{$ids[$read->measure]}/{$entity}/" . $breakdowns->cell($read);
            $pairs[] = [$read, $inForce[$key] ?? null];
            unset($inForce[$key]);
        }

        return [$pairs, $inForce];
    }

    /**
     * @param array<int, int> $measures id of each measure that is read; none for a new one
     * @param array<string, StoredSeries> $inForce
     *
     * @throws NotATable when what is there and what is brought are too far apart
     */
    public static function mustFit(
        Observations $observations,
        array $measures,
        array $inForce,
        Answers $answers,
    ): void {
        $spans = [];
        foreach ($answers->isInPlace() ? [] : $inForce as $series) {
            // Eight bytes to a value; unpacking them all only to count them would take long.
            $raw = $series->getRawOriginal('values');
            $end = $series->first + intdiv(strlen(is_string($raw) ? $raw : ''), 8) - 1;
            [$first, $last] = $spans[$series->measure_id] ?? [$series->first, $end];
            $spans[$series->measure_id] = [min($first, $series->first), max($last, $end)];
        }
        foreach ($observations->spans() as $n => [$first, $last]) {
            [$oldFirst, $oldLast] = $spans[$measures[$n] ?? 0] ?? [$first, $last];
            $frequency = $observations->frequencyOf($n);
            Limits::span(
                $observations->measures[$n]->name,
                Period::at($frequency, min($first, $oldFirst)),
                Period::at($frequency, max($last, $oldLast)),
            );
        }
    }
}
