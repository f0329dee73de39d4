<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * How many turns the data carry, and which: one after the other as long as the next explains more than its bound, two
 * at once where one alone shows nothing (TurnBounds).
 */
final readonly class TurnChoice
{
    private const MOST = 5;

    /** Share of its bound that one turn must explain, or two at once are not looked for. */
    private const HINT = 0.6;

    /** So much likelier a smooth curve is, in twice the logarithm, when it is one (Kass and Raftery, 1995: positive). */
    private const CURVED = 2.0;

    /** What rounding leaves of values, as a share of the largest. */
    private const ROUNDING = 1e-9;

    private int $count;

    /** The least variance that anything is held against. */
    private float $floor;

    /**
     * @param non-empty-list<float> $y the values that are searched
     * @param int $known turns that are fitted along, since all had them
     * @param bool $isThorough whether two at once are looked for
     */
    public function __construct(
        private TurnSearch $search,
        array $y,
        private int $season,
        private int $known,
        private bool $isThorough,
    ) {
        $this->count = count($y);
        $this->floor = max(PHP_FLOAT_MIN, (self::ROUNDING * max(array_map(abs(...), $y))) ** 2);
    }

    /**
     * The turns that hold, and how alike neighbours are in what they leave.
     *
     * @return array{list<TurnTerm>, float}
     */
    public function found(): array
    {
        $terms = [];
        $likeness = $this->search->likeness($this->search->grown(0.0, []) ?? []);
        $most = min(self::MOST, $this->search->room());
        while (count($terms) < $most) {
            $grown = $this->search->grown($likeness, $terms);
            if ($grown === null) {
                break;
            }
            $bound = $this->bound($likeness, count($terms));
            $explained = $this->explained($likeness, $terms, $grown);
            if ($explained > $bound) {
                $terms = $grown;
                $likeness = $this->search->likeness($terms);
                continue;
            }
            $isHint = $this->isThorough && $this->isHint($terms);
            // One may stand for two of which it is neither.
            $two = $isHint && count($terms) === 1 && $most > 1 ? $this->two($terms, []) : null;
            $two ??= $isHint && count($terms) + 2 <= $most ? $this->two($terms, $terms) : null;
            if ($two === null) {
                break;
            }
            [$terms, $likeness] = $two;
        }

        return $this->each($terms, $likeness);
    }

    /**
     * Whether another turn explains something where neighbours are taken for independent: turns that are not found yet
     * make them look alike.
     *
     * @param list<TurnTerm> $terms
     */
    private function isHint(array $terms): bool
    {
        $grown = $this->search->grown(0.0, $terms);

        return $grown !== null &&
            $this->explained(0.0, $terms, $grown) >= self::HINT * $this->bound(0.0, 0);
    }

    /**
     * Two more than some, where they explain enough beside what is there.
     *
     * @param list<TurnTerm> $there
     * @param list<TurnTerm> $from what they are added to
     * @return array{list<TurnTerm>, float}|null
     */
    private function two(array $there, array $from): ?array
    {
        $two = $this->search->grownByTwo($from);
        if ($two === null) {
            return null;
        }
        $likeness = $this->search->likeness($two);
        $two = $this->search->placed($likeness, $two);
        $bound = $this->bound($likeness, count($from)) * TurnBounds::two(count($there) - count($from));

        return $this->explained($likeness, $there, $two) > $bound ? [$two, $likeness] : null;
    }

    /**
     * The same without those that explain too little beside the others.
     *
     * @param list<TurnTerm> $terms
     * @return array{list<TurnTerm>, float}
     */
    private function each(array $terms, float $likeness): array
    {
        while (count($terms) > 1) {
            $least = INF;
            $which = 0;
            foreach (array_keys($terms) as $k) {
                $own = $this->explained($likeness, TurnSearch::others($terms, $k), $terms);
                [$least, $which] = $own < $least ? [$own, $k] : [$least, $which];
            }
            if ($least > $this->bound($likeness, 0)) {
                break;
            }
            $terms = TurnSearch::others($terms, $which);
            $likeness = $this->search->likeness($terms);
        }

        return [$terms, $likeness];
    }

    /** What a turn must explain beside so many. */
    private function bound(float $likeness, int $there): float
    {
        return TurnBounds::one($this->count, $this->season, $likeness) * TurnBounds::beside($there + $this->known);
    }

    /**
     * What some terms explain beside fewer, in variances of what they leave; a second size at one place costs the
     * logarithm of the number of values (Schwarz, 1978).
     *
     * @param list<TurnTerm> $fewer
     * @param list<TurnTerm> $more
     */
    private function explained(float $likeness, array $fewer, array $more): float
    {
        $with = $this->search->fit($likeness, $more);
        $variance = max($with->squares() / max(1, $with->freedom()), $this->floor);
        $extra = self::seconds($more) - self::seconds($fewer);

        $gain = ($this->search->fit($likeness, $fewer)->squares() - $with->squares()) / $variance;

        return $gain / $this->years($likeness, $more) - $extra * log($this->count);
    }

    /**
     * How many times as much a turn must explain because years are good or bad as a whole: then there are no more
     * values than years, and their variance is that of years. 1 where the means of years vary no more than by chance.
     *
     * @param list<TurnTerm> $terms
     */
    private function years(float $likeness, array $terms): float
    {
        $times = $this->search->yearly($likeness, $terms, $this->season);

        return $times === 1.0 ? 1.0 : TurnBounds::ofYears(intdiv($this->count, $this->season)) * $times;
    }

    /** @param list<TurnTerm> $terms */
    private static function seconds(array $terms): int
    {
        return TurnTerm::sizesOf($terms) - count($terms);
    }

    /**
     * Whether a smooth curve is clearly likelier, one with fewer sizes by as much less as these cost (Schwarz, 1978).
     *
     * @param list<TurnTerm> $terms
     */
    public function isCurve(array $terms, float $likeness): bool
    {
        $floor = $this->floor * $this->count;
        $bent = max($this->search->fit($likeness, $terms)->squares(), $floor);
        $sizes = TurnTerm::sizesOf($terms);
        foreach ($this->search->curved($likeness, $sizes) as $own => $curved) {
            $saved = ($sizes - $own) * log($this->count);
            if ($this->count * log($bent / max($curved, $floor)) + $saved > self::CURVED) {
                return true;
            }
        }

        return false;
    }

    /**
     * The turns up to the last one that values which a fit has not seen confirm.
     *
     * @param list<TurnTerm> $terms
     * @return list<TurnTerm>
     */
    public function confirmed(array $terms, float $likeness): array
    {
        while ($terms !== [] && !$this->search->isConfirmed($likeness, $terms)) {
            array_pop($terms);
        }

        return $terms;
    }
}
