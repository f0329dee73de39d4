<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * Carries a series on, no further than a quarter of what is known of it: without seasons straight on, with seasons by
 * the method whose errors on values held back at the end are the smallest (Tashman, 2000, “Out-of-sample tests of
 * forecasting accuracy”: rolling origins). It is there to judge targets, not to predict. Simulations are in
 * bench/projections.php.
 */
final readonly class Projections
{
    /** Of what is known, the share that a series is carried on. */
    private const SHARE = 0.25;

    private const ORIGINS = 3;

    /** Three paths may err by chance: an interval gets so many times as wide at most. */
    private const WIDEST = 1.5;

    /** Fewer tell no pace, as for turns. */
    private const FEWEST = 10;

    private const FEWEST_YEARS = 3;

    /** The variance of a median of normal values is π/2 times that of a mean. */
    private const MEDIAN = M_PI / 2.0;

    /**
     * @param list<float> $values missing ones are NAN
     * @param int $season values in a year, 1 without seasons
     * @param int|null $since position from which the pace is measured; null for the last turn
     */
    public function __construct(private array $values, private int $season, private ?int $since = null) {}

    /** How many periods the series may be carried on. */
    public function furthest(): int
    {
        $there = array_keys(array_filter($this->values, static fn(float $v): bool => !is_nan($v)));

        return $there === [] ? 0 : (int) floor(self::SHARE * ($there[count($there) - 1] - $there[0] + 1));
    }

    /** Whether there are enough values to carry it on. */
    public function isKnown(): bool
    {
        $there = count(array_filter($this->values, static fn(float $v): bool => !is_nan($v)));

        return $there >= max(self::FEWEST, self::FEWEST_YEARS * $this->season) && $this->furthest() > 0;
    }

    /**
     * @param list<Turn> $turns of the values
     * @param int $count how many periods it is carried on; as many as it may be where that is fewer
     * @param ProjectionMethod|null $method null for the one that errs least
     * @return ProjectionChoice|null null where there are too few values
     */
    public function ahead(array $turns, int $count, ?ProjectionMethod $method = null): ?ProjectionChoice
    {
        $count = min($count, $this->furthest());
        if ($count < 1 || !$this->isKnown()) {
            return null;
        }
        [$errors, $wider] = $this->errors($count);
        asort($errors);
        $best = $this->season < 2 || $errors === [] ? 'straight' : (string) array_key_first($errors);
        $method ??= ProjectionMethod::from($best);
        $chosen =
            $this->by($method, $this->values, $turns, $count) ??
            $this->by(ProjectionMethod::Straight, $this->values, $turns, $count);

        return $chosen === null
            ? null
            : new ProjectionChoice(
                $chosen->wider(max(1.0, min(self::WIDEST, $wider[$chosen->method->value] ?? 1.0))),
                $errors,
                $count,
            );
    }

    /** The slope since the position that was chosen, for a period; NAN for fewer than five values. */
    public function pace(): float
    {
        return $this->by(ProjectionMethod::Straight, $this->values, [], 1)->slope ?? NAN;
    }

    /**
     * @param list<float> $values those that are known
     * @param list<Turn> $turns
     */
    private function by(ProjectionMethod $method, array $values, array $turns, int $count): ?Projection
    {
        if ($method === ProjectionMethod::Naive) {
            return NaiveDrift::of($values, $this->season, $count);
        }
        $seasons = SeasonsApart::in($values, $this->season);
        $plain = $seasons->without($values);
        if ($method === ProjectionMethod::Damped) {
            $line = DampedTrend::of($plain, $count);
        } else {
            for ($i = 0; $i < min($this->since ?? 0, count($plain)); $i++) {
                $plain[$i] = NAN;
            }
            $line = StraightOn::of(array_values($plain), $this->season, $this->since === null ? $turns : [], $count);
        }
        $uncertain = $seasons->years > 0 ? sqrt(self::MEDIAN / $seasons->years) : 0.0;

        return $line?->withSeasons($seasons, $this->season, $uncertain);
    }

    /**
     * Mean absolute error of each method on values held back, from several origins, and how many times as far it erred
     * as it said it would, value by value or on average over all that were held back.
     *
     * @return array{array<string, float>, array<string, float>} by method; of those that could be tried each time
     */
    private function errors(int $count): array
    {
        $tried = [];
        $step = max(1, intdiv($count, 2));
        $origins = 0;
        for (; $origins < self::ORIGINS; $origins++) {
            $known = array_slice($this->values, 0, count($this->values) - $count - $origins * $step);
            if (count($known) < max(self::FEWEST, self::FEWEST_YEARS * $this->season)) {
                break;
            }
            $turns = $this->since === null ? Turns::in($known, $this->season, null, false)->turns : [];
            foreach (ProjectionMethod::cases() as $method) {
                $ahead = $this->by($method, $known, $turns, $count);
                $off = $ahead === null ? [] : $this->off($ahead);
                if ($ahead !== null && $off !== []) {
                    $mean = array_sum(array_map(abs(...), $off)) / count($off);
                    $tried[$method->value][] = [$mean, ...self::missed($ahead, $off)];
                }
            }
        }
        $errors = $wider = [];
        foreach ($tried as $method => $of) {
            // A method that could not be tried from every origin had easier ones.
            if (count($of) === $origins) {
                $sums = static fn(int $which): float => array_sum(array_column($of, $which));
                [$sum, $single, $mean] = array_map($sums, [0, 1, 2]);
                $errors[$method] = $sum / $origins;
                $wider[$method] = sqrt(max($single, $mean) / $origins);
            }
        }

        return [$errors, $wider];
    }

    /**
     * How far off projected values were.
     *
     * @return array<int, float> by number, of those that came in
     */
    private function off(Projection $ahead): array
    {
        $off = [];
        foreach ($ahead->values as $h => $value) {
            $off[$h] = ($this->values[$ahead->last + 1 + $h] ?? NAN) - $value;
        }

        return array_filter($off, static fn(float $v): bool => !is_nan($v));
    }

    /**
     * The squares of how many standard errors projected values were off: one by one, and all together.
     *
     * @param non-empty-array<int, float> $off
     * @return array{float, float}
     */
    private static function missed(Projection $ahead, array $off): array
    {
        $squares = 0.0;
        foreach ($off as $h => $one) {
            $squares += ($one / max($ahead->error([$h => 1.0]), PHP_FLOAT_MIN)) ** 2;
        }
        $all = $ahead->error(array_fill_keys(array_keys($off), 1.0));

        return [$squares / count($off), (array_sum($off) / max($all, PHP_FLOAT_MIN)) ** 2];
    }
}
