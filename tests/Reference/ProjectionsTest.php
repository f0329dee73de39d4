<?php

declare(strict_types=1);

namespace Tests\Reference;

use DuskRail\Statistics\BrokenLine;
use DuskRail\Statistics\DampedTrend;
use DuskRail\Statistics\NaiveDrift;
use DuskRail\Statistics\StraightOn;
use DuskRail\Statistics\StudentT;
use DuskRail\Statistics\TermSort;
use PHPUnit\Framework\TestCase;

/** Projections beside R's matrices, forecast and t distribution; made by make/projections.R. */
final class ProjectionsTest extends TestCase
{
    public function testAStraightLineIsCarriedOnByTheBestLinearPrediction(): void
    {
        $series = self::series();
        foreach (self::rows('line', 20) as [, $name, $likeness, $bend, $ahead, $value, $error]) {
            $x = array_map(static fn(int $i): float => $i + 1.0, array_keys($series[$name]));
            $fit = BrokenLine::through($x, $series[$name], (float) $likeness)->withTerm(TermSort::Bend, (float) $bend);
            $end = count($x);
            $kept = (float) $likeness ** (int) $ahead;
            [$last, $then] = $fit->at([(float) $end, $end + (float) $ahead]);
            $predicted = $then + $kept * ($series[$name][$end - 1] - $last);
            self::assertEqualsWithDelta(1.0, $predicted / (float) $value, 1e-9);
            $shocks = 0.0;
            for ($h = 0; $h < (int) $ahead; $h++) {
                $shocks += (float) $likeness ** (2 * $h);
            }
            $loadings = $fit->loadings($end + (float) $ahead, $kept);
            $fitted = array_sum(array_map(static fn(float $l): float => $l * $l, $loadings));
            self::assertEqualsWithDelta(1.0, sqrt($fit->variance() * ($shocks + $fitted)) / (float) $error, 1e-8);
        }
    }

    /** Where neighbours are alike, as the level of Lake Huron is, a line goes back to its course from its last value. */
    public function testAStraightLineGoesOnFromItsLastValue(): void
    {
        $level = self::series()['LakeHuron'];
        $last = $level[count($level) - 1];
        $x = array_map(floatval(...), array_keys($level));
        $course = BrokenLine::through($x, $level, 0.8)->at([count($level) + 0.0])[0];
        $ahead = StraightOn::of($level, 1, [], 20)->values ?? [];
        self::assertGreaterThan(0.5, abs($last - $course));
        self::assertLessThan(0.4 * abs($last - $course), abs($ahead[0] - $last));
        self::assertLessThan(0.2 * abs($last - $course), abs($ahead[19] - $course));
    }

    /** ets() looks for the start by steps, and takes it as known: values agree to a few digits, shocks exactly. */
    public function testDampedTrendsAgreeWithForecast(): void
    {
        $series = self::series();
        foreach (self::rows('damped', 30) as [, $name, $alpha, $share, $phi, $ahead, $value, $error]) {
            $numbers = [(float) $alpha, (float) $share, (float) $phi];
            $projection = DampedTrend::with($series[$name], $numbers, count($series[$name]) - 1, 6);
            $spread = max([-INF, ...$series[$name]]) - min([INF, ...$series[$name]]);
            self::assertEqualsWithDelta((float) $value, $projection->values[(int) $ahead - 1], 0.005 * $spread, $name);
            $lasting = array_slice($projection->lasting, 0, (int) $ahead);
            $squares = array_map(static fn(float $part): float => $part ** 2, $lasting);
            self::assertEqualsWithDelta(1.0, sqrt(array_sum($squares)) / (float) $error, 1e-9);
            // What is uncertain in the start comes on top.
            $all = $projection->error([(int) $ahead - 1 => 1.0]) / sqrt($projection->variance);
            self::assertGreaterThan((float) $error * (1.0 - 1e-9), $all);
        }
        foreach (self::rows('fitted', 5) as [, $name, $squares]) {
            $projection = DampedTrend::of($series[$name], 1);
            self::assertNotNull($projection);
            $found = $projection->variance * (count($series[$name]) - 5);
            self::assertLessThan(1.01, $found / (float) $squares, $name);
        }
    }

    public function testTheRandomWalkWithDriftAgreesWithForecast(): void
    {
        $series = self::series();
        foreach (self::rows('drift', 10) as [, $name, $ahead, $value, $error]) {
            $projection = NaiveDrift::of($series[$name], 1, 8);
            self::assertEqualsWithDelta(1.0, ($projection->values[(int) $ahead - 1] ?? NAN) / (float) $value, 1e-9);
            self::assertEqualsWithDelta(1.0, $projection?->error([(int) $ahead - 1 => 1.0]) / (float) $error, 1e-6);
        }
    }

    public function testQuantilesOfStudentsDistributionAreThoseOfR(): void
    {
        foreach (self::rows('t', 4) as [, $freedom, $of95, $of80]) {
            self::assertEqualsWithDelta(1.0, StudentT::quantile(0.95, (float) $freedom) / (float) $of95, 1e-9);
            self::assertEqualsWithDelta(1.0, StudentT::quantile(0.8, (float) $freedom) / (float) $of80, 1e-9);
        }
    }

    /** @return list<list<string>> */
    private static function rows(string $sort, int $count): array
    {
        $rows = [];
        foreach (Table::rows('projections.csv') as $row) {
            $rows = $row[0] === $sort ? [...$rows, $row] : $rows;
        }
        self::assertCount($count, $rows);

        return $rows;
    }

    /** @return array<string, list<float>> */
    private static function series(): array
    {
        $series = [];
        foreach (Table::rows('projections.csv') as $row) {
            if ($row[0] === 'values') {
                $series[$row[1]] = array_map(floatval(...), array_slice($row, 2));
            }
        }

        return $series;
    }
}
