<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

use DuskRail\Notation;

/**
 * Whether a series is going up or down, in one plain verdict with its reason.
 *
 * Rising or falling is said when a rank test leaves chance less than one in twenty, and both the median slope and the
 * ends of the series point the same way. Seasons are compared with themselves; where neighbouring values are alike, the
 * test allows for it. Where no test holds, there is no verdict, and the reason says why. How often it errs is measured
 * by bench/trends.php.
 */
final readonly class Trend
{
    /** In fewer values likeness of neighbours cannot be told from a trend. */
    private const FEW = 20;

    private const VERY_FEW = 12;

    /** Below so many nothing but the order of the values can be looked at. */
    private const EXACT = 10;

    private const NONE = 'not tested';

    /**
     * How little chance a verdict may leave, by the number of values below which it holds: of few values that are alike
     * by themselves more look steady. Found by simulation of first-order series up to a likeness of 0.8
     * (bench/trends.php), so that at most 7 % are called a trend without one.
     */
    private const LEVELS = [self::EXACT => 0.002, self::VERY_FEW => 0.003, 15 => 0.02];

    /** The same by the number of years of seasons, of which few tell little of how alike they are. */
    private const LEVELS_OF_YEARS = [5 => 0.01, 8 => 0.03];

    private const LEVEL = 0.05;

    /**
     * @param string $verdict rising, falling, no clear trend, no verdict, or when it ended
     * @param float $slope median slope of all pairs of values (of the same season), for each value; NAN without any
     * @param string $when what is said behind the verdict: since when, or of a step; nothing where it is of the whole
     */
    private function __construct(
        public string $verdict,
        public string $reason,
        public float $slope,
        public ?MannKendall $test,
        public string $when = '',
    ) {}

    /**
     * The same of the part since the last turn, with the whole beside it.
     *
     * @param string $date of the turn: `Mar 2019`
     * @param float $step how much higher the level is from there on, where only that changes; 0 for a bend
     * @param string $reason what the verdict on the part rests on
     */
    public function since(Turns $turns, string $date, float $step, string $reason): self
    {
        $way = $turns->direction();
        $stepped = $step > 0.0 ? 'stepped up' : 'stepped down';
        $slope = $way > 0 ? 'rising' : 'falling';
        [$verdict, $when] = match (true) {
            $step === 0.0 => [$way === 0 ? 'no clear trend' : $slope, " since {$date}"],
            $way === 0 => [$stepped, " in {$date}"],
            default => [$slope, ", {$stepped} in {$date}"],
        };
        $beside = "{$reason}; over the whole: {$this->verdict}, {$this->reason}";

        return new self($verdict, $beside, $turns->slope, $this->test, $when);
    }

    /**
     * @param list<float> $values one a period, none that shares what it is made of with its neighbours
     * @param int $season values in a year that seasons may show in; 1 for yearly and numbered ones
     */
    public static function of(array $values, int $season = 1): self
    {
        $slope = TheilSen::slope($values, $season);
        $test = MannKendall::of($values, $season);
        $count = count(array_filter($values, static fn(float $v): bool => !is_nan($v)));
        if ($test === null) {
            return self::withheld('fewer than four values', $slope);
        }
        if ($season > 1 && $count < 3 * $season) {
            return self::withheld('fewer than three years, too few to separate seasons from a trend', $slope);
        }
        $likeness = Autocorrelation::of($values, $season);
        if ($season === 1 && $count < self::FEW && $count >= self::EXACT && $likeness->isClear()) {
            return self::withheld("neighbouring values are similar, and {$count} are too few for a test", $slope);
        }
        // Of very few, likeness that is not clear is chance.
        $alike = $likeness->inflation > 1.0 && ($season > 1 || $count >= self::VERY_FEW);

        $years = intdiv(count($values) + $season - 1, $season);
        $alikeTest = $alike ? $test->inflated($likeness->inflation, $likeness->freedom()) : $test;

        return self::told(
            // Seasons that share good and bad years say less together than apart.
            $alikeTest->withCovariance($test->variance, $years),
            $slope,
            Ends::of($values, $season),
            ($season > 1 ? 'seasonal Kendall' : 'Mann–Kendall') . ($alike ? ', corrected for similar neighbours' : ''),
            $season > 1 ? self::level($years, self::LEVELS_OF_YEARS) : self::level($count, self::LEVELS),
            self::steps($values, $season),
        );
    }

    /** Of a series that goes no further than some time, it is said when that was. */
    public static function endedIn(string $period): self
    {
        return new self("last in {$period}", "its last value is of {$period}", NAN, null);
    }

    /** No verdict, for a reason that is in what the values are. */
    public static function withheld(string $reason, float $slope = NAN): self
    {
        return new self(self::NONE, $reason, $slope, null);
    }

    /**
     * What can be said where values are too few for a test: `lower in 9 of 11 steps; 12 values are too few for a test`,
     * or with seasons `above the year before in 20 of 24 values; 3 years are too few for a test`.
     *
     * @param list<float> $values
     */
    private static function steps(array $values, int $season): string
    {
        $there = array_filter($values, static fn(float $v): bool => !is_nan($v));
        $values = $season > 1 ? $values : array_values($there);
        $up = $down = $all = 0;
        for ($i = $season; $i < count($values); $i++) {
            if (is_nan($values[$i]) || is_nan($values[$i - $season])) {
                continue;
            }
            $side = Equality::compare($values[$i], $values[$i - $season]);
            $all++;
            $up += $side > 0 ? 1 : 0;
            $down += $side < 0 ? 1 : 0;
        }
        $most = max($up, $down);
        if ($season > 1) {
            $years = intdiv(count($values) + $season - 1, $season);

            return ($down > $up ? 'below' : 'above') .
                " the year before in {$most} of {$all} values; {$years} years are too few for a test";
        }

        return ($down > $up ? 'lower' : 'higher') .
            " in {$most} of {$all} steps; " . count($there) . ' values are too few for a test';
    }

    /** @param array<int, float> $levels */
    private static function level(int $count, array $levels): float
    {
        foreach ($levels as $below => $level) {
            if ($count < $below) {
                return $level;
            }
        }

        return self::LEVEL;
    }

    private static function told(
        MannKendall $test,
        float $slope,
        Ends $ends,
        string $how,
        float $level,
        string $steps,
    ): self {
        $chance =
            $test->p < 0.001
                ? 'less than 1 in 1,000'
                : 'about ' . Notation::trimmed(number_format($test->p * 100, 1)) . ' %';
        $reason = "without a trend, a series this steady would occur by chance in {$chance} of cases ({$how})";
        if ($level < self::LEVEL && $test->p < self::LEVEL && $test->p >= $level) {
            return self::withheld($steps, $slope);
        }
        if ($test->p >= $level || $slope === 0.0) {
            return new self('no clear trend', $reason, $slope, $test);
        }
        // Up for long and then down again is no trend, whatever most pairs of values say.
        if (($ends->change() <=> 0.0) !== ($slope <=> 0.0)) {
            return new self(
                'no clear trend',
                'its last value contradicts the direction of most of the series',
                $slope,
                $test,
            );
        }

        return new self($slope > 0 ? 'rising' : 'falling', $reason, $slope, $test);
    }
}
