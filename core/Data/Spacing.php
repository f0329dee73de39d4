<?php

declare(strict_types=1);

namespace DuskRail\Data;

use DuskRail\Time\Frequency;

/** How far apart values were measured: at every period, at every fifth, or at dates of their own. */
final readonly class Spacing
{
    /** Measured at fewer of the periods than this, values are of dates and not of periods. */
    private const SPARSE = 0.5;

    /** Series that are looked at, of many. */
    private const LOOKED_AT = 60;

    /**
     * @param bool $isFree whether periods at which nobody was measured are no gaps
     * @param int $step periods from one value to the next, as a rule; 1 where every period has one
     * @param array<int, true> $absent positions at which nobody was measured, where they are no gaps
     */
    private function __construct(
        public bool $isFree,
        public int $step,
        public bool $isIrregular,
        public array $absent = [],
    ) {}

    public static function of(SeriesTable $table): self
    {
        $absent = array_fill(0, $table->axis->count, true);
        foreach ($table->series as $series) {
            // The first series leaves few over, as a rule.
            foreach ($absent as $i => $_) {
                if (!is_nan($series->values[$i])) {
                    unset($absent[$i]);
                }
            }
        }
        $own = self::areOfOwnDates($table);
        if ($absent === []) {
            return new self($own, 1, $own);
        }
        $measured = array_keys(array_diff_key(array_fill(0, $table->axis->count, true), $absent));
        $first = $table->axis->first;
        $spacing = self::among(
            array_map(static fn(int $i): int => $first + $i, $measured),
            $table->axis->frequency,
            $table->kind === MeasureKind::Flow,
        );
        $isIrregular = $spacing->isIrregular || ($own && $spacing->step === 1);

        return $spacing->isFree || $isIrregular ? new self(true, $spacing->step, $isIrregular, $absent) : $spacing;
    }

    /**
     * Positions that are no gaps of a series: those at which nobody was measured, and where each is of dates of its own
     * all at which it was not.
     *
     * @param list<float> $values
     * @return array<int, true>
     */
    public function absentIn(array $values): array
    {
        return $this->isIrregular
            ? array_fill_keys(array_keys(array_filter($values, is_nan(...))), true)
            : $this->absent;
    }

    /** Whether most series were measured at few of the periods between their own first and last. */
    private static function areOfOwnDates(SeriesTable $table): bool
    {
        $tried = $sparse = 0;
        $all = array_values($table->series);
        for ($n = 0, $step = max(1, intdiv(count($all), self::LOOKED_AT)); $n < count($all); $n += $step) {
            $count = $first = $last = 0;
            foreach ($all[$n]->values as $i => $value) {
                if (!is_nan($value)) {
                    $first = $count === 0 ? $i : $first;
                    $last = $i;
                    $count++;
                }
            }
            if ($count >= 3) {
                $tried++;
                $sparse += $count < self::SPARSE * ($last - $first + 1) ? 1 : 0;
            }
        }

        return $sparse > $tried / 2;
    }

    /**
     * @param list<int> $measured ordinals at which anybody was measured, in order
     * @param bool $flows true if values are what came about in a period: then a period without one is a gap
     */
    public static function among(array $measured, Frequency $frequency, bool $flows): self
    {
        $step = 0;
        for ($i = 1, $count = count($measured); $i < $count; $i++) {
            $step = self::divisor($measured[$i] - $measured[$i - 1], $step);
        }
        $span = $measured === [] ? 0 : $measured[count($measured) - 1] - $measured[0] + 1;
        $isSparse = count($measured) >= 3 && count($measured) < self::SPARSE * $span;
        $isStepped = count($measured) >= 3 && $step > 1;
        // A month that all lack in a row of months is a gap; years of levels are often those of a count or a survey.
        $mayMiss =
            $frequency === Frequency::Number ||
            (!$flows && in_array($frequency, [Frequency::Year, Frequency::FiscalYear], true));

        return $isStepped || $isSparse || $mayMiss || self::areWorkingDays($measured, $frequency)
            ? new self(true, max(1, $step), $isSparse && !$isStepped)
            : new self(false, 1, false);
    }

    /**
     * Whether days are those of business: none is a Saturday or a Sunday.
     *
     * @param list<int> $days ordinals
     */
    private static function areWorkingDays(array $days, Frequency $frequency): bool
    {
        if ($frequency !== Frequency::Day || count($days) < 10) {
            return false;
        }
        foreach ($days as $day) {
            // Day 0 was a Thursday.
            if ((($day % 7) + 7) % 7 === 2 || (($day % 7) + 7) % 7 === 3) {
                return false;
            }
        }

        return true;
    }

    private static function divisor(int $a, int $b): int
    {
        while ($b !== 0) {
            [$a, $b] = [$b, $a % $b];
        }

        return $a;
    }
}
