<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Chart\Group;
use DuskRail\Chart\LabelRoom;
use DuskRail\Chart\Mark;
use DuskRail\Chart\Scene;
use DuskRail\Chart\Words;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\Parts\LabelsPart;
use DuskRail\Document\Parts\MarksPart;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Views\Views;
use PHPUnit\Framework\TestCase;

/** Whatever is labelled at whatever width, no words are on other words, and hardly any on a line in focus. */
final class LabelsTest extends TestCase
{
    private const STUDIES = 200;

    public function testNoWordsAreOnOthersAndHardlyAnyOnALineInFocus(): void
    {
        mt_srand(15);
        $points = $crossed = $asked = 0;
        for ($n = 0; $n < self::STUDIES; $n++) {
            [$study, $data] = self::study();
            $comparison = Comparison::of($study, $data);
            $width = (float) [390, 560, 700, 980, 1300][mt_rand(0, 4)];
            $scene = Views::of($study)->picture($comparison, new SquareLetters(), $width, (float) mt_rand(280, 460));
            $words = self::words($scene->marks);
            foreach ($words as $i => [$role, $one, $text]) {
                foreach (array_slice($words, $i + 1) as [$other, $two, $said]) {
                    $across = min($one[2], $two[2]) - max($one[0], $two[0]);
                    $down = min($one[3], $two[3]) - max($one[1], $two[1]);
                    self::assertFalse(
                        $across > 1.0 && $down > 1.0,
                        "Study {$n}, {$width} pixels: {$role} “{$text}” on {$other} “{$said}”",
                    );
                }
                if ($role === 'point-label') {
                    $points++;
                    $crossed += (int) self::room($scene, $comparison)->isCrossed($one);
                }
            }
            $asked += count($study->part(LabelsPart::class)->points) * count($comparison->focus());
        }
        // What is asked for is there, but for the few that have no room.
        self::assertGreaterThan(0.8 * $asked, $points);
        self::assertLessThanOrEqual(0.01 * $points, $crossed, "{$crossed} of {$points} labels are crossed");
    }

    /** As many ends as fit: whoever has no name at its end is within a label's height of one that has. */
    public function testAsManyLinesAreNamedAsHaveRoom(): void
    {
        mt_srand(16);
        $named = 0;
        for ($n = 0; $n < 100; $n++) {
            [$study, $data] = self::study();
            $part = $study->part(LabelsPart::class)->with(['named' => 'fit', 'points' => [], 'more' => 0]);
            $comparison = Comparison::of($study->withPart($part), $data);
            $scene = Views::of($study)->picture($comparison, new SquareLetters(), 980.0, 420.0);
            $scale = $scene->scale;
            self::assertNotNull($scale);
            $labelled = [];
            foreach ($scene->marks as $mark) {
                if ($mark instanceof Group && $mark->role === 'end-label') {
                    $labelled[$mark->facts['line'] ?? ''] = (float) $mark->facts['at-y'];
                }
            }
            foreach ($comparison->present() as $line) {
                if ($line->last === $comparison->to && !isset($labelled[$line->key])) {
                    $y = $scale->at($line->end());
                    $near = array_filter($labelled, static fn(float $other): bool => abs($other - $y) < 20.1);
                    self::assertNotSame([], $near, "Study {$n}: {$line->name} has room");
                }
            }
            $named += count($labelled);
        }
        self::assertGreaterThan(500, $named);
    }

    /** @return array{Study, DataInMemory} */
    private static function study(): array
    {
        $length = mt_rand(6, 60);
        $series = [];
        for ($i = 0, $count = mt_rand(2, 18); $i < $count; $i++) {
            $value = mt_rand(20, 80);
            $key = $i === 0 ? 'home' : "entity{$i}";
            for ($j = 0; $j < $length; $j++) {
                $value = max(1, $value + mt_rand(-6, 6));
                $series[$key][] = mt_rand(0, 30) === 0 ? null : $value;
            }
        }
        $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2019-01', $series]]);
        $focus = array_slice(array_keys($series), 0, mt_rand(1, min(5, $count)));
        $study = Study::first('Study', 'flow', $data)
            ->withFocus(array_combine($focus, range(1, count($focus))))
            ->withPart(
                LabelsPart::from([
                    'points' => array_values(
                        array_filter(['first', 'last', 'highest', 'lowest'], static fn(): bool => mt_rand(0, 1) === 1),
                    ),
                    'more' => [0, 2, 5, 12, 200][mt_rand(0, 4)],
                    'side' => ['auto', 'auto', 'above', 'right'][mt_rand(0, 3)],
                    'named' => ['auto', 'fit'][mt_rand(0, 1)],
                ]),
            );
        if (mt_rand(0, 1) === 1) {
            $study = $study->withRail($study->rail->with(StopCatalogue::make('index', ['base' => '2019'])));
        }
        if (mt_rand(0, 1) === 1) {
            $event = ['kind' => 'event', 'at' => '2019-0' . mt_rand(1, 6), 'text' => 'begun'];
            $marks = ['marks' => [$event, ['kind' => 'value', 'value' => 50, 'text' => 'limit']]];
            $study = $study->withPart(MarksPart::from($marks));
        }

        return [$study, $data];
    }

    private static function room(Scene $scene, Comparison $comparison): LabelRoom
    {
        self::assertNotNull($scene->plot);
        self::assertNotNull($scene->scale);
        $focus = array_values(array_filter($comparison->focus(), static fn(Line $line): bool => !$line->dashed));

        return new LabelRoom(new SquareLetters(), $scene->plot, $scene->scale, $focus);
    }

    /**
     * @param list<Mark> $marks
     * @return list<array{string, array{float, float, float, float}, string}> role, box and text; not those of the axes
     */
    private static function words(array $marks, string $role = ''): array
    {
        $words = [];
        foreach ($marks as $mark) {
            if ($mark instanceof Group && !in_array($mark->role, ['value-axis', 'time-axis'], true)) {
                $words = [...$words, ...self::words($mark->marks, $mark->role)];
            } elseif ($mark instanceof Words && trim($mark->text()) !== '') {
                $width = (new SquareLetters())->width($mark->text(), $mark->type);
                $left = $mark->x - ['start' => 0.0, 'middle' => $width / 2, 'end' => $width][$mark->anchor];
                $size = $mark->type->size;
                $words[] = [
                    $role,
                    [$left, $mark->y - 0.72 * $size, $left + $width, $mark->y + 0.1 * $size],
                    $mark->text(),
                ];
            }
        }

        return $words;
    }
}
