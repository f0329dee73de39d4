<?php

declare(strict_types=1);

namespace DuskRail\Data;

use DuskRail\Time\Frequency;

/** How far apart figures were measured: at every period, at every fifth, or at dates of their own. */
final readonly class Spacing
{
    /** Measured at fewer of the periods than this, figures are of dates and not of periods. */
    private const SPARSE = 0.5;

    /**
     * @param bool $isFree whether periods at which nobody was measured are no gaps
     * @param int $step periods from one figure to the next, as a rule; 1 where every period has one
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
        if ($absent === []) {
            return new self(false, 1, false);
        }
        $measured = array_keys(array_diff_key(array_fill(0, $table->axis->count, true), $absent));
        $first = $table->axis->first;
        $spacing = self::among(array_map(static fn(int $i): int => $first + $i, $measured), $table->axis->frequency);

        return $spacing->isFree ? new self(true, $spacing->step, $spacing->isIrregular, $absent) : $spacing;
    }

    /** @param list<int> $measured ordinals at which anybody was measured, in order */
    public static function among(array $measured, Frequency $frequency): self
    {
        $step = 0;
        for ($i = 1, $count = count($measured); $i < $count; $i++) {
            $step = self::divisor($measured[$i] - $measured[$i - 1], $step);
        }
        $span = $measured === [] ? 0 : $measured[count($measured) - 1] - $measured[0] + 1;
        $isSparse = count($measured) >= 3 && count($measured) < self::SPARSE * $span;
        $isStepped = count($measured) >= 3 && $step > 1;
        // A month that all lack in a row of months is a gap; years are often those of a count or a survey.
        $mayMiss = in_array($frequency, [Frequency::Number, Frequency::Year, Frequency::FiscalYear], true);

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
