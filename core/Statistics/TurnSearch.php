<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * The bends and steps that explain most of a series: one after the other, each looked for again when another is found
 * (Bai, 1997, “Estimating Multiple Breaks One at a Time”), and two at once from where the series is best cut into three
 * (Bai and Perron, 2003), since of two that go against each other neither shows alone.
 */
final class TurnSearch
{
    /** Share of the values that two turns, or a turn and an end, are apart at least (Bai and Perron, 1998). */
    private const SHARE = 0.1;

    private const SHORTEST = 4;

    /** How often places are looked for again. */
    private const ROUNDS = 2;

    /** Of more values the series is cut at every second, third, … of them only; the places are then looked for again. */
    private const CUTS = 40;

    private const MOST_ALIKE = 0.95;

    /** A course goes on from where it is unless a step explains so many variances more (common practice). */
    private const SUDDEN = 4.0;

    /** Parts that the values since a turn are left out in, one after the other. */
    private const BLOCKS = 3;

    /** Shortest parts within which an interval may go on after places that are not in it. */
    private const APART = 3;

    private readonly int $shortest;

    /** @var array<array-key, BrokenLine> by likeness and terms */
    private array $fits = [];

    /**
     * @param list<float> $x places, rising
     * @param list<float> $y a value at each
     * @param list<list<float>> $beside courses that are fitted along with the line
     */
    public function __construct(
        private readonly array $x,
        private readonly array $y,
        int $season,
        private readonly array $beside,
    ) {
        $this->shortest = max(self::SHORTEST, (int) ceil(self::SHARE * count($x)), intdiv($season, 2));
    }

    /** How many terms there is room for. */
    public function room(): int
    {
        return intdiv(count($this->x), $this->shortest) - 1;
    }

    /** @param list<TurnTerm> $terms */
    public function fit(float $likeness, array $terms): BrokenLine
    {
        $key = sprintf('at %.15F', $likeness);
        $fit = $this->fits[$key] ??= BrokenLine::through($this->x, $this->y, $likeness, $this->beside);
        // Searches go through the same few terms over and over.
        foreach ($terms as $term) {
            $key .= " {$term->at}" . ($term->bends ? 'b' : '') . ($term->steps ? 's' : '');
            $fit = $this->fits[$key] ??= $this->bent($fit, [$term]);
        }

        return $fit;
    }

    /** @param list<TurnTerm> $terms */
    private function bent(BrokenLine $fit, array $terms): BrokenLine
    {
        foreach ($terms as $term) {
            $place = $this->x[$term->at];
            $fit = $term->steps ? $fit->withTerm(TermSort::Step, $place) : $fit;
            $fit = $term->bends ? $fit->withTerm(TermSort::Bend, $place) : $fit;
        }

        return $fit;
    }

    /**
     * The terms and the one that explains most beside them.
     *
     * @param list<TurnTerm> $terms
     * @return list<TurnTerm>|null null where there is no room
     */
    public function grown(float $likeness, array $terms): ?array
    {
        $next = $this->next($this->fit($likeness, $terms), $terms);

        // The one that is added is where it is best already.
        return $next === null ? null : $this->placed($likeness, [...$terms, $next], count($terms));
    }

    /**
     * The terms and the two that explain most beside them, values taken for independent.
     *
     * @param list<TurnTerm> $terms
     * @return list<TurnTerm>|null null where there is no room
     */
    public function grownByTwo(array $terms): ?array
    {
        $one = $this->next($this->fit(0.0, $terms), $terms);
        $other = $one === null ? null : $this->next($this->fit(0.0, [...$terms, $one]), [...$terms, $one]);
        $starts = $one === null || $other === null ? [] : [[...$terms, $one, $other]];
        if ($terms === []) {
            $count = count($this->x);
            $cuts = Segments::of($this->x, $this->y, 2, $this->shortest, max(1, intdiv($count, self::CUTS)))->starts;
            foreach (isset($cuts[2]) ? [true, false] : [] as $bends) {
                $starts[] = array_map(static fn(int $at): TurnTerm => new TurnTerm($at, $bends, !$bends), $cuts[2]);
            }
        }
        $best = null;
        $least = INF;
        foreach ($starts as $found) {
            $sizes = TurnTerm::sizesOf($found);
            // Schwarz (1978): a size more must explain more than its share of the logarithm of the number of values.
            $squares = $this->fit(0.0, $found)->squares() * count($this->x) ** ($sizes / count($this->x));
            if ($squares < $least) {
                [$best, $least] = [$found, $squares];
            }
        }

        return $best === null ? null : $this->placed(0.0, $best);
    }

    /**
     * The same terms at their best places, each looked for while the others stay.
     *
     * @param list<TurnTerm> $terms
     * @param int|null $placed number of one that is at its best place among the others
     * @return list<TurnTerm>
     */
    public function placed(float $likeness, array $terms, ?int $placed = null): array
    {
        for ($round = 0, $moved = count($terms) > 1; $moved && $round < self::ROUNDS; $round++) {
            $moved = false;
            foreach ($terms as $k => $term) {
                if ($k === $placed && !$moved) {
                    continue;
                }
                $others = self::others($terms, $k);
                $best = $this->next($this->fit($likeness, $others), $others);
                if ($best !== null && $best != $term) {
                    $terms[$k] = $best;
                    $moved = true;
                }
            }
        }
        usort($terms, static fn(TurnTerm $a, TurnTerm $b): int => $a->at <=> $b->at);

        return $terms;
    }

    /**
     * @param array<int, TurnTerm> $terms
     * @return list<TurnTerm>
     */
    public static function others(array $terms, int $which): array
    {
        unset($terms[$which]);

        return array_values($terms);
    }

    /**
     * The term that explains most beside a fit.
     *
     * @param list<TurnTerm> $taken
     */
    private function next(BrokenLine $fit, array $taken): ?TurnTerm
    {
        $places = $this->places($taken);
        $variance = $fit->squares() / max(1, $fit->freedom());
        $ofBoth = $variance * log(count($this->x));
        $ofStep = $variance * self::SUDDEN;
        $best = null;
        $most = -INF;
        foreach ($places === [] ? [] : $fit->gains($places) as $at => [$bend, $step, $both]) {
            $gains = [$bend, $step - $ofStep, $both - $ofBoth - $ofStep];
            $gain = max($gains);
            if ($gain > $most) {
                $most = $gain;
                $best = [$at, $gain !== $gains[1], $gain !== $gains[0]];
            }
        }

        return $best === null ? null : new TurnTerm(...$best);
    }

    /**
     * Where a term may be.
     *
     * @param list<TurnTerm> $taken
     * @return list<int>
     */
    private function places(array $taken): array
    {
        $edges = [0, ...array_map(static fn(TurnTerm $t): int => $t->at, $taken), count($this->x)];
        sort($edges);
        $places = [];
        for ($k = 1; $k < count($edges); $k++) {
            for ($i = $edges[$k - 1] + $this->shortest; $i <= $edges[$k] - $this->shortest; $i++) {
                $places[] = $i;
            }
        }

        return $places;
    }

    /**
     * How alike neighbours are in what terms leave, freed of the bias of what was fitted (Marriott and Pope, 1954).
     *
     * @param list<TurnTerm> $terms
     */
    public function likeness(array $terms): float
    {
        $fit = $this->fit(0.0, $terms);
        $count = count($this->x);
        $square = $product = 0.0;
        $pairs = 0;
        foreach ($fit->rest as $i => $value) {
            $square += $value * $value;
            if ($i > 0 && $this->x[$i] - $this->x[$i - 1] === 1.0) {
                $product += $value * $fit->rest[$i - 1];
                $pairs++;
            }
        }
        if ($square <= 0.0 || $pairs < 3) {
            return 0.0;
        }
        // A place that was looked for counts as two sizes.
        $fitted = $count - $fit->freedom() + 2;
        $found = $product / $pairs / ($square / $count);

        return max(0.0, min(self::MOST_ALIKE, ($found + $fitted / $count) / max(0.2, 1.0 - (2.0 * $fitted) / $count)));
    }

    /**
     * How many times as large the variance of years is as what is left of single values would make it; 1 where that may
     * be chance.
     *
     * @param list<TurnTerm> $terms
     */
    public function yearly(float $likeness, array $terms, int $season): float
    {
        return $season === 1
            ? 1.0
            : GoodYears::times($this->fit($likeness, $terms), $this->fit($likeness, []), $this->x, $season);
    }

    /**
     * First and last value that the place of a term may be at: where the squares are hardly larger, be it a bend or a
     * step there, and its neighbours placed again (Eo and Morley, 2015, “Likelihood-ratio-based confidence sets for the
     * timing of structural breaks”).
     *
     * @param list<TurnTerm> $terms
     * @param float $bound in variances
     * @return array{int, int} numbers of values
     */
    public function interval(float $likeness, array $terms, int $which, float $bound): array
    {
        $term = $terms[$which];
        $all = $this->fit($likeness, $terms);
        $variance = $all->squares() / max(1, $all->freedom());
        $most = $all->squares() + $bound * $variance;
        $ends = [];
        foreach ([-1, 1] as $way) {
            $last = $term->at;
            $stop = $terms[$which + $way]->at ?? ($way < 0 ? 0 : count($this->x));
            $reach = self::APART * $this->shortest;
            for ($at = $last + $way; abs($at - $last) <= $reach && abs($stop - $at) >= 2; $at += $way) {
                $last = $this->least($likeness, $terms, $which, $at, $variance) <= $most ? $at : $last;
            }
            $ends[] = $last;
        }

        return $ends;
    }

    /**
     * The least squares with a term at another place, and its neighbours where they are best then.
     *
     * @param list<TurnTerm> $terms
     */
    private function least(float $likeness, array $terms, int $which, int $at, float $variance): float
    {
        $term = $terms[$which];
        $terms[$which] = new TurnTerm($at, $term->bends, $term->steps);
        foreach ([$which - 1, $which + 1] as $k) {
            if (isset($terms[$k])) {
                $others = self::others($terms, $k);
                $best = $this->next($this->fit($likeness, $others), $others);
                $isBetween = $best !== null && ($best->at <=> $at) === ($k <=> $which);
                $terms[$k] = $isBetween ? $best : $terms[$k];
            }
        }
        $fit = $this->fit($likeness, self::others($terms, $which));
        [$bend, $step, $both] = $fit->gains([$at])[$at];
        // One size more or less is weighed as when the term was found.
        $cost = $variance * log(count($this->x));

        $gain = $term->bends && $term->steps ? max($both, $bend + $cost, $step + $cost) : max($bend, $step);

        return $fit->squares() - $gain;
    }

    /**
     * Whether values since the last term are nearer to a line with it than to one without it, neither of which has
     * seen them: parts of them left out one after the other.
     *
     * @param list<TurnTerm> $terms
     */
    public function isConfirmed(float $likeness, array $terms): bool
    {
        $times = $this->fit($likeness, $terms)->sizeBeside();
        $from = $terms[count($terms) - 1]->at;
        $length = count($this->x) - $from;
        $with = $without = 0.0;
        for ($block = 0; $block < self::BLOCKS; $block++) {
            $start = $from + intdiv($block * $length, self::BLOCKS);
            $end = $from + intdiv(($block + 1) * $length, self::BLOCKS);
            $x = $y = $hiddenX = $hiddenY = [];
            foreach ($this->x as $i => $place) {
                $value = $this->y[$i] - $times * ($this->beside[0][$i] ?? 0.0);
                if ($i >= $start && $i < $end) {
                    $hiddenX[] = $place;
                    $hiddenY[] = $value;
                } else {
                    $x[] = $place;
                    $y[] = $value;
                }
            }
            $fit = BrokenLine::through($x, $y, $likeness);
            $with += self::off($this->bent($fit, $terms)->at($hiddenX), $hiddenY);
            $without += self::off($this->bent($fit, array_slice($terms, 0, -1))->at($hiddenX), $hiddenY);
        }

        return $with < $without;
    }

    /**
     * @param list<float> $expected
     * @param list<float> $values
     */
    private static function off(array $expected, array $values): float
    {
        $squares = 0.0;
        foreach ($values as $i => $value) {
            $squares += ($value - $expected[$i]) ** 2;
        }

        return $squares;
    }

    /**
     * The least squares of smooth curves: polynomials with one size more than a straight line and up to so many.
     *
     * @return array<int, float> by number of sizes
     */
    public function curved(float $likeness, int $most): array
    {
        $count = count($this->x);
        $middle = ($this->x[0] + $this->x[$count - 1]) / 2;
        $reach = max(1.0, ($this->x[$count - 1] - $this->x[0]) / 2);
        $powers = $squares = [];
        for ($sizes = 1; $sizes <= $most; $sizes++) {
            $powers[] = array_map(static fn(float $x): float => (($x - $middle) / $reach) ** ($sizes + 1), $this->x);
            $fit = BrokenLine::through($this->x, $this->y, $likeness, [...$this->beside, ...$powers]);
            $squares[$sizes] = $fit->squares();
        }

        return $squares;
    }
}
