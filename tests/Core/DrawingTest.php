<?php

declare(strict_types=1);

namespace Tests\Core;

use App\Drawing\ShippedFonts;
use App\Drawing\Svg;
use DOMDocument;
use DuskRail\Chart\Area;
use DuskRail\Chart\Box;
use DuskRail\Chart\Group;
use DuskRail\Chart\Ink;
use DuskRail\Chart\LinesComposer;
use DuskRail\Chart\Mark;
use DuskRail\Chart\Palette;
use DuskRail\Chart\Placed;
use DuskRail\Chart\Scale;
use DuskRail\Chart\Scene;
use DuskRail\Chart\SheetComposer;
use DuskRail\Chart\Spark;
use DuskRail\Chart\Stroke;
use DuskRail\Chart\Thinning;
use DuskRail\Chart\Type;
use DuskRail\Chart\Words;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\Parts\Band;
use DuskRail\Document\Parts\PeerLine;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Lineup;
use DuskRail\Rail\StopCatalogue;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** From geometry to markup: nothing moves on the way, and nothing that comes from data is taken for markup. */
final class DrawingTest extends TestCase
{
    #[TestWith([0.1])]
    #[TestWith([0.5])]
    public function testPathDataComesBackToThePointsItWasMadeOf(float $grain): void
    {
        mt_srand(23);
        for ($round = 0; $round < 200; $round++) {
            $pieces = [];
            $x = (float) mt_rand(0, 500) / 10;
            for ($p = mt_rand(1, 4); $p > 0; $p--) {
                /** @var list<float> $piece */
                $piece = [];
                $y = (float) mt_rand(0, 4000) / 10;
                for ($n = mt_rand(1, 30); $n > 0; $n--) {
                    $x += (float) mt_rand(10, 90) / 10;
                    // Level runs are what the path leaves points out of.
                    $y = mt_rand(0, 2) === 0 ? $y : (float) mt_rand(0, 4000) / 10;
                    $piece[] = $x;
                    $piece[] = $y;
                }
                $pieces[] = $piece;
            }
            $read = self::pathPoints(Svg::path($pieces, $grain), $grain);
            self::assertCount(count($pieces), $read);
            foreach ($pieces as $p => $piece) {
                foreach (array_chunk($piece, 2) as [$px, $py]) {
                    self::assertEqualsWithDelta(
                        $py,
                        self::heightAt($read[$p], $px, $grain),
                        $grain * 0.51,
                        "round {$round}",
                    );
                }
            }
        }
    }

    public function testALonePointIsDrawnAsADot(): void
    {
        self::assertSame('M105 200h.1', Svg::path([[10.5, 20.0]]));
    }

    public function testTextIsEscapedAndControlCharactersAreLeftOut(): void
    {
        $scene = new Scene(
            100,
            50,
            [
                new Group(
                    'series',
                    [Words::plain(1, 2, "</text><script>alert('x')</script>\x01\"&", Type::text(12), Ink::Text)],
                    ['name' => '"><img src=x onerror=y>', 'line' => 'a&b'],
                ),
                new Box(0, 0, 10, 10, Ink::Tint, 2, 0.5),
            ],
            null,
            'A < B',
            'Tom & "Jerry"',
        );
        $svg = Svg::standalone($scene, Palette::day(), '');
        $document = new DOMDocument();
        self::assertTrue($document->loadXML($svg));
        self::assertSame(
            "</text><script>alert('x')</script>\"&",
            $document->getElementsByTagName('text')->item(0)?->textContent,
        );
        self::assertSame(
            ['"><img src=x onerror=y>', 'a&b'],
            [
                $document->getElementsByTagName('g')->item(0)?->getAttribute('data-name'),
                $document->getElementsByTagName('g')->item(0)?->getAttribute('data-line'),
            ],
        );
        self::assertSame(
            ['A < B', 'Tom & "Jerry"'],
            [
                $document->getElementsByTagName('title')->item(0)?->textContent,
                $document->getElementsByTagName('desc')->item(0)?->textContent,
            ],
        );
    }

    public function testOnTheScreenColoursAreLeftToThePageAndInAPictureWrittenOut(): void
    {
        $scene = new Scene(10, 10, [new Stroke([[0.0, 0.0, 5.0, 5.0]], Ink::Focus1, 3.0, [5.0, 5.0])]);
        self::assertStringContainsString(
            'stroke="var(--focus-1)" stroke-width="30" stroke-dasharray="50 50"',
            Svg::forScreen($scene, []),
        );
        foreach ([Palette::day(), Palette::night()] as $palette) {
            $svg = Svg::standalone($scene, $palette, '');
            self::assertStringContainsString("stroke=\"{$palette->colour(Ink::Focus1)}\"", $svg);
            self::assertStringNotContainsString('var(', $svg);
        }
    }

    public function testALongHeadlineIsBrokenWhereItFitsAndWhereTheWriterBrokeIt(): void
    {
        $data = Make::leakage();
        $study = Make::study($data);
        $study = $study->withWords($study->words->with('headline', "Home loses\n" . str_repeat('more and more ', 12)));
        $comparison = Comparison::of($study, $data);
        $measure = new SquareLetters();
        $scene = (new SheetComposer($measure))->compose(
            $comparison,
            Make::wording($comparison, 'The Forum'),
            700,
            500,
            static fn(float $w, float $h): Scene => (new LinesComposer($measure))->compose(
                Lineup::of($comparison),
                $w,
                $h,
            ),
        );
        $sheet = $scene->marks[1];
        self::assertInstanceOf(Placed::class, $sheet);
        $lines = array_values(
            array_filter($sheet->marks, static fn(Mark $m): bool => $m instanceof Words && $m->type->headline),
        );
        self::assertSame('Home loses', $lines[0]->text());
        self::assertSame(Ink::Focus1, $lines[0]->runs[0]['ink']);
        self::assertGreaterThan(3, count($lines));
        foreach ($lines as $i => $line) {
            self::assertLessThanOrEqual(640.0, $measure->width(rtrim($line->text()), $line->type));
            self::assertTrue($i === 0 || $line->y - $lines[$i - 1]->y >= 30.0);
        }
    }

    /** Drawn by librsvg: every point of a line set in its column of pixels, and those alone that thinning keeps. */
    public function testThinningChangesNoPixelOfAPicture(): void
    {
        mt_srand(3);
        foreach ([1_500, 6_000, 30_000] as $count) {
            $points = $snapped = [];
            $y = 100.0;
            for ($i = 0; $i < $count; $i++) {
                $y = max(5.0, min(195.0, $y + mt_rand(-60, 60) / 10));
                $x = ($i * 300) / $count;
                array_push($points, $x, $y);
                array_push($snapped, floor($x) + 0.5, $y);
            }
            $thin = Thinning::perPixelColumn($points);
            self::assertLessThan(0.8 * count($points), count($thin));
            self::assertSame(self::drawn($snapped), self::drawn($thin), "{$count} points");
        }
    }

    /** @param list<float> $points */
    private static function drawn(array $points): string
    {
        $process = new Process(
            ['rsvg-convert', '--format=png'],
            null,
            null,
            Svg::standalone(new Scene(300, 200, [new Stroke([$points], Ink::Text, 1.3)]), Palette::day(), ''),
        );
        $process->mustRun();
        $picture = imagecreatefromstring($process->getOutput());
        self::assertNotFalse($picture);
        $pixels = '';
        for ($y = 0; $y < 200; $y++) {
            for ($x = 0; $x < 300; $x++) {
                $pixels .= pack('N', imagecolorat($picture, $x, $y));
            }
        }

        return md5($pixels);
    }

    public function testABandIsShadedBetweenThePeersQuartilesAndARankHasItsFirstPlaceOnTop(): void
    {
        $data = Make::data([
            'flow' => [
                'Ml',
                MeasureKind::Stock,
                '2023',
                [
                    'home' => [50, 60],
                    'a' => [10, 10],
                    'b' => [20, 20],
                    'c' => [30, 30],
                    'd' => [40, 40],
                    'e' => [50, 50],
                ],
            ],
        ]);
        $composer = new LinesComposer(new SquareLetters());
        $scene = $composer->compose(
            Lineup::of(
                Comparison::of(
                    Make::study($data)->withPart(new PeersPart(line: PeerLine::Median, band: Band::Quartiles)),
                    $data,
                ),
            ),
            600,
            300,
        );
        $band = array_values(
            array_filter($scene->marks, static fn(Mark $m): bool => $m instanceof Group && $m->role === 'band'),
        )[0];
        self::assertInstanceOf(Group::class, $band);
        self::assertInstanceOf(Area::class, $band->marks[0]);
        [$outline] = $band->marks[0]->pieces;
        // Upper quartile 40 from left to right, lower 20 back: on a scale from 0 to a little over 60.
        $scale = Scale::vertical([10.0, 60.0], (float) $scene->plot?->bottom, (float) $scene->plot?->top);
        self::assertEqualsWithDelta(
            [$scale->at(40), $scale->at(40), $scale->at(20), $scale->at(20)],
            [$outline[1], $outline[3], $outline[5], $outline[7]],
            1e-9,
        );

        $ranked = $composer->compose(
            Lineup::of(Comparison::of(Make::study($data, StopCatalogue::make('rank', ['first' => 'highest'])), $data)),
            600,
            300,
        );
        $ys = [];
        foreach ($ranked->marks as $mark) {
            if ($mark instanceof Group && $mark->role === 'series' && $mark->marks[0] instanceof Stroke) {
                $ys[$mark->facts['line']] = $mark->marks[0]->pieces[0][3];
            }
        }
        asort($ys);
        self::assertSame(['home', 'a'], [array_key_first($ys), array_key_last($ys)]);
    }

    public function testASparkIsSmallKeepsItsLastPointAndLeavesGapsOpen(): void
    {
        $values = array_map(
            static fn(int $i): float => $i === 60 || $i === 59 || $i === 61 ? NAN : sin($i / 9),
            range(0, 117),
        );
        $pieces = Spark::pieces($values, 0, 117, 46, 20);
        self::assertCount(2, $pieces);
        $points = array_merge(...$pieces);
        self::assertLessThanOrEqual(2 * 60, count($points));
        self::assertEqualsWithDelta(45.0, $points[count($points) - 2], 0.01);
        self::assertSame([], Spark::pieces(array_fill(0, 10, NAN), 0, 9, 46, 20));
        // Two of a stretch of time share one scale and run from left to right.
        self::assertEqualsWithDelta(
            [[[2.0, 17.0, 23.0, 10.0, 44.0, 10.0]], [[2.0, 3.0, 23.0, 3.0, 44.0, 17.0]]],
            Spark::together([[9.0, 1.0, 2.0, 2.0, 9.0], [9.0, 3.0, 3.0, 1.0, 9.0]], 1, 3, 46, 20),
            1e-9,
        );
    }

    public function testTheShippedFontsAreMeasured(): void
    {
        $fonts = new ShippedFonts(dirname(__DIR__, 2) . '/resources/fonts');
        $text = Type::text(15);
        self::assertEqualsWithDelta(
            2 * $fonts->width('Harrowfell 106', $text),
            $fonts->width('Harrowfell 106', Type::text(30)),
            1e-9,
        );
        self::assertGreaterThan($fonts->width('Harrowfell', $text), $fonts->width('Harrowfell', Type::text(15, 700)));
        self::assertGreaterThan($fonts->width('iiii', $text) * 2.5, $fonts->width('mmmm', $text));
        // A label of 14 letters at 15 px, measured in the browser: 94 px, give or take kerning.
        self::assertEqualsWithDelta(94.0, $fonts->width('Harrowfell 106', $text), 6.0);
        self::assertGreaterThan(0.0, $fonts->width(' ', $text));
        // What was measured beforehand is what is measured now, give or take FreeType's rounding; and what was not is.
        $file = dirname(__DIR__, 2) . '/resources/fonts/' . ShippedFonts::file($text);
        foreach (['W', 'é', '–', 'Ж'] as $character) {
            $now = ShippedFonts::measured($file, $character);
            self::assertGreaterThan(0.2, $now, $character);
            self::assertEqualsWithDelta($now, $fonts->width($character, Type::text(1)), 0.01, $character);
        }
    }

    /** @return list<list<float>> pieces with x and y in turn */
    private static function pathPoints(string $path, float $grain): array
    {
        $pieces = [];
        foreach (array_slice(explode('M', $path), 1) as $piece) {
            preg_match_all('/-?[\d.]+/', str_replace('h.1', '', $piece), $numbers);
            $numbers = array_map(floatval(...), $numbers[0]);
            [$x, $y] = $numbers;
            $points = [$x * $grain, $y * $grain];
            for ($i = 2; $i < count($numbers); $i += 2) {
                $x += $numbers[$i];
                $y += $numbers[$i + 1];
                array_push($points, $x * $grain, $y * $grain);
            }
            $pieces[] = $points;
        }

        return $pieces;
    }

    /** @param list<float> $points */
    private static function heightAt(array $points, float $x, float $grain): float
    {
        for ($i = 0; $i + 3 < count($points); $i += 2) {
            [$x0, $y0, $x1, $y1] = array_slice($points, $i, 4);
            if (abs($x - $x0) <= $grain * 0.51) {
                return $y0;
            }
            if ($x > $x0 && $x < $x1 - $grain * 0.51) {
                return $y0 + (($y1 - $y0) * ($x - $x0)) / ($x1 - $x0);
            }
        }

        return $points[count($points) - 1];
    }
}
