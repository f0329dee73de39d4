<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Parts\ContributionsPart;
use DuskRail\Document\Parts\LinesPart;
use DuskRail\Rail\Stops\Weights;
use DuskRail\Statistics\Contribution;
use DuskRail\Statistics\Contributions;
use DuskRail\Statistics\Equality;
use DuskRail\Time\PeriodRange;

/**
 * Who or what accounts for the change of a whole between two times, or for the difference between two entities: what
 * each line, or each group of lines, contributes.
 */
final readonly class Contributed
{
    /** Whether a share of the change means something: ups and downs do not nearly cancel out. */
    public bool $hasShares;

    /** How contributions are written: the largest has two significant digits at least. */
    public Precision $precision;

    /** Below this share of all ups and downs together, what is left of them is no change that one could account for. */
    private const CANCELLED = 0.1;

    /**
     * @param Whole $whole what the lines come to together
     * @param list<ContributionRow> $members all of them, those first that add most to the change, and last those that
     *     work against it most
     * @param list<ContributionRow> $rows what is shown of them: some by themselves, the others together
     * @param array{PeriodRange, PeriodRange} $times
     * @param array{string, string} $ends what the two are called: `2019` and `2024`, or two entities
     * @param list<string> $leftOut names of lines that go on, and lack a value or a denominator at one of the two times
     * @param list<string> $unparted names of members whose factors are not known
     * @param list<string> $factors names of the factors, if the change is taken apart by them
     */
    private function __construct(
        public Comparison $comparison,
        public Whole $whole,
        public Contributions $result,
        public array $members,
        public array $rows,
        public array $times,
        public array $ends,
        public array $leftOut,
        public array $unparted,
        public array $factors,
    ) {
        $sizes = array_map(static fn(ContributionRow $row): float => abs($row->change), $members);
        $this->hasShares =
            !Equality::holds($result->before, $result->after) &&
            abs($result->change()) >= self::CANCELLED * array_sum($sizes);
        $own = $comparison->precision;
        $largest = max([0.0, ...$sizes]) / 10.0 ** $own->power;
        $telling = $largest > 0.0 && is_finite($largest) ? 1 - (int) floor(log10($largest)) : 0;
        $this->precision = new Precision(max($own->decimals, min(8, $telling)), PHP_INT_MAX, $own->power);
    }

    /** @throws InvalidStudy where the lines make no whole, or there are not two times */
    public static function of(Comparison $comparison): self
    {
        $part = $comparison->study->part(ContributionsPart::class);
        $whole = self::wholeOf($comparison);
        $factors = $whole === Whole::Sum ? FactorsOfAmounts::named($comparison, $part) : [];
        $times = ContributionTimes::of($comparison, $part->beside !== '');
        $other = $part->beside === '' ? $comparison : self::other($comparison, $part->beside);
        $before = ContributionEnd::of($other, $whole, $times->early);
        $after = ContributionEnd::of($comparison, $whole, $times->late);
        $lacking = $before->lacking + $after->lacking;
        $leftOut = self::names(array_keys($lacking), $before, $after);
        [$before, $after] = [$before->without($lacking), $after->without($lacking)];
        if ($part->of === 'groups') {
            [$before, $after] = [$before->byGroup(), $after->byGroup()];
        }
        $keys = array_keys($before->inputs + $after->inputs);
        if ($keys === [] || array_intersect_key($before->inputs, $after->inputs) === []) {
            throw InvalidStudy::because(
                'No line has a value at both ends of the time shown. Pull the ends of the track to other periods.',
            );
        }
        $ends = [self::filled($before->inputs, $keys), self::filled($after->inputs, $keys)];
        $chains = [
            FactorsOfAmounts::of($ends[0], $before->sizes, count($factors)),
            FactorsOfAmounts::of($ends[1], $after->sizes, count($factors)),
        ];
        $result = self::parted($ends, $chains, $whole, $part->weights === 'midpoint');
        $members = self::ordered($comparison, $result, self::names($keys, $before, $after));
        $ranges = $times->ranges();

        return new self(
            $comparison,
            $whole,
            $result,
            $members,
            self::shown($members, $part->top),
            $ranges,
            $part->beside === ''
                ? [$ranges[0]->label(), $ranges[1]->label()]
                : [$other->brokenDown()->name ?? '', $comparison->brokenDown()->name ?? ''],
            array_values($leftOut),
            array_values(self::names(FactorsOfAmounts::unknown(...$ends, ...$chains), $before, $after)),
            $factors,
        );
    }

    /**
     * @param array<array-key, array{float, float}> $inputs
     * @param list<array-key> $keys
     * @return array<array-key, array{float, float}> of all keys, NAN for one that is not there
     */
    private static function filled(array $inputs, array $keys): array
    {
        $filled = [];
        foreach ($keys as $key) {
            $filled[$key] = $inputs[$key] ?? [NAN, NAN];
        }

        return $filled;
    }

    /**
     * @param list<array-key> $keys
     * @return array<array-key, string> by key; groups are called as they are known
     */
    private static function names(array $keys, ContributionEnd $before, ContributionEnd $after): array
    {
        $names = [];
        foreach ($keys as $key) {
            $names[$key] = $after->nameOf((string) $key) ?? $before->nameOf((string) $key) ?? (string) $key;
        }

        return $names;
    }

    /** @throws InvalidStudy */
    private static function other(Comparison $comparison, string $key): Comparison
    {
        $own = $comparison->brokenDown();
        if ($own === null) {
            throw InvalidStudy::because(
                'Two entities are compared across a breakdown. Show a breakdown as lines first, or set “compared ' .
                    'with” to an earlier time.',
            );
        }
        $data = $comparison->wholeData();
        if ($own->key === $key || !isset($data->entities()[$key])) {
            throw InvalidStudy::because("{$own->name} is compared with itself. Choose another entity.");
        }
        $lines = $comparison->study->part(LinesPart::class);

        return Comparison::of($comparison->document->withPart($lines->with(['of' => $key])), $data);
    }

    /** @throws InvalidStudy */
    private static function wholeOf(Comparison $comparison): Whole
    {
        $across = $comparison->study->part(LinesPart::class)->across;
        if ($across === 'measures') {
            throw InvalidStudy::because(
                'Several measures make no whole. Set “Lines” to entities, or choose another view.',
            );
        }
        $table = $comparison->run->table();
        $weights = $comparison->weights();
        $whole = Whole::of($table->nature, $weights !== null, isset($weights[Weights::COMMON]));

        return $whole ??
            throw InvalidStudy::because(
                $table->nature->isRelative()
                    ? "The result of the rail ({$table->nature->plural()}) says where a line is among others, so no " .
                        'line contributes to it. Turn off the last stop of the rail.'
                    : 'Shares of a total always come to 100 % together, so there is no change to account for. Turn ' .
                        'off “Share”: contributions are given as shares of the change.',
            );
    }

    /**
     * @param array{array<array-key, array{float, float}>, array<array-key, array{float, float}>} $ends
     * @param array{array<array-key, list<float>>, array<array-key, list<float>>} $chains factors of amounts, if any
     */
    private static function parted(array $ends, array $chains, Whole $whole, bool $midpoint): Contributions
    {
        [$before, $after] = $ends;
        if ($whole !== Whole::Sum) {
            return Contributions::toRatio($before, $after, $midpoint);
        }
        $amounts = array_map(static fn(array $input): float => $input[0], $before);
        $amountsAfter = array_map(static fn(array $input): float => $input[0], $after);

        return $chains[0] === []
            ? Contributions::toSum($amounts, $amountsAfter)
            : Contributions::toProducts($amounts, $amountsAfter, ...$chains);
    }

    /**
     * @param array<array-key, string> $names by key
     * @return list<ContributionRow>
     */
    private static function ordered(Comparison $comparison, Contributions $result, array $names): array
    {
        $way = $result->change() < 0.0 ? -1.0 : 1.0;
        $lines = array_column($comparison->lines, null, 'key');
        $rows = array_map(
            static fn(Contribution $one): ContributionRow => ContributionRow::of(
                $one,
                $names[$one->key],
                $lines[$one->key] ?? null,
            ),
            $result->parts,
        );
        usort(
            $rows,
            static fn(ContributionRow $a, ContributionRow $b): int => $way * $b->change <=> $way * $a->change ?:
                strnatcasecmp($a->name, $b->name),
        );

        return $rows;
    }

    /**
     * @param list<ContributionRow> $members in their order
     * @return list<ContributionRow>
     */
    private static function shown(array $members, int $top): array
    {
        if ($top === 0 || count($members) <= $top + 1) {
            return $members;
        }
        $sizes = array_map(static fn(ContributionRow $row): float => abs($row->change), $members);
        arsort($sizes);
        $apart = array_slice($sizes, 0, $top, true);
        $alone = $others = ['with' => [], 'against' => []];
        foreach ($members as $i => $row) {
            $side = self::isWith($row, $members) ? 'with' : 'against';
            if (isset($apart[$i]) || $row->hue() > 0) {
                $alone[$side][] = $row;
            } else {
                $others[$side][] = $row;
            }
        }
        $together = array_map(
            /** @param list<ContributionRow> $rows */
            static fn(array $rows): array => count($rows) < 2 ? $rows : [ContributionRow::together($rows)],
            $others,
        );

        return [...$alone['with'], ...$together['with'], ...$together['against'], ...$alone['against']];
    }

    /**
     * Whether a member moved as the first of them did; one that did not move at all goes with them.
     *
     * @param list<ContributionRow> $members
     */
    private static function isWith(ContributionRow $row, array $members): bool
    {
        return $row->change * ($members[0]->change <=> 0.0) >= 0.0;
    }

    public function change(): float
    {
        return $this->result->change();
    }

    /** What a contribution is of the change, in per cent; NAN where that means nothing. */
    public function share(float $change): float
    {
        return $this->hasShares ? (100.0 * $change) / $this->change() : NAN;
    }

    /**
     * The fewest members that make at least so much of the change.
     *
     * @param float $least in per cent
     * @return list<ContributionRow> all of them where shares mean nothing
     */
    public function fewest(float $least): array
    {
        $sum = 0.0;
        $few = [];
        foreach ($this->members as $row) {
            $few[] = $row;
            $sum += $row->change;
            if ($this->share($sum) >= $least) {
                break;
            }
        }

        return $few;
    }

    /** Whether one of those came in or left. */
    public function hasComeOrGone(float $least): bool
    {
        foreach ($this->fewest($least) as $row) {
            if (is_nan($row->of[0]->first()) || is_nan($row->of[0]->last())) {
                return true;
            }
        }

        return false;
    }

    /** The row that a line is in by itself. */
    public function row(string $key): ?ContributionRow
    {
        foreach ($this->rows as $row) {
            if ($row->key === $key) {
                return $row;
            }
        }

        return null;
    }
}
