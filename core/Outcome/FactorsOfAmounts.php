<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\Noun;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Parts\ContributionsPart;
use DuskRail\Rail\Stops\PerDenominator;

/**
 * Amounts as products: a measure is what it is per unit of another, times that one. With a second one it is a chain of
 * three: leakage per kilometre, kilometres per connection, connections.
 */
final class FactorsOfAmounts
{
    /**
     * What the factors are called, in their order; none where the change is not taken apart.
     *
     * @return list<string>
     *
     * @throws InvalidStudy where a measure cannot be a factor
     */
    public static function named(Comparison $comparison, ContributionsPart $part): array
    {
        $names = [$comparison->measure->name];
        $units = [''];
        foreach (self::keys($part) as $key) {
            if ($key === $comparison->measure->key) {
                throw InvalidStudy::because(
                    "{$comparison->measure->name} cannot be taken apart by itself. Choose another measure under " .
                        '“Take apart the change of”.',
                );
            }
            $refusal = (new PerDenominator($key))->refusal($comparison->run->table(), $comparison->data);
            if ($refusal !== null) {
                throw InvalidStudy::because("The change of this measure cannot be taken apart. {$refusal}");
            }
            $measure = $comparison->data->measures()[$key];
            $names[] = $measure->name;
            $units[] = Noun::singular($measure->divisor()->amount);
        }
        $factors = [];
        foreach (count($names) === 1 ? [] : $names as $i => $name) {
            $factors[] = isset($names[$i + 1]) ? "{$name} per {$units[$i + 1]}" : $name;
        }

        return $factors;
    }

    /** @return list<string> keys of the measures, without those that are not chosen or chosen twice */
    private static function keys(ContributionsPart $part): array
    {
        $chosen = array_filter([$part->factor, $part->second], static fn(string $key): bool => $key !== '');

        return array_values(array_unique($chosen));
    }

    /**
     * The measures that amounts are taken per, at some positions.
     *
     * @param non-empty-list<int> $positions
     * @return array<string, list<float>> means by line, in the order of the measures, NAN where one is not known
     */
    public static function sizes(Comparison $comparison, ContributionsPart $part, array $positions): array
    {
        $sizes = [];
        foreach (self::keys($part) as $key) {
            $stop = new PerDenominator($key);
            $weights = $stop->apply($comparison->run->table(), $comparison->data)->table->weights;
            $known = $weights === null ? [] : $weights();
            foreach ($comparison->lines as $line) {
                $sum = 0.0;
                foreach ($positions as $at) {
                    $sum += $known[$line->key][$at] ?? NAN;
                }
                $sizes[$line->key][] = $sum / count($positions);
            }
        }

        return $sizes;
    }

    /**
     * @param array<array-key, array{float, float}> $ends amounts by member
     * @param array<array-key, list<float>> $sizes by member
     * @return array<array-key, list<float>> factors whose product is the amount; none where nothing is taken apart
     */
    public static function of(array $ends, array $sizes, int $count): array
    {
        $factors = [];
        foreach ($count === 0 ? [] : $ends as $key => [$amount]) {
            $chain = [$amount, ...$sizes[$key] ?? array_fill(0, $count - 1, NAN)];
            foreach ($chain as $i => $value) {
                $per = $chain[$i + 1] ?? 1.0;
                $factors[$key][] = $per > 0.0 ? $value / $per : NAN;
            }
        }

        return $factors;
    }

    /**
     * @param array<array-key, array{float, float}> $before
     * @param array<array-key, array{float, float}> $after
     * @param array<array-key, list<float>> $factors
     * @param array<array-key, list<float>> $factorsAfter
     * @return list<array-key> keys of members that are there at both ends, and one of whose factors is not known
     */
    public static function unknown(array $before, array $after, array $factors, array $factorsAfter): array
    {
        $unknown = [];
        foreach ($factors as $key => $own) {
            $isThere = !is_nan($before[$key][0]) && !is_nan($after[$key][0]);
            if ($isThere && !is_finite(array_sum($own) + array_sum($factorsAfter[$key]))) {
                $unknown[] = $key;
            }
        }

        return $unknown;
    }
}
