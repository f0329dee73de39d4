<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Chart\Group;
use DuskRail\Chart\LinesComposer;
use DuskRail\Chart\Stroke;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Revision;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\ReaderChoices;
use DuskRail\Rail\Stop;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Reading\EventSummary;
use DuskRail\Time\PeriodRange;
use PHPUnit\Framework\TestCase;

/** What readers set for themselves, what a revision changes, and how events become values. */
final class ReadersTest extends TestCase
{
    public function testAReaderIsOfferedWhatMakesSenseAndTheAuthorsOwnFirst(): void
    {
        $data = self::monthly(60);
        $comparison = Comparison::of(Make::study($data, self::rolling(), self::index()), $data);
        $offered = ReaderChoices::offered($comparison, ['years', 'base', 'window', 'colour']);
        self::assertSame(['years', 'window', 'base'], array_keys($offered));
        self::assertSame(
            [
                '' => 'since 2020',
                2021 => 'since 2021',
                2022 => 'since 2022',
                2023 => 'since 2023',
                2024 => 'since 2024',
            ],
            $offered['years'],
        );
        self::assertSame(
            ['2021 = 100', '2020 = 100', '2022 = 100', '2023 = 100', '2024 = 100'],
            array_values($offered['base']),
        );
        self::assertSame(
            ['' => '12-month mean', 'month.6' => '6-month mean', 'month.24' => '24-month mean'],
            $offered['window'],
        );
        // What the author keeps is not offered; nor is a base where there is none, nor years where the axis counts from
        // an event.
        self::assertSame(
            ['window'],
            array_keys(
                ReaderChoices::offered(Comparison::of(Make::study($data, self::rolling()), $data), ['base', 'window']),
            ),
        );
        $numbers = Make::data([
            'flow' => ['Ml', MeasureKind::Stock, '#1', ['home' => range(1, 30), 'b' => range(1, 30)]],
        ]);
        self::assertSame(
            ['window'],
            array_keys(
                ReaderChoices::offered(Comparison::of(Make::study($numbers, self::rolling()), $numbers), [
                    'years',
                    'base',
                    'window',
                ]),
            ),
        );
    }

    public function testWhatAReaderSetsChangesThatAlone(): void
    {
        $data = self::monthly(60);
        $comparison = Comparison::of(Make::study($data, self::rolling(), self::index()), $data);
        $all = ['years', 'base', 'window'];
        $set = static fn(array $input, string ...$allowed): Study => ReaderChoices::read(
            $input,
            array_values($allowed),
        )->appliedTo($comparison);
        self::assertEquals($comparison->study, $set([], ...$all));
        self::assertEquals($comparison->study, $set(['years' => '2022', 'base' => '2023', 'window' => 'month.6']));
        // Nonsense, and a window for periods of another kind, are passed over.
        self::assertEquals(
            $comparison->study,
            $set(['years' => 'x', 'base' => ['2022'], 'window' => 'week.4'], ...$all),
        );
        $changed = $set(['years' => '2022', 'base' => '2023', 'window' => 'month.6'], ...$all);
        self::assertSame(
            ['2022-01..2024-12', 6, '2023'],
            [
                $changed->range?->code(),
                $changed->rail->stops[0]->stop->settings()['window'],
                $changed->rail->stops[1]->stop->settings()['base'],
            ],
        );
        // The end that the author set stays; years after it change nothing.
        $ended = Comparison::of($comparison->study->withRange(PeriodRange::parse('2020-03..2022-06')), $data);
        self::assertSame(
            '2021-01..2022-06',
            ReaderChoices::read(['years' => '2021'], $all)
                ->appliedTo($ended)
                ->range?->code(),
        );
        self::assertSame(
            '2020-03..2022-06',
            ReaderChoices::read(['years' => '2024'], $all)
                ->appliedTo($ended)
                ->range?->code(),
        );
    }

    public function testARevisionCountsWhatIsNewChangedAndGoneAndKeepsTheLargestChanges(): void
    {
        mt_srand(8);
        for ($round = 0; $round < 200; $round++) {
            $some = static fn(): array => array_map(
                static fn(): float => mt_rand(0, 4) === 0 ? NAN : (float) mt_rand(1, 6),
                range(1, mt_rand(1, 12)),
            );
            [$old, $new, $oldFirst, $newFirst] = [$some(), $some(), mt_rand(0, 5), mt_rand(0, 5)];
            $revision = new Revision();
            $revision->compare('flow', 'a', $oldFirst, $old, $newFirst, $new);
            // The same by going through all there can be.
            $counts = ['new' => 0, 'changed' => 0, 'gone' => 0, 'same' => 0];
            $sizes = [];
            for ($at = 0; $at < 30; $at++) {
                [$was, $is] = [$old[$at - $oldFirst] ?? NAN, $new[$at - $newFirst] ?? NAN];
                match (true) {
                    is_nan($was) && is_nan($is) => null,
                    is_nan($was) => $counts['new']++,
                    is_nan($is) => $counts['gone']++,
                    $was === $is => $counts['same']++,
                    default => [$counts['changed']++, ($sizes[] = abs($is - $was) / $was)],
                };
            }
            self::assertSame($counts, [
                'new' => $revision->new,
                'changed' => $revision->changed,
                'gone' => $revision->gone,
                'same' => $revision->same,
            ]);
            rsort($sizes);
            self::assertSame(
                array_slice($sizes, 0, 12),
                array_map(static fn(array $c): float => Revision::size($c['old'], $c['new']), $revision->largest),
            );
        }
        self::assertEqualsWithDelta(0.1, Revision::size(-10.0, -11.0), 1e-12);
        $zero = new Revision();
        $zero->compare('flow', 'a', 0, [100.0, 0.0], 0, [300.0, 0.1]);
        self::assertSame([1, 0], array_column($zero->largest, 'ordinal'));
    }

    public function testEventsBecomeFiguresAsTheStatisticsAreDefined(): void
    {
        $cells = [4.0, NAN, 1.0, 9.0, 4.0];
        foreach (
            ['sum' => 18.0, 'mean' => 4.5, 'median' => 4.0, 'lowest' => 1.0, 'highest' => 9.0, 'last' => 4.0]
            as $way => $expected
        ) {
            self::assertSame($expected, EventSummary::from($way)->of($cells), $way);
        }
        self::assertNan(EventSummary::Mean->of([NAN]));
        self::assertSame(2.0, EventSummary::Different->of(['J1', 'J2', 'J1']));
        self::assertSame(
            [MeasureKind::Flow, MeasureKind::Rate, MeasureKind::Rate],
            [EventSummary::Sum->kind(), EventSummary::Mean->kind(), EventSummary::Different->kind()],
        );
        self::assertSame(
            ['Cost', 'Median cost', 'Distinct job number'],
            [
                EventSummary::Sum->measure('Cost'),
                EventSummary::Median->measure('Cost'),
                EventSummary::Different->measure('Job number'),
            ],
        );
    }

    public function testWhatNobodyWasMeasuredAtIsNoGapAndCountsHaveNoDecimals(): void
    {
        $data = Make::data([
            'flow' => [
                '',
                MeasureKind::Stock,
                '#2',
                [
                    'home' => [1, null, 3, null, 5, 6],
                    'b' => [2, null, null, null, 4, 5],
                    'c' => [2, null, 3, null, 4, 5],
                ],
            ],
        ]);
        $comparison = Comparison::of(Make::study($data), $data);
        $scene = (new LinesComposer(new SquareLetters()))->compose(Lineup::of($comparison), 800.0, 400.0);
        $pieces = [];
        foreach ($scene->marks as $group) {
            if ($group instanceof Group && $group->role === 'series') {
                $stroke = $group->marks[count($group->marks) > 2 ? 1 : 0];
                $pieces[$group->facts['line']] =
                    $stroke instanceof Stroke
                        ? array_map(static fn(array $piece): int => intdiv(count($piece), 2), $stroke->pieces)
                        : [];
            }
        }
        // Nobody at 3 and 5; B alone is missing at 4, and that is a gap.
        self::assertSame([[4], [1, 2], [4]], [$pieces['home'], $pieces['b'], $pieces['c']]);
        self::assertSame('Home: 6 at 7; the median of its 2 peers is 5', Make::wording($comparison, '')->headline);
        // By the calendar a month without values is a gap for all.
        $monthly = Make::data([
            'flow' => ['Ml', MeasureKind::Stock, '2024-01', ['home' => [1, null, 3], 'b' => [1, null, 3]]],
        ]);
        $calendar = Comparison::of(Make::study($monthly), $monthly);
        self::assertSame([], $calendar->lines[0]->absent);
        self::assertSame('Home: 3.00 in March 2024', Make::wording($calendar, '')->headline);
    }

    private static function rolling(): Stop
    {
        return StopCatalogue::make('rolling', ['window' => 12]);
    }

    private static function index(): Stop
    {
        return StopCatalogue::make('index', ['base' => '2021']);
    }

    private static function monthly(int $count): DataInMemory
    {
        return Make::data([
            'flow' => [
                'Ml',
                MeasureKind::Stock,
                '2020-01',
                ['home' => range(1, $count), 'b' => array_fill(0, $count, 7)],
            ],
        ]);
    }
}
