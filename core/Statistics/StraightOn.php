<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * A series carried on at the pace that it has had since its last turn: generalised least squares with first-order
 * errors, from the last value back to the line bit by bit (Goldberger, 1962, “Best Linear Unbiased Prediction in the
 * Generalized Linear Regression Model”).
 */
final class StraightOn
{
    /** Fewer values leave no error to tell. */
    public const FEWEST = 5;

    /**
     * @param list<float> $values without seasons; missing ones are NAN
     * @param int $season values in a year, 1 without seasons
     * @param list<Turn> $turns that its course has
     * @param int $count how many periods it is carried on
     * @return Projection|null null for fewer than five values; seasons are not in it
     */
    public static function of(array $values, int $season, array $turns, int $count): ?Projection
    {
        $x = $y = $numbers = [];
        foreach ($values as $i => $value) {
            if (!is_nan($value)) {
                $numbers[$i] = count($x);
                $x[] = (float) $i;
                $y[] = $value;
            }
        }
        if (count($x) < self::FEWEST) {
            return null;
        }
        $terms = [];
        foreach ($turns as $turn) {
            if (isset($numbers[$turn->position])) {
                $terms[] = new TurnTerm($numbers[$turn->position], $turn->bends(), $turn->step !== 0.0);
            }
        }
        $search = new TurnSearch($x, $y, $season, []);
        $likeness = $search->likeness($terms);
        $fit = $search->fit($likeness, $terms);
        $last = $x[count($x) - 1];
        $places = [];
        for ($h = 0; $h <= $count; $h++) {
            $places[] = $last + $h;
        }
        $line = $fit->at($places);
        $off = $y[count($y) - 1] - $line[0];
        $ahead = $lasting = $loadings = [];
        for ($h = 1; $h <= $count; $h++) {
            $kept = $likeness ** $h;
            $ahead[] = $line[$h] + $kept * $off;
            $lasting[] = $likeness ** ($h - 1);
            $loadings[] = $fit->loadings($places[$h], $kept);
        }

        return new Projection(
            ProjectionMethod::Straight,
            (int) $last,
            $ahead,
            $lasting,
            $fit->variance(),
            $loadings,
            array_fill(0, $count, 1.0),
            (float) max(1, $fit->freedom()),
            $fit->slope($last)[0],
        );
    }
}
