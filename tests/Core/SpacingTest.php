<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Chart\Group;
use DuskRail\Chart\LinesComposer;
use DuskRail\Chart\Pieces;
use DuskRail\Chart\PlotArea;
use DuskRail\Chart\Scale;
use DuskRail\Chart\Stroke;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Spacing;
use DuskRail\Document\Parts\LookPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Lineup;
use DuskRail\Rail\Run;
use DuskRail\Rail\Scope;
use PHPUnit\Framework\TestCase;

/** Figures of every fifth year, and of dates that do not come one after the other. */
final class SpacingTest extends TestCase
{
    public function testOfEveryFifthYearTheOneBeforeIsFiveYearsBeforeAndGrowthAYearIsAYears(): void
    {
        $data = self::fiveYearly();
        self::assertSame(
            [5, false],
            [Spacing::of($data->table('flow'))->step, Spacing::of($data->table('flow'))->isIrregular],
        );
        $change = Make::run($data, 'change', ['on' => 'previous', 'as' => 'difference']);
        self::assertSame('change on 5 years earlier', self::label($change));
        self::assertSame([null, 10.0, 11.0, 12.1], self::measured($change));
        // 10 % in five years are 1.1 ^ (1 ÷ 5) − 1 a year, three times.
        $growth = Make::run($data, 'change', ['on' => 'previous', 'as' => 'annualised']);
        self::assertSame([null, 1.924488, 1.924488, 1.924488], self::measured($growth));
        // A window counts values.
        $mean = Make::run($data, 'rolling', ['window' => 2]);
        self::assertSame('mean of 2', self::label($mean));
        self::assertSame([null, 105.0, 115.5, 127.05], self::measured($mean));
        // One who was not asked once has a gap there, and nobody has one between.
        $lines = Comparison::of(Make::study($data), $data)->lines;
        self::assertSame(
            [16 - 4, 0],
            [
                count($lines[0]->absent),
                count(array_filter($lines[0]->absent, static fn(int $i): bool => $i % 5 === 0, ARRAY_FILTER_USE_KEY)),
            ],
        );
    }

    public function testOfSingleDatesNoneIsThePeriodBeforeAndYearsAreMadeOfThem(): void
    {
        $dates = [0 => 60, 400 => 70, 420 => 80, 1_199 => 90];
        $values = array_map(static fn(int $i): ?int => $dates[$i] ?? null, range(0, 1_199));
        $data = Make::data(['flow' => ['%', MeasureKind::Rate, '2015-01-01', ['home' => $values, 'b' => $values]]]);
        self::assertTrue(Spacing::of($data->table('flow'))->isIrregular);
        self::assertStringContainsString(
            'The dates do not follow one another',
            (string) Make::run($data, 'change', ['on' => 'previous', 'as' => 'difference'])->refused()?->refusal,
        );
        $last = Make::run($data, 'period', ['to' => 'year']);
        self::assertSame([60.0, 80.0, null, 90.0], Make::values($last, 'home'));
        self::assertSame(
            [60.0, 75.0, null, 90.0],
            Make::values(Make::run($data, 'period', ['to' => 'year', 'level' => 'mean']), 'home'),
        );
    }

    public function testEachIsJoinedAlongDatesOfItsOwnEvenWhereTogetherTheyFillEveryPeriod(): void
    {
        // Three works, each inspected on every third day of its own; on each day one of them is.
        $works = [];
        foreach (['home', 'b', 'c'] as $n => $key) {
            $works[$key] = array_map(static fn(int $i): ?int => $i % 3 === $n ? $i : null, range(0, 29));
        }
        $data = Make::data(['flow' => ['points', MeasureKind::Stock, '2024-01-01', $works]]);
        $lines = Comparison::of(Make::study($data), $data)->lines;
        $pieces = array_map(
            static fn($line): int => count(
                Pieces::of(
                    $line->values,
                    new PlotArea(0, 290, 0, 100, 0, 29),
                    Scale::vertical([0, 29], 100, 0),
                    $line->absent,
                ),
            ),
            $lines,
        );
        self::assertSame([1, 1, 1], $pieces);
        // A window counts the data of each.
        $mean = Make::values(Make::run($data, 'rolling', ['window' => 2]), 'b');
        self::assertSame([4 => 2.5, 7 => 5.5], array_slice(array_filter($mean, is_float(...)), 0, 2, true));
        self::assertNotNull(Make::run($data, 'change', ['on' => 'previous'])->refused());
    }

    public function testDaysOfBusinessHaveNoGapsAtWeekends(): void
    {
        // From a Monday: five days of values, two without.
        $days = array_map(static fn(int $i): ?int => $i % 7 < 5 ? $i : null, range(0, 20));
        $of = static fn(string $first): array => array_keys(
            Spacing::of(Make::data(['flow' => ['', MeasureKind::Stock, $first, ['home' => $days]]])->table('flow'))
                ->absent,
        );
        self::assertSame([5, 6, 12, 13, 19, 20], $of('2024-01-01'));
        self::assertSame([5, 6, 12, 13, 19, 20], $of('1960-01-04'));
        // With Saturdays, and with Sundays, that have values, the other days without are gaps.
        self::assertSame([[], []], [$of('1960-01-05'), $of('1960-01-03')]);
        self::assertSame([], $of('2024-01-02'));
    }

    public function testAGapIsLeftOpenOrJoinedByAHairIfWished(): void
    {
        $data = Make::data([
            'flow' => ['', MeasureKind::Stock, '2024-01', ['home' => [1, 2, null, 4, 5], 'b' => [1, 2, 3, 4, 5]]],
        ]);
        $hairs = static function (LookPart $look) use ($data): int {
            $study = Make::study($data)->withPart($look);
            $scene = (new LinesComposer(new SquareLetters()))->compose(
                Lineup::of(Comparison::of($study, $data)),
                800.0,
                400.0,
            );
            $count = 0;
            foreach ($scene->marks as $group) {
                foreach ($group instanceof Group && $group->role === 'series' ? $group->marks : [] as $mark) {
                    $count += $mark instanceof Stroke && $mark->dash === [2.0, 4.0] ? count($mark->pieces) : 0;
                }
            }

            return $count;
        };
        self::assertSame([0, 1], [$hairs(new LookPart()), $hairs(new LookPart(gaps: 'hair'))]);
    }

    public function testAMonthThatAllLackIsAGapAndAYearThatNobodyWasAskedInIsNone(): void
    {
        $of = static fn(string $first): array => Spacing::of(
            Make::data(['flow' => ['', MeasureKind::Stock, $first, ['home' => [1, 2, null, 4, 5]]]])->table('flow'),
        )->absent;
        self::assertSame([[], [2 => true]], [$of('2024-01'), $of('2020')]);
        $everySecond = Make::data(['flow' => ['', MeasureKind::Flow, '2024-01', ['home' => [1, null, 2, null, 3]]]]);
        self::assertSame([1 => true, 3 => true], Spacing::of($everySecond->table('flow'))->absent);
        self::assertSame(
            [1.0, null, 3.0, null, 6.0],
            Make::values(Make::run($everySecond, 'running-total', ['from' => 'start']), 'home'),
        );
    }

    private static function fiveYearly(): DataInMemory
    {
        $every = static function (array $figures): array {
            $values = [];
            foreach ($figures as $figure) {
                array_push($values, is_float($figure) ? $figure : null, null, null, null, null);
            }

            return array_slice($values, 0, -4);
        };

        return Make::data([
            'flow' => [
                'people',
                MeasureKind::Stock,
                '1980',
                ['home' => $every([100.0, 110.0, 121.0, 133.1]), 'b' => $every([1.0, null, 3.0, 4.0])],
            ],
        ]);
    }

    /** @return list<float|null> what is at every fifth year */
    private static function measured(Run $run): array
    {
        $values = Make::values($run, 'home');

        return array_map(static fn(int $i): ?float => $values[5 * $i], range(0, 3));
    }

    private static function label(Run $run): string
    {
        $step = $run->steps[0];

        return $step->placed->stop->label($step->arriving, Scope::all(self::fiveYearly()));
    }
}
