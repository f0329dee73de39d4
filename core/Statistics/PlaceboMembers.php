<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * How often members that are taken at random, as many as had the event, differ from the rest as much as those that had
 * it (Abadie, Diamond and Hainmueller, 2010; Fisher's exact test). Of few choices each is tried, of more some, the same
 * ones every time.
 */
final readonly class PlaceboMembers
{
    /** Up to so many choices each is tried. */
    private const MOST = 2000;

    /** Of more so many are drawn. */
    private const DRAWN = 999;

    /** Of more members than this fewer are drawn, or it would take seconds. */
    private const MANY = 300;

    private const DRAWN_OF_MANY = 99;

    /**
     * @param int $asLarge how many of the choices differ at least as much, the true one included
     * @param int $of how many choices there are, or were drawn, the true one included
     * @param bool $isAll whether each was tried
     * @param int $size how many are chosen
     */
    private function __construct(public int $asLarge, public int $of, public bool $isAll, public int $size) {}

    /** The share of choices that differ as much. */
    public function p(): float
    {
        return $this->asLarge / $this->of;
    }

    /**
     * @param non-empty-list<int> $sizes how many had the event at each of its times
     * @param array<array-key, list<float>> $changes of each member about each of the times, NAN where there is none;
     *     first of those that had it, in the order of the times
     * @return self|null null where a choice cannot be compared with another
     */
    public static function of(array $sizes, array $changes): ?self
    {
        $own = self::distance($sizes, array_values($changes));
        $count = count($changes);
        $size = array_sum($sizes);
        if (is_nan($own) || $count - $size < 2) {
            return null;
        }
        $isAll = count($sizes) === 1 && self::choices($count, $size) <= self::MOST;
        $asLarge = $of = 0;
        // A choice whose own spread is unknown is no answer.
        foreach ($isAll ? self::each($count, $size) : self::drawn($count) as $order) {
            $distance = self::distance($sizes, self::ordered(array_values($changes), $order));
            if (!is_nan($distance)) {
                $of++;
                $asLarge += $distance >= $own * (1.0 - 1e-9) ? 1 : 0;
            }
        }

        return $isAll ? new self($asLarge, $of, true, $size) : new self($asLarge + 1, $of + 1, false, $size);
    }

    /**
     * How far the first differ from the rest, in standard errors.
     *
     * @param list<int> $sizes
     * @param list<list<float>> $changes
     */
    private static function distance(array $sizes, array $changes): float
    {
        $cohorts = [];
        $size = array_sum($sizes);
        $rest = array_slice($changes, $size);
        $from = 0;
        foreach ($sizes as $g => $each) {
            $known = static fn(float $change): bool => !is_nan($change);
            $with = array_filter(array_column(array_slice($changes, $from, $each), $g), $known);
            $without = array_filter(array_column($rest, $g), $known);
            if ($with !== [] && $without !== []) {
                $cohorts[] = new Cohort($with, $without);
            }
            $from += $each;
        }

        return $cohorts === [] ? NAN : abs(DifferenceInDifferences::of($cohorts)->t());
    }

    /** How many ways there are to choose so many; more than MOST where they are many more. */
    private static function choices(int $of, int $size): float
    {
        $ways = 1.0;
        for ($i = 1; $i <= min($size, $of - $size) && $ways <= self::MOST; $i++) {
            $ways *= ($of - $i + 1) / $i;
        }

        return round($ways);
    }

    /**
     * Every choice, as an order in which those chosen are first.
     *
     * @return iterable<list<int>>
     */
    private static function each(int $count, int $size): iterable
    {
        $chosen = range(0, $size - 1);
        while (true) {
            yield [...$chosen, ...array_values(array_diff(range(0, $count - 1), $chosen))];
            $i = $size - 1;
            while ($i >= 0 && $chosen[$i] === $count - $size + $i) {
                $i--;
            }
            if ($i < 0) {
                return;
            }
            $chosen[$i]++;
            for ($j = $i + 1; $j < $size; $j++) {
                $chosen[$j] = $chosen[$j - 1] + 1;
            }
        }
    }

    /** @return iterable<list<int>> orders at random */
    private static function drawn(int $count): iterable
    {
        $random = new Randomizer(new Mt19937(20100));
        for ($draw = 0; $draw < ($count > self::MANY ? self::DRAWN_OF_MANY : self::DRAWN); $draw++) {
            yield $random->shuffleArray(range(0, $count - 1));
        }
    }

    /**
     * @param list<list<float>> $changes
     * @param list<int> $order
     * @return list<list<float>>
     */
    private static function ordered(array $changes, array $order): array
    {
        return array_map(static fn(int $i): array => $changes[$i], $order);
    }
}
