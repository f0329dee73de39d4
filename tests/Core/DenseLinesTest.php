<?php

declare(strict_types=1);

namespace Tests\Core;

use App\Drawing\Svg;
use DuskRail\Chart\DenseLines;
use DuskRail\Chart\Ink;
use DuskRail\Chart\PixelCoverage;
use DuskRail\Chart\PlotArea;
use DuskRail\Chart\Scale;
use DuskRail\Chart\Scene;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Lines too many to be told apart cover together what each of them covers. */
final class DenseLinesTest extends TestCase
{
    private const STEPS = 64;

    /** @return iterable<string, array{PlotArea, Scale, int}> with how many positions there are */
    public static function plots(): iterable
    {
        yield 'wide steps' => [new PlotArea(10.0, 110.0, 5.0, 85.0, 0, 20), new Scale(0.0, 100.0, 85.0, 5.0), 21];
        yield 'part of an axis' => [new PlotArea(10.4, 90.3, 5.0, 85.0, 7, 40), new Scale(0.0, 100.0, 85.0, 5.0), 50];
        yield 'many in a pixel' => [new PlotArea(0.0, 30.0, 5.0, 85.0, 0, 200), new Scale(0.0, 100.0, 85.0, 5.0), 201];
        yield 'logarithmic' => [new PlotArea(0.0, 60.0, 5.0, 85.0, 0, 30), new Scale(1.0, 100.0, 85.0, 5.0, true), 31];
    }

    #[DataProvider('plots')]
    public function testItCoversWhatTheLinesCover(PlotArea $plot, Scale $scale, int $count): void
    {
        $random = new Randomizer(new Mt19937(7));
        foreach ([1, 3, 12] as $many) {
            $lines = [];
            for ($n = 0; $n < $many; $n++) {
                $values = [];
                $level = (float) $random->getInt(20, 80);
                for ($i = 0; $i < $count; $i++) {
                    $values[] =
                        $random->getInt(0, 9) === 0
                            ? NAN
                            : max(2.0, min(98.0, $level + $random->getInt(-2000, 2000) / 100));
                }
                $lines[] = $values;
            }
            $thicket = (new PixelCoverage($plot, $scale, 1.0))->thicket($lines, array_fill(0, $many, []), Ink::Peer);
            self::assertSame(Ink::Peer, $thicket->ink);
            $covered = self::rows($thicket);
            $slow = self::sampled($lines, $plot, $scale);
            foreach ($slow as $column => $rows) {
                foreach ($rows as $row => $_) {
                    // Half a pixel is not told.
                    $near = isset($covered[$column][$row - 1]) || isset($covered[$column][$row + 1]);
                    self::assertTrue(isset($covered[$column][$row]) || $near, "{$many} lines, {$column}, {$row}");
                }
            }
            foreach ($covered as $column => $rows) {
                foreach ($rows as $row => $_) {
                    $near = array_filter(
                        range($row - 2, $row + 2),
                        static fn(int $r): bool => isset($slow[$column][$r]),
                    );
                    self::assertNotSame([], $near, "{$many} lines, {$column}, {$row} is covered by none");
                }
            }
        }
    }

    public function testGapsStayOpenAndWhatNobodyMeasuredIsNone(): void
    {
        $plot = new PlotArea(0.0, 40.0, 0.0, 100.0, 0, 4);
        $scale = new Scale(0.0, 100.0, 100.0, 0.0);
        $cover = static fn(int ...$absent): array => array_keys(
            (new PixelCoverage($plot, $scale, 1.0))
                ->thicket([[50.0, 50.0, NAN, 50.0, 50.0]], [array_fill_keys(array_values($absent), true)], Ink::Peer)
                ->columns(),
        );
        self::assertSame([...range(0, 9), ...range(30, 39)], array_values(array_diff($cover(), [10, 40])));
        self::assertSame(range(0, 39), array_values(array_diff($cover(2), [40])));
        // One value alone is a dot, as wide as the line.
        $dot = (new PixelCoverage($plot, $scale, 1.0))->thicket([[NAN, NAN, 50.0, NAN, NAN]], [[]], Ink::Peer);
        self::assertSame([20 => [99, 101]], $dot->columns());
        $thick = (new PixelCoverage($plot, $scale, 1.3))->thicket([[NAN, NAN, 50.0, NAN, NAN]], [[]], Ink::Peer);
        self::assertSame([20 => [99, 102]], $thick->columns());
    }

    public function testUnfinishedPeriodsAreDashedAndWhatLeavesThePictureIsCutOff(): void
    {
        $plot = new PlotArea(0.0, 40.0, 0.0, 100.0, 0, 4);
        $scale = new Scale(0.0, 100.0, 100.0, 0.0);
        $dashed = (new PixelCoverage($plot, $scale, 1.0, 3))->thicket(
            [array_fill(0, 5, 50.0)],
            [[]],
            Ink::Peer,
        )->columns();
        self::assertSame([...range(0, 24), ...range(30, 34)], array_values(array_diff(array_keys($dashed), [40])));
        // From the third of seven positions on it is the same picture.
        $later = new PlotArea(0.0, 40.0, 0.0, 100.0, 2, 6);
        $same = (new PixelCoverage($later, $scale, 1.0, 5))->thicket(
            [array_fill(0, 7, 50.0)],
            [[]],
            Ink::Peer,
        )->columns();
        self::assertSame($dashed, $same);
        $out = (new PixelCoverage($plot, $scale, 1.0))->thicket([[50.0, 1e6, -1e6, 50.0, 50.0]], [[]], Ink::Peer);
        foreach ($out->columns() as $runs) {
            self::assertSame(0, count($runs) % 2);
            self::assertGreaterThanOrEqual(0, min([0, ...$runs]));
            self::assertLessThanOrEqual(208, max([0, ...$runs]));
        }
    }

    /** What is in the drawing, read back move by move. */
    public function testItIsDrawnWhereItIs(): void
    {
        $columns = [3 => [10, 14, 20, 22], 4 => [2, 5], 9 => [0, 1, 7, 30]];
        for ($column = 10; $column < 60; $column++) {
            $columns[$column] = range($column % 3, 79 + ($column % 3));
        }
        $svg = Svg::forScreen(new Scene(50.0, 50.0, [new DenseLines(static fn(): array => $columns, Ink::Peer)]), []);
        preg_match_all('/<path d="([^"]+)"/', $svg, $paths);
        $drawn = [];
        foreach ($paths[1] as $path) {
            preg_match_all('/m(-?\d+) ?(-?\d+)v(\d+)/', $path, $moves, PREG_SET_ORDER);
            // What renders it takes the square of the strokes of a path: seconds for some ten thousand.
            self::assertLessThan(1_000, count($moves));
            [$x, $y] = [0, 0];
            foreach ($moves as [, $right, $down, $along]) {
                [$x, $y] = [$x + (int) $right, $y + (int) $down];
                $drawn[intdiv($x - 1, DenseLines::FINE)][] = $y;
                $drawn[intdiv($x - 1, DenseLines::FINE)][] = $y += (int) $along;
            }
        }
        self::assertSame($columns, $drawn);
    }

    /** @return array<int, array<int, true>> by column and row */
    private static function rows(DenseLines $thicket): array
    {
        $rows = [];
        foreach ($thicket->columns() as $column => $runs) {
            foreach (array_chunk($runs, 2) as [$from, $until]) {
                for ($row = $from; $row < $until; $row++) {
                    $rows[$column][$row] = true;
                }
            }
        }

        return $rows;
    }

    /**
     * The slow way: places along each segment, with points between two columns of pixels, half a pixel to both sides.
     *
     * @param list<list<float>> $lines
     * @return array<int, array<int, true>>
     */
    private static function sampled(array $lines, PlotArea $plot, Scale $scale): array
    {
        $rows = [];
        foreach ($lines as $values) {
            for ($i = $plot->from; $i <= $plot->to; $i++) {
                $y = $scale->at($values[$i]);
                // Where a line begins it is a dot.
                for (
                    $row = (int) round(2 * ($y - 0.5));
                    ($i === $plot->from || is_nan($values[$i - 1])) && $row < (int) round(2 * ($y + 0.5));
                    $row++
                ) {
                    $rows[(int) round($plot->x($i))][$row] = true;
                }
            }
            for ($i = $plot->from; $i < $plot->to; $i++) {
                [$y0, $y1] = [$scale->at($values[$i]), $scale->at($values[$i + 1])];
                if (is_nan($y0) || is_nan($y1)) {
                    continue;
                }
                [$x0, $x1] = [round($plot->x($i)), round($plot->x($i + 1))];
                for ($step = 0; $step <= self::STEPS * max(1, $x1 - $x0); $step++) {
                    $share = $step / (self::STEPS * max(1, $x1 - $x0));
                    $x = min($x0 + $share * ($x1 - $x0), max($x0, $x1 - 1e-6));
                    $y = $y0 + $share * ($y1 - $y0);
                    for ($row = (int) round(2 * ($y - 0.5)); $row < (int) round(2 * ($y + 0.5)); $row++) {
                        $rows[(int) floor($x)][$row] = true;
                    }
                }
            }
        }

        return $rows;
    }
}
