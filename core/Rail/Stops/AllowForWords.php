<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\Measure;
use DuskRail\Data\Numerals;
use DuskRail\Data\SeriesTable;
use DuskRail\Peers\Expectation;
use DuskRail\Rail\Explanation;
use DuskRail\Rail\Remark;
use DuskRail\Rail\Scope;

/** What AllowFor says of its fits. */
final readonly class AllowForWords
{
    public function __construct(private AllowFor $stop) {}

    /**
     * @param array<array-key, list<float>> $peers
     * @return list<Remark>
     */
    public function remarks(SeriesTable $arriving, Scope $scope, Expectation $fit, int $at, array $peers): array
    {
        $when = $this->stop->over === 'all' ? '' : " in {$arriving->axis->period($at)->label()}";
        $remarks = [];
        if (is_nan($fit->rSquared) || $fit->rSquared < AllowFor::LITTLE) {
            $remarks[] = Remark::saying(
                ucfirst(implode(' and ', (new DriverWords($this->stop))->names($scope))) .
                    " explain next to nothing{$when} (R² " .
                    Numerals::text($fit->rSquared, 2) .
                    '), so what is expected is close to the mean of the peers.',
            );
        }
        $laid = (new DriverFits($this->stop))->laid($arriving, $scope);
        foreach ($scope->focus as $key) {
            foreach ($this->stop->drivers() as $j => $driver) {
                $own = DriverFits::driversAt($laid, $key, $at)[$j];
                $column = array_column($peers, $j + 1);
                if ($column !== [] && ($own > max($column) || $own < min($column))) {
                    $remarks[] = Remark::saying(
                        self::beyond($scope->nameOf($key), $scope->measures()[$driver], $own, $column) . $when,
                    );
                }
            }
        }

        return $remarks;
    }

    /** @param non-empty-list<float> $column */
    private static function beyond(string $name, Measure $driver, float $own, array $column): string
    {
        [$edge, $which] =
            $own > max($column) ? [max($column), 'above the highest'] : [min($column), 'below the lowest'];
        $far = $edge > 0.0 ? Numerals::text(abs($own / $edge - 1.0) * 100.0, 0) . ' % ' : '';

        return "{$name} lies {$far}{$which} peer in {$driver->name}; what is expected of it is extrapolated";
    }

    /** How many the fit is made of: over all periods each peer comes again. */
    public function counted(Expectation $fit): string
    {
        return $this->stop->over === 'all' ? Explanation::values($fit->count) . ' of the peers' : "{$fit->count} peers";
    }
}
