<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * A straight line with bends and steps, fitted to values of which neighbours are alike: generalised least squares with
 * first-order autoregressive errors (Prais and Winsten, 1954), across gaps too. Adding a bend or a step at any place is
 * told without another fit, from sums along what the fit leaves over.
 */
final class BrokenLine
{
    /** What is left of a column this small beside it follows from the others. */
    private const DEPENDENT = 1e-9;

    private const LITTLE = 0.01;

    /** @var array{list<float>, list<float>, list<float>}|null as lengths() has them */
    private ?array $lengths = null;

    /**
     * @param list<float> $x places of the values, in periods from their middle
     * @param list<float> $shares likeness to the value before, 0 for the first
     * @param list<float> $scale of what is new in a value
     * @param list<float> $levels what is new at each value in a step that was before it
     * @param list<float> $slopes what is new at each value in a rise by 1 a period
     * @param list<list<float>> $bases at right angles, of length one
     * @param list<float> $rest of the values, at right angles to all of them
     * @param list<FittedTerm> $terms what is fitted, one for each base
     * @param self|null $before the fit without the last of them
     */
    private function __construct(
        private readonly array $x,
        private readonly float $middle,
        private readonly array $shares,
        private readonly array $scale,
        private readonly array $levels,
        private readonly array $slopes,
        private readonly array $bases,
        public readonly array $rest,
        private readonly array $terms = [],
        private readonly ?self $before = null,
    ) {}

    /**
     * @param list<float> $x places, rising
     * @param list<float> $y a value at each
     * @param float $likeness of values a period apart, from 0 to below 1
     * @param list<list<float>> $beside courses that are fitted along with the line
     */
    public static function through(array $x, array $y, float $likeness, array $beside = []): self
    {
        $middle = ($x[count($x) - 1] + $x[0]) / 2;
        $own = $shares = $scale = $levels = $slopes = [];
        $all = 1.0 - $likeness * $likeness;
        foreach ($x as $i => $place) {
            $at = $place - $middle;
            $share = $i === 0 ? 0.0 : $likeness ** ($place - $x[$i - 1]);
            $size = sqrt($all / (1.0 - $share * $share));
            $own[] = $at;
            $shares[] = $share;
            $scale[] = $size;
            $levels[] = $size * (1.0 - $share);
            $slopes[] = $i === 0 ? 0.0 : $size * ($at - $share * ($x[$i - 1] - $middle));
        }
        $plain = new self($own, $middle, $shares, $scale, $levels, $slopes, [], []);
        $line = new self($own, $middle, $shares, $scale, $levels, $slopes, [], $plain->without($y));
        foreach ([TermSort::Level, TermSort::Slope] as $sort) {
            $line = $line->with($sort, 0.0, self::column($sort, 0.0, $own));
        }
        foreach ($beside as $column) {
            $line = $line->with(TermSort::Beside, 0.0, $column);
        }

        return $line;
    }

    /** The same with a bend or a step at a place; as it was where that follows from what is there. */
    public function withTerm(TermSort $sort, float $place): self
    {
        return $this->with($sort, $place - $this->middle, self::column($sort, $place - $this->middle, $this->x));
    }

    /**
     * @param float $place from the middle
     * @param list<float> $x
     * @return list<float>
     */
    private static function column(TermSort $sort, float $place, array $x): array
    {
        $column = [];
        foreach ($x as $at) {
            $column[] = $sort->at($at, $place);
        }

        return $column;
    }

    /** @param list<float> $column */
    private function with(TermSort $sort, float $place, array $column): self
    {
        $own = $this->without($column);
        $whole = Vectors::dot($own, $own);
        $parts = array_fill(0, count($this->bases), 0.0);
        // Where little is left, rounding is much of it, and a second time takes that out (Parlett, 1980).
        for ($round = 0, $length = 0.0; $round === 0 || ($round === 1 && $length < self::LITTLE * $whole); $round++) {
            foreach ($this->bases as $j => $base) {
                $along = Vectors::dot($own, $base);
                $parts[$j] += $along;
                $own = Vectors::less($own, $along, $base);
            }
            $length = Vectors::dot($own, $own);
        }
        if ($length <= self::DEPENDENT * $whole) {
            return $this;
        }
        $length = sqrt($length);
        $along = Vectors::dot($own, $this->rest) / $length;
        $own = array_map(static fn(float $value): float => $value / $length, $own);

        return new self(
            $this->x,
            $this->middle,
            $this->shares,
            $this->scale,
            $this->levels,
            $this->slopes,
            [...$this->bases, $own],
            Vectors::less($this->rest, $along, $own),
            [...$this->terms, new FittedTerm($sort, $place, [...$parts, $length], $along)],
            $this,
        );
    }

    /**
     * The line at places, without what is fitted beside it.
     *
     * @param list<float> $places
     * @return list<float>
     */
    public function at(array $places): array
    {
        $line = array_fill(0, count($places), 0.0);
        foreach ($this->terms as $j => $term) {
            $size = $this->size($j);
            foreach ($places as $i => $x) {
                $line[$i] += $size * $term->sort->at($x - $this->middle, $term->place);
            }
        }

        return array_values($line);
    }

    /** How often the course fitted beside the line is in the values; 0 without one. */
    public function sizeBeside(): float
    {
        foreach ($this->terms as $j => $term) {
            if ($term->sort === TermSort::Beside) {
                return $this->size($j);
            }
        }

        return 0.0;
    }

    /** The size of a bend or a step at a place; 0 where there is none. */
    public function sizeAt(TermSort $sort, float $place): float
    {
        foreach ($this->terms as $j => $term) {
            if ($term->sort === $sort && $term->place === $place - $this->middle) {
                return $this->size($j);
            }
        }

        return 0.0;
    }

    private function size(int $which): float
    {
        $unit = array_map(static fn(int $j): float => $j === $which ? 1.0 : 0.0, array_keys($this->terms));

        return $this->estimate($unit)[0];
    }

    /** @return array{float, float} the slope just after a place, for a period, and its standard error */
    public function slope(float $place): array
    {
        $at = $place - $this->middle;

        $slopes = array_map(static fn(FittedTerm $t): float => $t->sort->slope($at, $t->place), $this->terms);

        return $this->estimate($slopes);
    }

    /**
     * A sum of the sizes of the terms, each so many times.
     *
     * @param list<float> $times
     * @return array{float, float} and its standard error
     */
    private function estimate(array $times): array
    {
        $value = $squares = 0.0;
        foreach ($this->parts($times) as $j => $part) {
            $value += $part * $this->terms[$j]->height;
            $squares += $part ** 2;
        }

        return [$value, sqrt($squares * $this->variance())];
    }

    /**
     * What a sum of the sizes of the terms is made of along the bases, which are fitted independently of each other.
     *
     * @param list<float> $times
     * @return list<float>
     */
    private function parts(array $times): array
    {
        $solved = [];
        foreach ($this->terms as $j => $term) {
            $left = $times[$j];
            foreach ($solved as $k => $part) {
                $left -= $term->along[$k] * $part;
            }
            $solved[] = $left / $term->along[$j];
        }

        return $solved;
    }

    /** Of what is new in each value beside the one before it. */
    public function variance(): float
    {
        return $this->squares() / max(1, $this->freedom());
    }

    /**
     * What is uncertain of the line at a place after the last value, beside a part of what the last value is off by:
     * the best prediction goes back to the line bit by bit (Goldberger, 1962). In standard deviations of what is new.
     *
     * @param float $kept part of what the last value is off by that is still there
     * @return list<float>
     */
    public function loadings(float $place, float $kept): array
    {
        $last = $this->x[count($this->x) - 1];
        $at = $place - $this->middle;

        return $this->parts(
            array_map(
                static fn(FittedTerm $t): float => $t->sort->at($at, $t->place) -
                    $kept * $t->sort->at($last, $t->place),
                $this->terms,
            ),
        );
    }

    public function squares(): float
    {
        return Vectors::dot($this->rest, $this->rest);
    }

    /** Values less what is fitted to them. */
    public function freedom(): int
    {
        return count($this->rest) - count($this->bases);
    }

    /**
     * By how much a bend, a step, or both at values would make the squares smaller.
     *
     * @param list<int> $places numbers of the values
     * @return array<int, array{float, float, float}> by number
     */
    public function gains(array $places): array
    {
        [$bends, $steps, $boths] = $this->lengths();
        $rest = $this->along($this->rest);
        $gains = [];
        foreach ($places as $i) {
            $gains[$i] = self::gain($rest[0][$i], $rest[1][$i], $bends[$i], $steps[$i], $boths[$i]);
        }

        return $gains;
    }

    /**
     * The squared length of what is new in a bend and in a step at each value, beside what is fitted, and their
     * product; 0 for one that follows from what is there.
     *
     * @return array{list<float>, list<float>, list<float>}
     */
    private function lengths(): array
    {
        if ($this->lengths !== null) {
            return $this->lengths;
        }
        if ($this->before === null) {
            return $this->lengths = $this->wholes();
        }
        [$bends, $steps, $boths] = $this->before->lengths();
        [$bend, $step] = $this->along($this->bases[count($this->bases) - 1]);
        foreach ($bend as $i => $part) {
            $left = $bends[$i] - $part * $part;
            $bends[$i] = $left > self::DEPENDENT * $bends[$i] ? $left : 0.0;
            $other = $step[$i];
            $left = $steps[$i] - $other * $other;
            $steps[$i] = $left > self::DEPENDENT * $steps[$i] ? $left : 0.0;
            $boths[$i] -= $part * $other;
        }

        return $this->lengths = [array_values($bends), array_values($steps), array_values($boths)];
    }

    /** @return array{list<float>, list<float>, list<float>} the same beside nothing */
    private function wholes(): array
    {
        $bends = $steps = $boths = [];
        $flat = $mixed = $steep = 0.0;
        for ($i = count($this->x) - 1; $i >= 0; $i--) {
            $x = $this->x[$i];
            $bends[] = $steep + $x * ($x * $flat - 2.0 * $mixed);
            $steps[] = $flat + $this->scale[$i] ** 2;
            $boths[] = $mixed - $x * $flat;
            [$level, $slope] = [$this->levels[$i], $this->slopes[$i]];
            $flat += $level * $level;
            $mixed += $level * $slope;
            $steep += $slope * $slope;
        }

        return [array_reverse($bends), array_reverse($steps), array_reverse($boths)];
    }

    /**
     * The part of a bend and of a step at each value along a base, by sums from there to the end.
     *
     * @param list<float> $base
     * @return array{list<float>, list<float>}
     */
    private function along(array $base): array
    {
        $bends = $steps = $base;
        $level = $slope = 0.0;
        for ($i = count($base) - 1; $i >= 0; $i--) {
            $value = $base[$i];
            $bends[$i] = $slope - $this->x[$i] * $level;
            $steps[$i] = $level + $value * $this->scale[$i];
            $level += $value * $this->levels[$i];
            $slope += $value * $this->slopes[$i];
        }

        return [array_values($bends), array_values($steps)];
    }

    /** @return array{float, float, float} */
    private static function gain(float $alongBend, float $alongStep, float $bend, float $step, float $both): array
    {
        $ofBend = $bend > 0.0 ? ($alongBend * $alongBend) / $bend : 0.0;
        $ofStep = $step > 0.0 ? ($alongStep * $alongStep) / $step : 0.0;
        $apart = $bend * $step - $both * $both;
        $ofBoth =
            $apart > self::DEPENDENT * $bend * $step
                ? ($alongBend * ($alongBend * $step - 2.0 * $alongStep * $both) + $alongStep ** 2 * $bend) / $apart
                : max($ofBend, $ofStep);

        return [$ofBend, $ofStep, $ofBoth];
    }

    /**
     * What is new in each value of a column beside the one before it.
     *
     * @param list<float> $column
     * @return list<float>
     */
    private function without(array $column): array
    {
        $own = [];
        $last = 0.0;
        foreach ($column as $i => $value) {
            $own[] = $this->scale[$i] * ($value - $this->shares[$i] * $last);
            $last = $value;
        }

        return $own;
    }
}
