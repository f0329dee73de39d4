<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * Whether a series is going up or down, in one plain verdict with its reason.
 *
 * Rising or falling is said when Mann and Kendall's test leaves chance less than one in twenty and the median slope
 * points the same way; anything else is no clear trend.
 */
final readonly class Trend
{
    private const MOST = 400;

    /**
     * @param float $growth compound annual growth rate from the first to the last value in per cent, NAN where
     *     there is none
     */
    private function __construct(
        public string $verdict,
        public string $reason,
        public float $slope,
        public ?StraightLine $line,
        public ?MannKendall $test,
        public float $growth,
    ) {}

    /**
     * @param list<float> $values one a period
     * @param float $perYear periods in a year; NAN where a rate of growth means nothing
     * @param int $most values looked at, of longer series every so many-th
     */
    public static function of(array $values, float $perYear, int $most = self::MOST): self
    {
        // Both look at every pair of values; of a long series every so many-th is taken, which leaves its course as it
        // is.
        $stride = max(1, intdiv(count($values), $most));
        $full = $values;
        $values = array_values(
            array_filter($values, static fn(int $i): bool => $i % $stride === 0, ARRAY_FILTER_USE_KEY),
        );
        $test = MannKendall::of($values);
        $line = StraightLine::through(array_map(floatval(...), array_keys($full)), $full);
        $slope = TheilSen::slope($values) / $stride;
        $growth = self::growth($full, $perYear);
        if ($test === null) {
            return new self('no clear trend', 'fewer than four values', $slope, $line, null, $growth);
        }
        $clear = $test->p < 0.05 && $slope !== 0.0;
        $chance =
            $test->p < 0.001
                ? 'less than 1 in 1,000'
                : 'about ' . rtrim(rtrim(number_format($test->p * 100, 1), '0'), '.') . ' %';

        return new self(
            $clear ? ($slope > 0 ? 'rising' : 'falling') : 'no clear trend',
            "without a trend, so steady a course would come by chance in {$chance} of cases (Mann–Kendall)",
            $slope,
            $line,
            $test,
            $growth,
        );
    }

    /** @param list<float> $values */
    private static function growth(array $values, float $perYear): float
    {
        $present = array_filter($values, static fn(float $v): bool => !is_nan($v));
        $first = array_key_first($present);
        $last = array_key_last($present);
        if (
            is_nan($perYear) ||
            $first === null ||
            $last === null ||
            $first === $last ||
            $present[$first] <= 0.0 ||
            $present[$last] < 0.0
        ) {
            return NAN;
        }

        return (($present[$last] / $present[$first]) ** ($perYear / ($last - $first)) - 1.0) * 100.0;
    }
}
