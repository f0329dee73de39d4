<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Dataset;
use App\Models\StoredSeries;
use DuskRail\Data\Revision;
use DuskRail\Data\ScaleShift;
use DuskRail\Data\Unit;
use DuskRail\Data\ValueType;
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
        $withdrawn = [];
        $count = 0;
        $pairs = SeriesPairs::of($dataset, $observations, $matching, $answers);
        foreach ($pairs->each() as [$read, $old]) {
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
        $ids = $matching->measureIds();
        foreach ($answers->isInPlace() ? $pairs->rest() : [] as $gone) {
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
        foreach (SeriesPairs::of($dataset, $observations, $matching, $answers)->each() as [$read, $old]) {
            if ($old === null) {
                continue;
            }
            [$both, $after] = self::beside($old, $read);
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
}
