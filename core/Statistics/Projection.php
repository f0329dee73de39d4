<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * A series carried on, with what the values to come may be off by: by shocks to come, each of which lasts as the method
 * says, and by what was fitted.
 */
final readonly class Projection
{
    /** Share of the values to come that are to be within an interval. */
    private const WITHIN = 0.95;

    /**
     * @param int $last position of the last value known; the first projected one is a period later
     * @param list<float> $values projected, period by period
     * @param list<float> $lasting what a shock adds in its own period and in each after it, itself being 1
     * @param float $variance of a shock
     * @param list<list<float>> $loadings of each projected value: what is uncertain in what was fitted, in shocks that
     *     are independent of each other
     * @param list<float> $times how many times as large errors are in each projected period, for its season
     * @param float $freedom degrees of freedom of the variance
     * @param float $slope at the end of what is known, for a period
     */
    public function __construct(
        public ProjectionMethod $method,
        public int $last,
        public array $values,
        public array $lasting,
        public float $variance,
        private array $loadings,
        private array $times,
        private float $freedom,
        public float $slope,
        private float $wider = 1.0,
    ) {}

    /**
     * Standard error of a sum of projected values.
     *
     * @param array<int, float> $weights how often each is in it, by its number from 0
     */
    public function error(array $weights): float
    {
        $squares = 0.0;
        foreach ($weights === [] ? [] : range(0, max(array_keys($weights))) as $shock) {
            $sum = 0.0;
            foreach ($weights as $h => $weight) {
                $sum += $h < $shock ? 0.0 : $weight * $this->times[$h] * $this->lasting[$h - $shock];
            }
            $squares += $sum * $sum;
        }
        $fitted = [];
        foreach ($weights as $h => $weight) {
            foreach ($this->loadings[$h] as $k => $loading) {
                $fitted[$k] = ($fitted[$k] ?? 0.0) + $weight * $this->times[$h] * $loading;
            }
        }
        foreach ($fitted as $sum) {
            $squares += $sum * $sum;
        }

        return $this->wider * sqrt($this->variance * $squares);
    }

    /**
     * How far a sum of projected values may be off, either way, with 95 % confidence.
     *
     * @param array<int, float> $weights how often each is in it, by its number from 0
     */
    public function reach(array $weights): float
    {
        return StudentT::quantile(self::WITHIN, $this->freedom) * $this->error($weights);
    }

    /**
     * The same with seasons, which are not known exactly either.
     *
     * @param float $uncertain standard error of a season, in shocks
     */
    public function withSeasons(SeasonsApart $seasons, int $season, float $uncertain): self
    {
        $values = $times = $loadings = [];
        foreach ($this->values as $h => $value) {
            $position = $this->last + 1 + $h;
            $values[] = $seasons->with($value, $position);
            $times[] = $seasons->times($position);
            $own = array_fill(0, $season > 1 ? $season : 0, 0.0);
            if ($season > 1) {
                $own[$position % $season] = $uncertain;
            }
            $loadings[] = [...$this->loadings[$h], ...$own];
        }

        return new self(
            $this->method,
            $this->last,
            $values,
            $this->lasting,
            $this->variance,
            $loadings,
            $times,
            $this->freedom,
            $this->slope,
            $this->wider,
        );
    }

    /** The same, off by so many times as much. */
    public function wider(float $times): self
    {
        return new self(
            $this->method,
            $this->last,
            $this->values,
            $this->lasting,
            $this->variance,
            $this->loadings,
            $this->times,
            $this->freedom,
            $this->slope,
            $this->wider * $times,
        );
    }
}
