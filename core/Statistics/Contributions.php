<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

use DuskRail\Statistics\ContributionTerm as Term;

/**
 * How the change of a whole is made up of what its members did. The terms of a member add up to what it contributes,
 * and what all contribute adds up to the change, to the last bit of a Total.
 *
 * The change of a ratio of sums is parted into what rates did and what their mix did. With the means of both ends as
 * weights (Marshall 1887, Edgeworth 1925; for two populations Kitagawa 1955), the mix is taken about the middle of the
 * two ratios, and members that come or go count by their distance to it (Griliches and Regev 1995). With the weights of
 * the beginning, rate and mix together are a term of their own (Foster, Haltiwanger and Krizan 2001). The factors of
 * a product are parted as in Das Gupta (1993), section 2: each by its change, times the mean of the others over all
 * orders in which they could have changed.
 */
final readonly class Contributions
{
    /** More rounds than the last bits of any sum have needed. */
    private const ROUNDS = 24;

    private const FACTORS = [Term::First, Term::Second, Term::Third];

    /**
     * @param float $before the whole at the beginning
     * @param float $after the whole at the end
     * @param list<Contribution> $parts in the order of the members
     * @param array{float, float} $below what is below the line of both, 1 in a sum
     */
    private function __construct(
        public float $before,
        public float $after,
        public array $parts,
        public array $below = [1.0, 1.0],
    ) {}

    /**
     * @param array<array-key, float> $before amounts by key, NAN for one that is not there
     * @param array<array-key, float> $after the same keys
     */
    public static function toSum(array $before, array $after): self
    {
        $terms = [];
        foreach ($before as $key => $first) {
            $terms[$key] = self::amount($first, $after[$key]);
        }

        return self::whole(self::ends($before), self::ends($after), $terms, self::sum($before), self::sum($after));
    }

    /**
     * @param array<array-key, array{float, float}> $before what is above and below the line by key, NAN for one that is
     *     not there
     * @param array<array-key, array{float, float}> $after the same keys
     * @param bool $midpoint whether the weights are the means of both ends, and not those of the beginning
     */
    public static function toRatio(array $before, array $after, bool $midpoint = true): self
    {
        [$below, $belowAfter] = [self::sum(array_column($before, 1)), self::sum(array_column($after, 1))];
        $first = fdiv(self::sum(array_column($before, 0)), $below);
        $last = fdiv(self::sum(array_column($after, 0)), $belowAfter);
        $about = $midpoint ? ($first + $last) / 2.0 : $first;
        $terms = [];
        foreach ($before as $key => [$part, $weight]) {
            [$partAfter, $weightAfter] = $after[$key];
            [$share, $shareAfter] = [fdiv($weight, $below), fdiv($weightAfter, $belowAfter)];
            [$rate, $rateAfter] = [fdiv($part, $weight), fdiv($partAfter, $weightAfter)];
            $terms[$key] = match (true) {
                is_nan($rate) && is_nan($rateAfter) => [],
                is_nan($rate) => [Term::Entry->value => $shareAfter * ($rateAfter - $about)],
                is_nan($rateAfter) => [Term::Exit->value => -$share * ($rate - $about)],
                $midpoint => [
                    Term::Rate->value => (($share + $shareAfter) / 2.0) * ($rateAfter - $rate),
                    Term::Mix->value => ($shareAfter - $share) * (($rate + $rateAfter) / 2.0 - $about),
                ],
                default => [
                    Term::Rate->value => $share * ($rateAfter - $rate),
                    Term::Mix->value => ($shareAfter - $share) * ($rate - $about),
                    Term::Both->value => ($shareAfter - $share) * ($rateAfter - $rate),
                ],
            };
        }

        return self::whole($before, $after, $terms, $first, $last, [$below, $belowAfter]);
    }

    /**
     * A sum whose amounts are products of two or three factors.
     *
     * @param array<array-key, float> $before amounts by key, NAN for one that is not there
     * @param array<array-key, float> $after the same keys
     * @param array<array-key, list<float>> $factors of each amount at the beginning, whose product it is; NAN where one
     *     is not known
     * @param array<array-key, list<float>> $factorsAfter the same at the end
     */
    public static function toProducts(array $before, array $after, array $factors, array $factorsAfter): self
    {
        $terms = [];
        foreach ($before as $key => $first) {
            [$own, $ownAfter] = [$factors[$key] ?? [NAN], $factorsAfter[$key] ?? [NAN]];
            $isKnown = is_finite(array_sum($own) + array_sum($ownAfter));
            $isThere = !is_nan($first) && !is_nan($after[$key]);
            $terms[$key] = $isKnown && $isThere ? self::factors($own, $ownAfter) : self::amount($first, $after[$key]);
        }

        return self::whole(self::ends($before), self::ends($after), $terms, self::sum($before), self::sum($after));
    }

    public function change(): float
    {
        return $this->after - $this->before;
    }

    /** What a term comes to over all members. */
    public function term(Term $term): float
    {
        return self::sum(array_map(static fn(Contribution $part): float => $part->term($term), $this->parts));
    }

    /** @return array<value-of<Term>, float> */
    private static function amount(float $first, float $last): array
    {
        return match (true) {
            is_nan($first) && is_nan($last) => [],
            is_nan($first) => [Term::Entry->value => $last],
            is_nan($last) => [Term::Exit->value => -$first],
            default => [Term::Amount->value => $last - $first],
        };
    }

    /**
     * @param list<float> $first two or three
     * @param list<float> $last as many
     * @return array<value-of<Term>, float>
     */
    private static function factors(array $first, array $last): array
    {
        $terms = [];
        foreach (array_keys($first) as $at) {
            $others = array_values(array_diff(array_keys($first), [$at]));
            [$a, $b] = [$others[0], $others[1] ?? null];
            $weight =
                $b === null
                    ? ($first[$a] + $last[$a]) / 2.0
                    : ($first[$a] * $first[$b] + $last[$a] * $last[$b]) / 3.0 +
                        ($first[$a] * $last[$b] + $last[$a] * $first[$b]) / 6.0;
            $terms[self::FACTORS[$at]->value] = ($last[$at] - $first[$at]) * $weight;
        }

        return $terms;
    }

    /**
     * @param array<array-key, array{float, float}> $before
     * @param array<array-key, array{float, float}> $after
     * @param array<array-key, array<value-of<Term>, float>> $terms by key
     * @param array{float, float} $below
     */
    private static function whole(
        array $before,
        array $after,
        array $terms,
        float $first,
        float $last,
        array $below = [1.0, 1.0],
    ): self {
        $terms = self::settled($terms, $last - $first);
        $parts = [];
        foreach ($terms as $key => $own) {
            $parts[] = new Contribution((string) $key, $before[$key], $after[$key], self::sum($own), $own);
        }

        return new self($first, $last, $parts, $below);
    }

    /**
     * The same terms with what rounding took given back to the largest of them that can hold it.
     *
     * @param array<array-key, array<value-of<Term>, float>> $terms
     * @return array<array-key, array<value-of<Term>, float>>
     */
    private static function settled(array $terms, float $change): array
    {
        $changes = array_map(self::sum(...), $terms);
        uasort($changes, static fn(float $a, float $b): int => abs($b) <=> abs($a));
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $lost = $change - self::sum($changes);
            if ($lost === 0.0 || !is_finite($lost)) {
                break;
            }
            foreach (array_keys($changes) as $key) {
                $held = self::holding($terms[$key], $lost);
                if ($held !== null) {
                    $terms[$key][$held] += $lost;
                    $changes[$key] = self::sum($terms[$key]);
                    break;
                }
            }
        }

        return $terms;
    }

    /**
     * The largest term that so little can be added to without rounding it away.
     *
     * @param array<value-of<Term>, float> $terms
     * @return value-of<Term>|null
     */
    private static function holding(array $terms, float $lost): ?string
    {
        uasort($terms, static fn(float $a, float $b): int => abs($b) <=> abs($a));
        $sum = self::sum($terms);
        foreach ($terms as $name => $term) {
            if (self::sum([...$terms, $name => $term + $lost]) - $sum === $lost) {
                return $name;
            }
        }

        return null;
    }

    /**
     * @param array<array-key, float> $amounts
     * @return array<array-key, array{float, float}>
     */
    private static function ends(array $amounts): array
    {
        return array_map(static fn(float $amount): array => [$amount, 1.0], $amounts);
    }

    /** @param array<array-key, float> $values missing ones are NAN */
    private static function sum(array $values): float
    {
        $total = new Total();
        foreach ($values as $value) {
            if (!is_nan($value)) {
                $total->add($value);
            }
        }

        return $total->value();
    }
}
