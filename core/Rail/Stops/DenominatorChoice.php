<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\SeriesTable;
use DuskRail\Rail\Scope;
use DuskRail\Statistics\Quantile;

/** Which measures can divide, and by how many of them so that the result is readable. */
final readonly class DenominatorChoice
{
    public function __construct(private PerDenominator $stop) {}

    /**
     * The multiplier that takes an SI prefix off, or else the smallest round one that leaves values of one and more.
     */
    public function readableMultiplier(SeriesTable $arriving, Scope $scope): float
    {
        $divisor = $scope->measures()[$this->stop->measure]->divisor();
        if ($divisor->amount === $arriving->unit->amount) {
            return 100.0;
        }
        foreach ([1e3, 1e6, 1e9, 1e12] as $times) {
            if ($arriving->unit->over($divisor, $times)->amount !== $arriving->unit->amount) {
                return $times;
            }
        }
        $quotients = [];
        foreach ($this->stop->apply($arriving, $scope)->table->series as $series) {
            $quotients[] = abs(Quantile::of($series->values, 0.5));
        }
        $typical = Quantile::of($quotients, 0.5);
        foreach ([1.0, 1e3, 1e6] as $times) {
            if (is_nan($typical) || $typical * $times >= 1.0) {
                return $times;
            }
        }

        return 1e6;
    }

    /** @return array<string, Measure> */
    public static function candidates(Scope $scope): array
    {
        return array_filter($scope->measures(), static fn(Measure $m): bool => $m->kind !== MeasureKind::Rate);
    }
}
