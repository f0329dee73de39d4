<?php

declare(strict_types=1);

namespace Tests\Reference;

use DuskRail\Statistics\BrokenLine;
use DuskRail\Statistics\Segments;
use DuskRail\Statistics\TermSort;
use DuskRail\Statistics\Turn;
use DuskRail\Statistics\Turns;
use PHPUnit\Framework\TestCase;

/** Turns beside R's strucchange and nlme, and in series whose turns are known; made by make/turns.R. */
final class TurnsTest extends TestCase
{
    /** breakpoints() of strucchange: the same squares and the same places, for up to three cuts of six series. */
    public function testSeriesAreCutWhereStrucchangeCutsThem(): void
    {
        $series = self::series();
        $cuts = 0;
        foreach (Table::rows('turns.csv') as $row) {
            if ($row[0] !== 'cuts') {
                continue;
            }
            [, $name, $shortest, $number, $squares] = $row;
            $found = Segments::of(self::places($series[$name]), $series[$name], 3, (int) $shortest);
            self::assertEqualsWithDelta(1.0, $found->squares[(int) $number] / (float) $squares, 1e-9);
            // R numbers from 1 and names the last value of each part.
            self::assertSame(array_map(intval(...), array_slice($row, 5)), $found->starts[(int) $number], $name);
            $cuts++;
        }
        self::assertSame(24, $cuts);
    }

    /** gls() of nlme with corCAR1: slopes, their standard errors and the step, with gaps. */
    public function testBentLinesAgreeWithGeneralisedLeastSquares(): void
    {
        $series = self::series();
        $fits = 0;
        foreach (Table::rows('turns.csv') as $row) {
            if ($row[0] !== 'gls') {
                continue;
            }
            [, $name, $likeness, $bend, $step, $before, $error, $after, $errorAfter, $size] = $row;
            $kept = array_diff_key($series[$name], [4 => 0, 5 => 0, 29 => 0]);
            $x = array_map(static fn(int $i): float => $i + 1.0, array_keys($kept));
            $fit = BrokenLine::through($x, array_values($kept), (float) $likeness)
                ->withTerm(TermSort::Bend, (float) $bend)
                ->withTerm(TermSort::Step, (float) $step);
            self::assertEqualsWithDelta(1.0, $fit->slope(1.0)[0] / (float) $before, 1e-6);
            self::assertEqualsWithDelta(1.0, $fit->slope(1.0)[1] / (float) $error, 1e-6);
            self::assertEqualsWithDelta(1.0, $fit->slope((float) $bend)[0] / (float) $after, 1e-6);
            self::assertEqualsWithDelta(1.0, $fit->slope((float) $bend)[1] / (float) $errorAfter, 1e-6);
            self::assertEqualsWithDelta(1.0, $fit->sizeAt(TermSort::Step, (float) $step) / (float) $size, 1e-6);
            $fits++;
        }
        self::assertSame(18, $fits);
    }

    /**
     * The flow of the Nile fell from 1899 on, after the first works at Aswan (Cobb, 1978); strucchange's interval for
     * the first year of the new level is 1896 to 1903. Deaths of drivers in Great Britain fell with the law on seat
     * belts of 31 January 1983, and in the oil crisis after October 1973 (Harvey and Durbin, 1986). Real interest rates
     * of the United States rose in 1980 (Bai and Perron, 2003). Of the level of Lake Huron, whose neighbours are very
     * alike, nothing is to be said.
     */
    public function testKnownTurnsAreFound(): void
    {
        $series = self::series();
        $nile = Turns::in($series['Nile']);
        self::assertSame([1899], self::in($nile, 1871, 1));
        self::assertTrue($nile->turns[0]->step < -200.0 && !$nile->turns[0]->bends());
        [$low, $high] = $nile->interval(0);
        self::assertTrue(1871 + $low >= 1896 && 1871 + $high <= 1903);
        $deaths = Turns::in($series['UKDriverDeaths'], 12);
        self::assertContains(1983 + 1 / 12, self::in($deaths, 1969, 12));
        self::assertLessThan(1975 + 1 / 12, self::in($deaths, 1969, 12)[0]);
        self::assertSame([1980.75], self::in(Turns::in($series['RealInt'], 4), 1961, 4));
        self::assertSame([], Turns::in($series['LakeHuron'])->turns);
    }

    /** @return list<int|float> years and parts of them */
    private static function in(Turns $turns, int $first, int $season): array
    {
        return array_map(
            static fn(Turn $turn): int|float => $season === 1
                ? $first + $turn->position
                : $first + intdiv($turn->position, $season) + ($turn->position % $season) / $season,
            $turns->turns,
        );
    }

    /** @return array<string, list<float>> */
    private static function series(): array
    {
        $series = [];
        foreach (Table::rows('turns.csv') as $row) {
            if ($row[0] === 'values') {
                $series[$row[1]] = array_map(floatval(...), array_slice($row, 2));
            }
        }

        return $series;
    }

    /**
     * @param list<float> $values
     * @return list<float>
     */
    private static function places(array $values): array
    {
        return array_map(floatval(...), array_keys($values));
    }
}
