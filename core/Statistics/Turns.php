<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * Where the course of a series turns: a straight line with bends and steps, as many as the data carry.
 *
 * Places by least squares with errors that may be alike from one to the next (Bai, 1997; Bai and Perron, 1998, 2003);
 * how many one by one, by how much each explains beside the others (TurnBounds), and by two at once where one alone
 * shows nothing. Seasons are taken out first. A course that a smooth curve fits better is no turn, and the last turn
 * must also be borne out by values that were left out. Simulations are in bench/turns.php.
 */
final class Turns
{
    private const LEVEL = 0.05;

    /** What rounding leaves of a slope, as a share of the largest value. */
    private const ROUNDING = 1e-12;

    private const FEWEST = 10;

    /** Years of seasons without which seasons cannot be told from a turn. */
    private const FEWEST_YEARS = 3;

    /**
     * @param list<Turn> $turns in order
     * @param string $reason why there is none; nothing where there are
     * @param list<float> $course the line with its turns and what all had in common, without seasons; NAN outside of
     *     the values
     * @param float $slope at the end, for a period; NAN where nothing was looked for
     * @param float $error standard error of the slope
     * @param int $freedom degrees of freedom of it
     * @param list<TurnTerm> $terms
     * @param list<int> $places positions of the values
     */
    private function __construct(
        public readonly array $turns,
        public readonly string $reason,
        public readonly array $course,
        public readonly float $slope,
        public readonly float $error,
        public readonly int $freedom,
        private readonly ?TurnSearch $search = null,
        private readonly array $terms = [],
        private readonly float $likeness = 0.0,
        private readonly array $places = [],
    ) {}

    /**
     * @param list<float> $values missing ones are NAN
     * @param int $season values in a year, 1 without seasons
     * @param SharedCourse|null $shared what all had in common, along the same positions; it is fitted along and apart
     * @param bool $isThorough whether two that go against each other are looked for too, which takes several times as
     *     long
     */
    public static function in(
        array $values,
        int $season = 1,
        ?SharedCourse $shared = null,
        bool $isThorough = true,
    ): self {
        $common = $shared->values ?? [];
        $x = $y = $places = $beside = [];
        foreach (SeasonsApart::of($values, $season) as $i => $value) {
            if (!is_nan($value)) {
                $x[] = (float) $i;
                $y[] = $value;
                $places[] = $i;
                $beside[] = $common[$i] ?? 0.0;
            }
        }
        if ($y === [] || count($x) < max(self::FEWEST, self::FEWEST_YEARS * $season)) {
            return self::none($season > 1 ? 'fewer than three years' : 'fewer than ten values', $values);
        }
        $search = new TurnSearch($x, $y, $season, $common === [] ? [] : [$beside]);
        $choice = new TurnChoice($search, $y, $season, $shared->steps ?? 0, $isThorough);
        [$found, $likeness] = $choice->found();
        if ($choice->isCurve($found, $likeness)) {
            return self::none('the course bends smoothly, without a turn', $values);
        }
        $terms = $choice->confirmed($found, $likeness);
        $fit = $search->fit($likeness, $terms);
        [$slope, $error] = $fit->slope($x[count($x) - 1]);
        // A series without scatter has no error but that of rounding.
        $error = max($error, self::ROUNDING * max(array_map(abs(...), $y)));
        $none = $found === [] ? 'no turn that the data carry' : 'values that the fit did not see do not confirm a turn';

        return new self(
            self::turns($fit, $terms, $x, $places),
            $terms === [] ? $none : '',
            self::course($fit, $places, $common, count($values)),
            $slope,
            $error,
            $fit->freedom(),
            $search,
            $terms,
            $likeness,
            $places,
        );
    }

    /**
     * @param list<TurnTerm> $terms
     * @param list<float> $x
     * @param list<int> $places
     * @return list<Turn>
     */
    private static function turns(BrokenLine $fit, array $terms, array $x, array $places): array
    {
        return array_map(
            static fn(TurnTerm $term): Turn => new Turn(
                $places[$term->at],
                $term->steps ? $fit->sizeAt(TermSort::Step, $x[$term->at]) : 0.0,
                $fit->slope($x[$term->at] - 1.0)[0],
                // Of a mere step the same number, since it is compared.
                $fit->slope($x[$term->at] - ($term->bends ? 0.0 : 1.0))[0],
            ),
            $terms,
        );
    }

    /**
     * @param list<int> $places
     * @param list<float> $shared
     * @return list<float>
     */
    private static function course(BrokenLine $fit, array $places, array $shared, int $count): array
    {
        $course = array_fill(0, $count, NAN);
        $times = $fit->sizeBeside();
        $inside = range($places[0], $places[count($places) - 1]);
        foreach ($fit->at(array_map(floatval(...), $inside)) as $k => $value) {
            $course[$inside[$k]] = $value + $times * ($shared[$inside[$k]] ?? 0.0);
        }

        return array_values($course);
    }

    /** Which way it goes at the end: 1, −1, or 0 where the slope is not told from none at the 5 % level. */
    public function direction(): int
    {
        $isTold =
            $this->error > 0.0 &&
            StudentT::twoSided($this->slope / $this->error, max(1, $this->freedom)) < self::LEVEL;

        return $isTold ? $this->slope <=> 0.0 : 0;
    }

    /** @param list<float> $values */
    private static function none(string $reason, array $values): self
    {
        return new self([], $reason, array_fill(0, count($values), NAN), NAN, NAN, 0);
    }

    /**
     * First and last position that a turn may be at, with 95 % confidence.
     *
     * @return array{int, int}
     */
    public function interval(int $turn): array
    {
        if ($this->search === null) {
            return [0, 0];
        }
        $bound = $this->terms[$turn]->steps ? TurnBounds::STEP : TurnBounds::BEND;
        [$low, $high] = $this->search->interval($this->likeness, $this->terms, $turn, $bound);

        return [$this->places[$low], $this->places[$high]];
    }
}
