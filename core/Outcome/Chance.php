<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\MeasureKind;
use DuskRail\Data\Series;
use DuskRail\Data\SeriesTable;
use DuskRail\Data\ValueType;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Peers\PeerFigures;
use DuskRail\Rail\RunStep;
use DuskRail\Rail\Stops\ChangeOfPeriod;
use DuskRail\Rail\Stops\PerDenominator;
use DuskRail\Rail\Stops\Rolling;
use DuskRail\Statistics\ChanceLimits;
use DuskRail\Time\PeriodAxis;

/**
 * How far rates made of counts may be from the ratio of sums of the peers by chance alone, given how much each entity
 * has of what they are per. Where the peers vary more than chance would make them, the limits are as much wider, unless
 * the study says otherwise.
 */
final readonly class Chance
{
    /**
     * @param list<float> $expected ratio of sums of the peers, along the axis
     * @param array<array-key, list<float>> $exposures by entity: what a rate is multiplied by to be a count
     * @param float $of times an exposure that counts are out of, for proportions; 0 where they are out of nothing
     * @param list<float> $dispersion along the axis, 1 for none
     * @param array<array-key, list<float>> $peers rates of the peers, of which the expected one is found
     */
    private function __construct(
        public array $expected,
        private array $exposures,
        private float $of,
        private array $dispersion,
        private array $peers,
    ) {}

    /** Why there are no limits; nothing where there are. */
    public static function reason(Comparison $comparison): string
    {
        $measure = $comparison->measure;
        $table = $comparison->run->table();
        if (!$measure->isCount() || !self::areWhole($comparison)) {
            return "{$measure->name} is not a count";
        }
        $isDivided = false;
        foreach ($comparison->run->inUse() as $step) {
            $stop = $step->placed->stop;
            $isDivided = $isDivided || $stop instanceof PerDenominator;
            $keepsCounts =
                $stop instanceof PerDenominator ||
                $stop instanceof ChangeOfPeriod ||
                ($stop instanceof Rolling && in_array($stop->statistic, ['mean', 'sum'], true));
            if (!$keepsCounts) {
                return "“{$stop::title()}” leaves no counts";
            }
        }

        return $isDivided && $table->weights !== null ? '' : 'the counts are not divided by a measure';
    }

    /** Whether all values are whole numbers from 0, as counts are; what stands for several is a sum or a mean. */
    private static function areWhole(Comparison $comparison): bool
    {
        $own = array_intersect_key($comparison->run->origin->series, $comparison->data->entities());
        foreach ($own as $series) {
            foreach ($series->values as $value) {
                if (!is_nan($value) && ($value < 0.0 || fmod($value, 1.0) !== 0.0)) {
                    return false;
                }
            }
        }

        return true;
    }

    /**
     * The same where nobody asked for it: of events over time alone, since a level, as people or beds, does not come
     * about by chance again in each period.
     */
    public static function ofEvents(Comparison $comparison): ?self
    {
        return $comparison->measure->kind === MeasureKind::Flow ? self::of($comparison) : null;
    }

    /** @return self|null null where values are not counts divided by something */
    public static function of(Comparison $comparison): ?self
    {
        return self::reason($comparison) === '' ? self::among($comparison, $comparison->run->table()) : null;
    }

    /**
     * The same of several periods together, at position 0: of counts and exposures added up. Windows, which overlap,
     * are not.
     *
     * @param list<int> $positions
     */
    public static function over(Comparison $comparison, array $positions): ?self
    {
        $table = $comparison->run->table();
        if (self::isOverlapping($comparison) || self::reason($comparison) !== '' || $table->weights === null) {
            return null;
        }
        $weights = ($table->weights)();
        $series = $together = [];
        foreach ($table->series as $key => $one) {
            $count = $exposure = 0.0;
            foreach ($positions as $i) {
                $own = $weights[$key][$i] ?? NAN;
                $isKnown = !is_nan($one->values[$i]) && !is_nan($own);
                $count += $isKnown ? $own * $one->values[$i] : 0.0;
                $exposure += $isKnown ? $own : 0.0;
            }
            $series[] = new Series((string) $key, [$exposure > 0.0 ? $count / $exposure : NAN]);
            $together[(string) $key] = [$exposure];
        }
        $axis = PeriodAxis::of($table->axis->frequency, $table->axis->first, 1);

        return self::among(
            $comparison,
            (new SeriesTable($axis, $table->unit, $table->kind, $series, nature: $table->nature))->weighedBy(
                static fn(): array => $together,
            ),
        );
    }

    /** Whether values are of windows, which have periods in common. */
    public static function isOverlapping(Comparison $comparison): bool
    {
        $isRolled = static fn(RunStep $step): bool => $step->placed->stop instanceof Rolling;

        return array_filter($comparison->run->inUse(), $isRolled) !== [];
    }

    private static function among(Comparison $comparison, SeriesTable $table): ?self
    {
        if ($table->weights === null) {
            return null;
        }
        $times = $periods = 1.0;
        foreach ($comparison->run->inUse() as $step) {
            $stop = $step->placed->stop;
            $times = $stop instanceof PerDenominator ? $stop->times : $times;
            $periods *= $stop instanceof Rolling && $stop->statistic === 'mean' ? $stop->window : 1;
        }
        $weights = ($table->weights)();
        $exposures = [];
        foreach ($weights as $key => $own) {
            // Without exposure there is no rate, nor a limit of one.
            $exposures[$key] = array_map(
                static fn(float $w): float => $w > 0.0 ? ($w * $periods) / $times : NAN,
                $own,
            );
        }
        $peers = $comparison->data->peers($table);
        $expected = PeerFigures::weightedMean($peers, $weights);
        $isShare = self::areProportions($comparison, $table, $expected, $exposures, $times);
        $dispersion =
            $comparison->study->part(PeersPart::class)->dispersion === 'allowed'
                ? self::dispersions($peers, $expected, $exposures, $isShare ? $times : INF)
                : array_fill(0, count($expected), 1.0);

        return new self($expected, $exposures, $isShare ? $times : 0.0, $dispersion, $peers);
    }

    /**
     * True if counts are a share of what they are divided by: in the same unit, said so, or none above it where the
     * limits of events would be.
     *
     * @param list<float> $expected
     * @param array<array-key, list<float>> $exposures
     */
    private static function areProportions(
        Comparison $comparison,
        SeriesTable $table,
        array $expected,
        array $exposures,
        float $times,
    ): bool {
        $counts = $comparison->study->part(PeersPart::class)->counts;
        if ($counts !== 'automatic' || $table->unit->sort === ValueType::Percent) {
            return $counts !== 'events';
        }
        $isAbove = false;
        foreach ($comparison->data->present($table) as $key => $values) {
            foreach ($values as $i => $rate) {
                if ($rate > $times) {
                    return false;
                }
                $exposure = $exposures[$key][$i] ?? NAN;
                // A rough limit is enough: three standard deviations of a Poisson count above what is expected.
                $isAbove = $isAbove || $expected[$i] + 3.0 * sqrt($expected[$i] / $exposure) > $times;
            }
        }

        return $isAbove;
    }

    /**
     * How much more the peers vary than by chance, by position.
     *
     * @param array<array-key, list<float>> $peers
     * @param list<float> $expected
     * @param array<array-key, list<float>> $exposures
     * @param float $whole rate at which all are counted; infinite for rates without a highest
     * @return list<float>
     */
    private static function dispersions(array $peers, array $expected, array $exposures, float $whole): array
    {
        $dispersion = [];
        foreach ($expected as $i => $rate) {
            $scores = [];
            foreach ($peers as $key => $values) {
                $exposure = $exposures[$key][$i] ?? NAN;
                $variance = ($rate * (1.0 - $rate / $whole)) / $exposure;
                $score = $variance > 0.0 ? ($values[$i] - $rate) / sqrt($variance) : NAN;
                if (!is_nan($score)) {
                    $scores[] = $score;
                }
            }
            $dispersion[] = ChanceLimits::dispersion($scores);
        }

        return $dispersion;
    }

    /** What an entity's rate is multiplied by to be its count. */
    public function exposure(string $key, int $position): float
    {
        return $this->exposures[$key][$position] ?? NAN;
    }

    /** How many times as large as chance alone the variance of the peers is. */
    public function dispersion(int $position): float
    {
        return $this->dispersion[$position];
    }

    /**
     * The rates that an entity of a size is between by chance alone: 99.8, 95, 95 and 99.8 % limits, from the lowest.
     * The rate of the peers is itself uncertain, and the limits the wider, the smaller the peers are beside it.
     *
     * @param string $key of the entity; one of the peers is held against the others
     * @return list<float> of ChanceLimits::TAILS; NAN where nothing is known
     */
    public function limits(int $position, float $exposure, string $key = ''): array
    {
        [$count, $others] = $this->others($position, $key);
        if ($others <= 0.0) {
            return array_fill(0, count(ChanceLimits::TAILS), NAN);
        }
        $rate = $count / $others;
        $wider = sqrt($this->dispersion[$position] ?? 1.0);
        $limits = [];
        foreach (ChanceLimits::TAILS as $share) {
            // The variance of a difference of two proportions is that of both.
            $both = $this->of > 0.0 ? sqrt(1.0 + $exposure / $others) : 1.0;
            $limit =
                $this->of > 0.0
                    ? ChanceLimits::binomial($exposure * $this->of, $rate / $this->of, $share)
                    : ChanceLimits::poissonBeside($exposure, $count, $others, $share);
            $limits[] = is_nan($limit) ? NAN : max(0.0, $rate + ($limit / $exposure - $rate) * $wider * $both);
        }

        return $limits;
    }

    /** @return array{float, float} what the peers count together at a position, and their exposure, without one of them */
    private function others(int $position, string $key): array
    {
        $count = $exposure = 0.0;
        foreach ($this->peers as $peer => $values) {
            $own = $this->exposures[$peer][$position] ?? NAN;
            if ((string) $peer !== $key && !is_nan($values[$position]) && $own > 0.0) {
                $count += $values[$position] * $own;
                $exposure += $own;
            }
        }

        return [$count, $exposure];
    }

    /** Whether a line's value is within the 95 % limits, so that it may be chance; null where that is not known. */
    public function mayBe(Line $line, ?int $position): ?bool
    {
        if ($position === null) {
            return null;
        }
        $limits = $this->limits($position, $this->exposure($line->key, $position), $line->key);
        $value = $line->values[$position];

        return is_nan($limits[1]) || is_nan($value) ? null : $value >= $limits[1] && $value <= $limits[2];
    }
}
