<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Chart\Box;
use DuskRail\Chart\Group;
use DuskRail\Chart\LinesComposer;
use DuskRail\Chart\Mark;
use DuskRail\Chart\PlotArea;
use DuskRail\Chart\PointLabels;
use DuskRail\Chart\Scene;
use DuskRail\Chart\Stroke;
use DuskRail\Chart\Words;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\Changes\Changes;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\LineState;
use DuskRail\Document\Parts\LabelsPart;
use DuskRail\Document\Parts\MarksPart;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Edit;
use DuskRail\Outcome\Line;
use DuskRail\Outcome\Lineup;
use DuskRail\Time\PeriodRange;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What is marked and labelled on a picture is where the data are, and moves with them. */
final class MarksTest extends TestCase
{
    public function testMarksStandAtTheirPlacesInTheDataAndStayThereWhenAPeriodComes(): void
    {
        $series = [10, 20, 40, 30, 25, 20];
        foreach ([5, 6] as $count) {
            $data = self::data(array_slice($series, 0, $count));
            $study = self::marked(Make::study($data), $data, [
                ['kind' => 'event', 'at' => '2021', 'text' => 'begun'],
                ['kind' => 'spell', 'at' => '2022', 'to' => '2023', 'text' => 'dry'],
                ['kind' => 'value', 'value' => '15', 'text' => 'limit'],
                ['kind' => 'drop', 'at' => '2022', 'line' => 'home', 'text' => ''],
                ['kind' => 'note', 'at' => '2023', 'line' => 'home', 'text' => 'here'],
            ]);
            $scene = self::scene($study, $data);
            [$plot, $scale] = [$scene->plot, $scene->scale];
            self::assertNotNull($plot);
            self::assertNotNull($scale);
            [$event, , $value, $drop, $note] = self::parts($scene, 'annotation');
            self::assertEqualsWithDelta(round($plot->x(1)) + 0.5, self::stroke($event)->pieces[0][0], 1e-9);
            self::assertEqualsWithDelta(round($scale->at(15.0)) + 0.5, self::stroke($value)->pieces[0][1], 1e-9);
            self::assertEqualsWithDelta(
                [$plot->x(2), $scale->at(40.0), $plot->x(2), $plot->bottom],
                self::stroke($drop)->pieces[0],
                1e-9,
            );
            // The arrow ends a few pixels from its point.
            $tip = array_slice(self::stroke($note)->pieces[0], 2);
            self::assertEqualsWithDelta(6.0, hypot($tip[0] - $plot->x(3), $tip[1] - $scale->at(30.0)), 1e-6);
            $spell = self::parts($scene, 'spell')[0]->marks[0];
            self::assertInstanceOf(Box::class, $spell);
            self::assertEqualsWithDelta([$plot->x(2), $plot->x(3) - $plot->x(2)], [$spell->x, $spell->width], 1e-9);
            self::assertSame(
                ['begun', 'dry', 'limit 15.0', '40.0', 'here'],
                array_merge(...array_map(self::words(...), self::parts($scene, 'annotation'))),
            );
        }
        // One is changed in its place; of a number that is gone another is added.
        $change = static fn(string $number): array => [
            'number' => $number,
            'settings' => ['kind' => 'event', 'at' => '2022', 'text' => 'begun later'],
        ];
        $texts = static fn(Study $of): array => array_column($of->part(MarksPart::class)->marks, 'text');
        $edit = Changes::read('add-mark', $change('0'));
        $edited = Edit::of($edit, $study, $data)->study;
        self::assertSame(['begun later', 'dry', 'limit', '', 'here'], $texts($edited));
        self::assertSame('Change annotation “begun later”', $edit->inWords($study, $edited, $data));
        self::assertCount(6, $texts(Edit::of(Changes::read('add-mark', $change('9')), $study, $data)->study));
        // What is outside of the time shown, or on a line that is off, is not drawn.
        $data = self::data($series);
        $study = self::marked(Make::study($data), $data, [
            ['kind' => 'event', 'at' => '2001', 'text' => 'x'],
            ['kind' => 'note', 'at' => '2021', 'line' => 'nobody', 'text' => 'y'],
            ['kind' => 'spell', 'at' => '2023', 'to' => '2021', 'text' => 'z'],
            ['kind' => 'value', 'value' => '900'],
        ]);
        self::assertSame([], self::parts(self::scene($study, $data), 'annotation'));
        // Nor what is at periods that the shown range leaves out, before it or behind, or where the line has a gap.
        $gap = self::data([10, 20, null, 30, 25, 20]);
        $study = self::marked(Make::study($gap)->withRange(PeriodRange::parse('2021..2023')), $gap, [
            ['kind' => 'note', 'at' => '2020', 'line' => 'home', 'text' => 'before'],
            ['kind' => 'note', 'at' => '2022', 'line' => 'home', 'text' => 'in the gap'],
            ['kind' => 'note', 'at' => '2025', 'line' => 'home', 'text' => 'behind'],
            ['kind' => 'event', 'at' => '2020', 'text' => 'before'],
            ['kind' => 'event', 'at' => '2025', 'text' => 'behind'],
        ]);
        self::assertSame([], self::parts(self::scene($study, $gap), 'annotation'));
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function wrongMarks(): iterable
    {
        yield 'no period' => [['kind' => 'event'], 'enter a period, for example 2022-07'];
        yield 'no end' => [['kind' => 'spell', 'at' => '2021'], 'enter the periods in which it begins and ends'];
        yield 'no such period' => [['kind' => 'drop', 'at' => 'then'], '“then” is not a period'];
        yield 'no value' => [['kind' => 'value'], 'enter a value'];
        yield 'no words' => [['kind' => 'note', 'at' => '2021'], 'enter a text for the note'];
        yield 'no such kind' => [['kind' => 'star', 'at' => '2021'], '“kind” can be event'];
    }

    /** @param array<string, string> $mark */
    #[DataProvider('wrongMarks')]
    public function testAMarkThatSaysTooLittleIsRefusedInWords(array $mark, string $said): void
    {
        $data = self::data([1, 2]);
        try {
            self::marked(Make::study($data), $data, [$mark]);
            self::fail('It was marked.');
        } catch (InvalidStudy $problem) {
            self::assertStringContainsString($said, $problem->getMessage());
        }
    }

    public function testTheMostTellingPointsAreLabelledFirst(): void
    {
        $line = new Line(
            'a',
            'A',
            '',
            LineState::Focus,
            1,
            [10.0, 12.0, 50.0, 14.0, 15.0, 3.0, 16.0, 17.0, 18.0],
            8,
            8,
        );
        $plot = new PlotArea(0, 100, 0, 100, 0, 8);
        $chosen = static fn(array $part): array => array_keys(
            PointLabels::chosen($line, LabelsPart::from($part), $plot, null),
        );
        self::assertSame([8, 0], $chosen(['points' => 'last,first', 'end' => 'name']));
        // The value at the end of the line is said there once.
        self::assertSame([0], $chosen(['points' => 'last,first']));
        self::assertEqualsCanonicalizing([2, 5], $chosen(['points' => 'highest,lowest']));
        // The peak of 50 and the trough of 3 turn furthest.
        self::assertSame([2, 5], $chosen(['more' => '2']));
        self::assertCount(9, $chosen(['more' => '200']));
    }

    public function testLabelsThatWereNotAskedForNeverMeetAnotherOverManyLayouts(): void
    {
        mt_srand(6);
        $letters = new SquareLetters();
        for ($round = 0; $round < 500; $round++) {
            $data = self::data(array_map(static fn(): int => mt_rand(0, 60), range(1, mt_rand(3, 40))));
            $study = Make::study($data)->withPart(LabelsPart::from(['more' => '200', 'points' => 'last']));
            $boxes = [];
            foreach (self::parts(self::scene($study, $data), 'point-label') as $label) {
                $words = $label->marks[0];
                self::assertInstanceOf(Words::class, $words);
                $boxes[] = [
                    $words->x,
                    $words->y - 15.0,
                    $words->x + $letters->width($words->text(), $words->type),
                    $words->y,
                ];
            }
            foreach ($boxes as $i => [$l, $t, $r, $b]) {
                foreach (array_slice($boxes, $i + 1) as [$l2, $t2, $r2, $b2]) {
                    self::assertTrue($r <= $l2 || $r2 <= $l || $b <= $t2 || $b2 <= $t);
                }
            }
            self::assertNotSame([], $boxes);
        }
    }

    public function testTheEndOfALineSaysWhatIsWished(): void
    {
        $data = self::data([1, 2, 3]);
        $ends = static fn(string $end): array => array_merge(
            [],
            ...array_map(
                self::words(...),
                self::parts(
                    self::scene(Make::study($data)->withPart(LabelsPart::from(['end' => $end])), $data),
                    'end-label',
                ),
            ),
        );
        self::assertContains('Home 3.00', $ends('both'));
        self::assertContains('Home', $ends('name'));
        self::assertContains(' 3.00', $ends('value'));
        self::assertSame([], $ends('none'));
    }

    /** @param list<int|null> $home */
    private static function data(array $home): DataInMemory
    {
        return Make::data([
            'flow' => ['Ml', MeasureKind::Stock, '2020', ['home' => $home, 'marl' => array_fill(0, count($home), 5)]],
        ]);
    }

    /** @param list<array<string, string>> $marks */
    private static function marked(Study $study, DataInMemory $data, array $marks): Study
    {
        foreach ($marks as $mark) {
            $study = Edit::of(Changes::read('add-mark', ['settings' => $mark]), $study, $data)->study;
        }
        self::assertCount(
            count($marks) - 1,
            Edit::of(Changes::read('remove-mark', ['number' => '0']), $study, $data)->study->part(MarksPart::class)
                ->marks,
        );

        return $study;
    }

    private static function scene(Study $study, DataInMemory $data): Scene
    {
        return (new LinesComposer(new SquareLetters()))->compose(Lineup::of(Comparison::of($study, $data)), 900, 400);
    }

    /** @return list<Group> */
    private static function parts(Scene $scene, string $role): array
    {
        return array_values(
            array_filter($scene->marks, static fn(Mark $m): bool => $m instanceof Group && $m->role === $role),
        );
    }

    private static function stroke(Group $group): Stroke
    {
        self::assertInstanceOf(Stroke::class, $group->marks[0]);

        return $group->marks[0];
    }

    /** @return list<string> */
    private static function words(Group $group): array
    {
        return array_values(
            array_map(
                static fn(Mark $m): string => $m instanceof Words ? $m->text() : '',
                array_filter($group->marks, static fn(Mark $m): bool => $m instanceof Words),
            ),
        );
    }
}
