<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Data\Better;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\Changes\Changes;
use DuskRail\Document\LineState;
use DuskRail\Document\PartCatalogue;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Edit;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Rail\Scope;
use DuskRail\Rail\Stop;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Rail\Working;
use DuskRail\Signals\Notice;
use DuskRail\Signals\Signals;
use DuskRail\Statistics\Trend;
use DuskRail\Statistics\Turns;
use DuskRail\Time\Frequency;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** That every point can be opened, and that what would mislead is noticed, with a remedy that works. */
final class WorkingTest extends TestCase
{
    public function testAPointListsEveryStopWithTheNumbersPutIn(): void
    {
        $data = Make::leakage();
        $study = Make::study(
            $data,
            StopCatalogue::make('per-denominator', ['measure' => 'connections', 'times' => 1e6]),
            StopCatalogue::make('rolling', ['window' => 3]),
            StopCatalogue::make('index', ['base' => '2019-03..2019-12']),
        );
        $comparison = Comparison::of($study, $data);
        $working = Working::of($comparison->run, $comparison->data, 'leakage', 'home', 14);
        self::assertSame(
            [
                ['Leakage', '', '114 Ml per month'],
                [
                    '÷ connections',
                    '114 ÷ 52,000 connections of 2020 × 1,000,000',
                    '2,192.31 l per connection per month',
                ],
                [
                    '3-month mean',
                    'ratio of sums of 3 values, Jan 2020 – Mar 2020',
                    '2,173.08 l per connection per month',
                ],
                ['Mar 2019 – Dec 2019 = 100', '2,173.08 ÷ 2,110 (mean of Mar 2019 – Dec 2019) × 100', '102.989'],
            ],
            array_map(static fn($step): array => [$step->stop, $step->equation, $step->result], $working->steps),
        );
        self::assertSame(
            ['January 2020', 'February 2020', 'March 2020'],
            array_column($working->steps[2]->inputs, 'period'),
        );
        self::assertCount(10, $working->steps[3]->inputs);
        self::assertStringContainsString(
            "÷ connections: 114 ÷ 52,000 connections of 2020 × 1,000,000 = 2,192.31 l per connection per month\n",
            $working->text(),
        );
    }

    /** Each stop in turn: the left side of what it prints, calculated again, is the right side. */
    #[TestWith([1.0])]
    #[TestWith([1e-3])]
    #[TestWith([1e-5])]
    #[TestWith([1e-9])]
    public function testWhatIsPrintedComesToWhatIsPlotted(float $spread): void
    {
        $monthly = array_map(static fn(int $i): float => 100 + $spread * (7 * sin($i) + $i), range(0, 35));
        $data = Make::data([
            'flow' => [
                'crowns',
                MeasureKind::Flow,
                '2021-01',
                [
                    'home' => $monthly,
                    'a' => array_reverse($monthly),
                    'b' => array_map(static fn(float $v): float => $v * (1 + 0.3 * $spread), $monthly),
                ],
            ],
            'people' => [
                'people',
                MeasureKind::Stock,
                '2021',
                ['home' => [900, 950, 990], 'a' => [400, 410, 420], 'b' => [500, 500, 480]],
            ],
            'price' => ['2021 = 100', MeasureKind::Rate, '2021-01', ['all' => range(100, 135)]],
        ]);
        $compared = 0;
        foreach (
            [
                ['per-denominator', ['measure' => 'people', 'times' => 1000, 'between' => 'straight']],
                ['per-day', []],
                ['per-day', ['days' => 'working']],
                ['real-terms', ['index' => 'price', 'prices' => '2021']],
                ['index', ['base' => '2021']],
                ['index', ['at' => 'first', 'base' => '2021', 'as' => 'change']],
                ['change', ['on' => 'year', 'as' => 'percent']],
                ['change', ['on' => 'previous', 'as' => 'difference']],
                ['change', ['on' => 'previous', 'as' => 'annualised']],
                ['share', []],
                ['against', ['to' => 'median', 'as' => 'percent']],
                ['against', ['to' => 'mean']],
                ['standardise', []],
                ['seasonal', []],
                ['seasonal', ['model' => 'additive']],
            ] as [$stop, $settings]
        ) {
            $run = Make::run($data, $stop, $settings);
            self::assertNull($run->refused());
            $step = Working::of($run, Scope::all($data), 'flow', 'home', 20)->steps[1];
            $plotted = $run->table()->series['home']->values[20];
            self::assertEqualsWithDelta(
                $plotted,
                self::workedOut($step->equation),
                abs($plotted) * 2e-4,
                "{$stop}: {$step->equation}",
            );
            $compared++;
        }
        self::assertSame(15, $compared);
        // Of those that gather many values, the values themselves come to the result.
        foreach (
            [
                ['rolling', ['window' => 5, 'statistic' => 'sum'], 1.0],
                ['rolling', ['window' => 5], 0.2],
                ['running-total', [], 1.0],
                ['period', ['to' => 'quarter'], 1.0],
            ] as [$stop, $settings, $factor]
        ) {
            $run = Make::run($data, $stop, $settings);
            $step = Working::of($run, Scope::all($data), 'flow', 'home', 6)->steps[1];
            $sum = array_sum(
                array_map(
                    static fn(array $input): float => (float) str_replace(',', '', $input['value']),
                    $step->inputs,
                ),
            );
            self::assertEqualsWithDelta($run->table()->series['home']->values[6], $sum * $factor, 0.01, $stop);
        }
    }

    public function testAFocusStandsAmongItsPeersNowAndAYearBeforeWithAVerdictOnItsCourse(): void
    {
        $data = Make::data([
            'leakage' => [
                'Ml',
                MeasureKind::Stock,
                '2019',
                [
                    'home' => [50, 46, 41, 35, 30, 24],
                    'a' => [10, 11, 10, 11, 10, 11],
                    'b' => [20, 20, 21, 20, 21, 20],
                    'c' => [30, 30, 30, 30, 30, 30],
                    'd' => [40, 41, 40, 41, 40, 41],
                ],
            ],
        ]);
        $measure = Measure::of('leakage', 'Leakage', 'Ml', MeasureKind::Stock, Frequency::Year, Better::Lower);
        $data = new DataInMemory([$measure], array_values($data->entities()), ['leakage' => $data->table('leakage')]);
        [$standing] = PeerComparison::of(Comparison::of(Make::study($data), $data));
        // Of the peers 11, 20, 30 and 41, two are lower than 24: third of five, half of the peers are worse.
        self::assertSame(
            [3, 5, 50.0, 25.0, 17.75],
            [
                $standing->now()->rank,
                $standing->now()->of,
                $standing->now()->percentile,
                $standing->now()->median,
                $standing->now()->bestQuartile,
            ],
        );
        // The year before, 30 has two below it, one equal and one above: a half and one of four are worse.
        self::assertSame([3, 37.5], [$standing->before()?->rank, $standing->before()?->percentile]);
        self::assertSame(
            ['not tested', 'lower in 5 of 5 steps; 6 values are too few for a test'],
            [$standing->trend->trend->verdict, $standing->trend->trend->reason],
        );
        self::assertEqualsWithDelta(((24 / 50) ** (1 / 5) - 1) * 100, $standing->trend->growth, 1e-12);
        self::assertSame('no clear trend', Trend::of([10.0, 11.0, 10.0, 11.0, 10.0, 11.0])->verdict);
        self::assertSame(
            ['not tested', 'fewer than four values'],
            [Trend::of([1.0, 2.0, NAN, 3.0])->verdict, Trend::of([1.0, 2.0, NAN, 3.0])->reason],
        );
    }

    public function testAFreakishBaseAndARankingThatHangsOnItAreNoticedAndMended(): void
    {
        $level = static fn(float $before, float $base, float $after): array => [$before, $base, $after, $after];
        $data = Make::data([
            'flow' => [
                'Ml',
                MeasureKind::Flow,
                '2018',
                [
                    'home' => $level(100, 100, 90),
                    'freak' => $level(100, 150, 95),
                    'a' => $level(100, 101, 100),
                    'b' => $level(100, 99, 98),
                    'c' => $level(100, 100, 97),
                ],
            ],
        ]);
        $study = Make::study($data, StopCatalogue::make('index', ['base' => '2019']));
        $notices = self::notices($study, $data);
        self::assertStringStartsWith(
            '2019 is an unusual base for Freak: 54 % above the periods before and after',
            $notices[0]->sentence,
        );
        self::assertStringContainsString(
            'The result depends on the base: with 2018, Freak would end above Home (1 of 4 comparisons)',
            $notices[1]->sentence,
        );
        self::assertSame('change-stop', $notices[0]->input['change']);
        $mended = Edit::of(Changes::read('change-stop', $notices[0]->input), $study, $data)->study;
        self::assertSame(
            ['base' => '2018', 'at' => 'period', 'event' => '', 'as' => 'index', 'along' => 'calendar'],
            $mended->rail->stop('s1')?->stop->settings(),
        );
        self::assertStringNotContainsString(
            'no ordinary base',
            implode(' ', array_map(static fn(Notice $n): string => $n->sentence, self::notices($mended, $data))),
        );
    }

    public function testThatTheAxisIsCutIsSaidOfPerCentsButNotOfDifferences(): void
    {
        $said = static function (string $unit, string ...$stops): string {
            $series = ['home' => [90, 92, 95], 'a' => [91, 93, 94], 'b' => [92, 91, 99]];
            $data = Make::data(['x' => [$unit, MeasureKind::Stock, '2020', $series]]);
            $placed = array_map(
                static fn(string $stop): Stop => StopCatalogue::make($stop, ['as' => 'difference']),
                array_values($stops),
            );

            return implode(' ', array_column(self::notices(Make::study($data, ...$placed), $data), 'sentence'));
        };
        self::assertStringContainsString('The axis does not start at zero', $said('%'));
        self::assertStringContainsString('The axis does not start at zero', $said('Ml'));
        self::assertStringNotContainsString('The axis does not start at zero', $said('Ml', 'change'));
    }

    public function testOfSeveralFreakishBasesTheFarthestIsNamedWhicheverSideItLies(): void
    {
        $usual = array_fill_keys(['home', 'b', 'c', 'd', 'e', 'f'], [100, 100, 100, 100]);
        $data = Make::data([
            'flow' => [
                'Ml',
                MeasureKind::Flow,
                '2018',
                ['low' => [100, 40, 100, 100], 'high' => [100, 130, 100, 100], 'deep' => [100, 50, 100, 100]] +
                    $usual + ['g' => [100, 100, 100, 100]],
            ],
        ]);
        $notice = self::notices(Make::study($data, StopCatalogue::make('index', ['base' => '2019'])), $data)[0];
        self::assertStringStartsWith('2019 is an unusual base for Low (and 2 more): 60 % below', $notice->sentence);
        self::assertSame('Low -60 %, Deep -50 %, High +30 %', $notice->detail);
    }

    public function testAnUnfinishedEndAnEndedLineGapsAndTooManyColoursAreNoticed(): void
    {
        $data = Make::data([
            'flow' => [
                'Ml',
                MeasureKind::Flow,
                '2020',
                [
                    'home' => [10, 11, 12, 13, 14],
                    'a' => [1, null, 3, 4, null],
                    'b' => [5, 6, null, null, null],
                    'c' => [7, 8, 9, 10, null],
                    'd' => [0, 1, 2, 3, 4],
                ],
            ],
        ]);
        $study = array_reduce(
            ['a', 'b', 'c'],
            static fn(Study $s, string $key): Study => $s->withState($key, LineState::Focus),
            Make::study($data),
        );
        $sentences = array_map(static fn(Notice $n): string => $n->sentence, self::notices($study, $data));
        self::assertSame(
            [
                '2024 has values for only 2 of 4 lines.',
                'B ends in 2021. Was it merged or renamed?',
                'A has missing values; its line is interrupted there.',
                '4 lines are in colour; readers can follow two or three.',
            ],
            $sentences,
        );
        $until = self::notices($study, $data)[0];
        $mended = Edit::of(Changes::read('range', $until->input), $study, $data)->study;
        self::assertSame('2020..2023', $mended->range?->code());
    }

    public function testACutAxisIsSaidMendedAndCanBePutAway(): void
    {
        $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2020', ['home' => [80, 90], 'a' => [85, 100]]]]);
        $study = Make::study($data);
        [$cut] = self::notices($study, $data);
        self::assertSame('The axis does not start at zero; it starts near 80.', $cut->sentence);
        $whole = Edit::of(Changes::read('set', $cut->input), $study, $data)->study;
        self::assertSame('The chart is shown with both axes.', self::notices($whole, $data)[0]->sentence);
        $away = Edit::of(Changes::read('dismiss', ['signal' => $cut->id]), $study, $data)->study;
        self::assertSame([], self::notices($away, $data));
    }

    /** What a view can mislead by, each with a remedy that takes it away. */
    public function testWhatAViewMisleadsByIsSaidAndMended(): void
    {
        $data = Make::data([
            'flow' => [
                'Ml',
                MeasureKind::Stock,
                '2020',
                ['home' => [10, 0, 30], 'a' => [10, 40, 80], 'b' => [20, 20, 20]],
            ],
            'people' => [
                'people',
                MeasureKind::Stock,
                '2020',
                ['home' => [1, 1, 1], 'a' => [1, 1, 1], 'b' => [4, 4, 4]],
            ],
        ]);
        $study = Make::study($data);
        $per = Make::study($data, StopCatalogue::make('per-denominator', ['measure' => 'people']));
        $part = static fn(Study $on, string $name, array $settings): Study => $on->withPart(
            PartCatalogue::named($name)::from($settings),
        );
        foreach (
            [
                'The axis is limited to 50.0, but values reach 80.0.' => $part($study, 'axis', [
                    'high' => '50',
                    'view' => 'lines',
                ]),
                'The axis limits set in Stack (to 50.0) are not used here.' => $part($study, 'axis', [
                    'high' => '50',
                    'view' => 'stack',
                ]),
                'Panels have different scales: sizes and slopes cannot be compared.' => $part($study, 'panels', [
                    'by' => 'entity',
                    'scale' => 'own',
                ]),
                '1 value is zero or below and not shown on a logarithmic axis.' => $part($study, 'axis', [
                    'log' => '1',
                ]),
                'Curves between points are for appearance only; they never exceed the two values they join.' => $part(
                    $study,
                    'look',
                    ['course' => 'smooth'],
                ),
                '2 peers are too few for this band; it needs 4.' => $part($study, 'peers', [
                    'band' => 'quartiles',
                ]),
                // Means of 80 and 5; 100 Ml over 5 people.
                'The peer mean gives all lines the same weight: 42.5. The ratio of sums is 20.0.' => $part(
                    $per,
                    'peers',
                    ['line' => 'mean'],
                ),
            ] as $sentence => $misleading
        ) {
            $said = static fn(Study $on): array => array_column(self::notices($on, $data), 'sentence');
            $at = array_search($sentence, $said($misleading), true);
            self::assertIsInt($at, $sentence . ' not among: ' . implode(' | ', $said($misleading)));
            $mended = Edit::of(Changes::read('set', self::notices($misleading, $data)[$at]->input), $misleading, $data)
                ->study;
            self::assertNotContains($sentence, $said($mended));
        }
    }

    public function testOfMonthsTheYearBeforeIsTwelveMonthsBack(): void
    {
        $flat = static fn(float $level): array => array_fill(0, 25, $level);
        // Home was lowest of four until the last month but one, in which it was highest; now it is second lowest.
        $home = [...array_fill(0, 23, 5.0), 90.0, 15.0];
        $data = Make::data([
            'flow' => [
                'Ml',
                MeasureKind::Flow,
                '2022-01',
                ['home' => $home, 'a' => $flat(10), 'b' => $flat(20), 'c' => $flat(30)],
            ],
        ]);
        [$standing] = PeerComparison::of(Comparison::of(Make::study($data), $data));
        self::assertSame([3, 4], [$standing->now()->rank, $standing->before()?->rank]);
        self::assertSame(['Jan 2024', 'Jan 2023', 'Jan 2022'], array_column($standing->years, 'period'));
        // The last week of a long year has none a year before, and the week before is in (ISO 8601: W53 of 2020).
        $weeks = array_fill(0, 105, 1);
        $weekly = Make::data(['calls' => ['calls', MeasureKind::Flow, '2019-W01', ['home' => $weeks, 'b' => $weeks]]]);
        [$standing] = PeerComparison::of(Comparison::of(Make::study($weekly), $weekly));
        self::assertSame(['W53 2020', 'W52 2019'], array_column($standing->years, 'period'));
    }

    public function testAStepIsFoundWhereItIsAndNoneInATrendOrASeason(): void
    {
        mt_srand(3);
        $noise = static fn(): float => 1 + 0.02 * (mt_rand() / mt_getrandmax() - 0.5);
        $season = static fn(int $i): float => 1 + 0.2 * sin(($i * M_PI) / 6);
        $step = array_map(
            static fn(int $i): float => 100 * $noise() * $season($i) * ($i >= 51 ? 1.25 : 1.0),
            range(0, 119),
        );
        $steps = self::steps(...);
        self::assertSame([51], array_keys($steps($step)));
        self::assertEqualsWithDelta(25, $steps($step)[51], 4);
        foreach (
            [
                'a season' => static fn(int $i): float => 100 * $noise() * $season($i),
                'growth' => static fn(int $i): float => 100 * $noise() * 1.005 ** $i,
                'two years from one level to another' => static fn(int $i): float => 100 * $noise() +
                    max(0, min(24, $i - 48)),
                'a leap of one month' => static fn(int $i): float => 100 * $noise() + ($i === 60 ? 80 : 0),
            ] as $what => $values
        ) {
            self::assertSame([], $steps(array_map($values, range(0, 119))), $what);
        }
        // Values of few years, and none but missing ones.
        self::assertSame([], $steps(array_slice($step, 40, 30)));
        self::assertSame([], $steps(array_fill(0, 60, NAN)));
        // A gap at the step is passed over: the first value after it is named.
        self::assertSame([53], array_keys($steps(array_values(array_replace($step, [51 => NAN, 52 => NAN])))));
    }

    /**
     * @param list<float> $values
     * @return array<int, float> steps of a tenth of the level, by position
     */
    private static function steps(array $values): array
    {
        return array_filter(
            array_column(Turns::in($values, 12)->turns, 'step', 'position'),
            static fn(float $step): bool => abs($step) > 10,
        );
    }

    public function testAStepThatAllSharedIsNoSignalAndOneIsGivenInItsUnit(): void
    {
        $level = static fn(float $by, int $from): array => array_map(
            static fn(int $i): float => 100 + 2 * sin($i * $i) + ($i >= $from ? $by : 0),
            range(0, 59),
        );
        $said = static function (array $series, string $unit): string {
            /** @var array<string, list<float>> $series */
            $data = Make::data(['x' => [$unit, MeasureKind::Rate, '2019-01', $series]]);

            return implode(' ', array_column(self::notices(Make::study($data), $data), 'sentence'));
        };
        $peers = ['a' => $level(0, 0), 'b' => $level(0, 0), 'c' => $level(0, 0)];
        self::assertMatchesRegularExpression(
            '/Home steps up by 3[01] % in July 2021, and the others do not/',
            $said(['home' => $level(30, 30), ...$peers], 'l per person'),
        );
        self::assertMatchesRegularExpression(
            '/Home steps up by (29|30)\\.\\d points in July 2021/',
            $said(['home' => $level(30, 30), ...$peers], '%'),
        );
        self::assertMatchesRegularExpression(
            '/Home steps down by (29|30)\\.\\d points in July 2021/',
            $said(['home' => $level(-30, 30), ...$peers], '%'),
        );
        $shared = ['a' => $level(28, 30), 'b' => $level(33, 30), 'c' => $level(0, 0)];
        self::assertStringNotContainsString('steps', $said(['home' => $level(30, 30), ...$shared], '%'));
        // Through a rolling mean the step is a slope; it is looked for in what went into it.
        $data = Make::data(['x' => ['Ml', MeasureKind::Stock, '2019-01', ['home' => $level(30, 30), ...$peers]]]);
        $study = Make::study($data, StopCatalogue::make('rolling', ['window' => '12']));
        self::assertMatchesRegularExpression(
            '/steps up by 3[01] % in July 2021/',
            implode(' ', array_column(self::notices($study, $data), 'sentence')),
        );
    }

    /** @return list<Notice> */
    private static function notices(Study $study, DataInMemory $data): array
    {
        return Signals::of(Comparison::of($study, $data));
    }

    /** A printed equation, read as arithmetic: words and parentheses of words are left out. */
    private static function workedOut(string $equation): float
    {
        $plain = (string) preg_replace('/\((?![\d(−])[^()]*\)|\([^()]*[a-z]{3}[^()]*\)/u', '', $equation);
        $plain = (string) preg_replace('/[a-zA-Z%’,]+( of \d{4})?/u', '', str_replace(',', '', $plain));
        $plain = strtr($plain, ['÷' => '/', '×' => '*', '−' => '-', '^' => '**']);
        self::assertMatchesRegularExpression('#^[\d\s.()*/+-]+$#', $plain, $equation);

        $value = eval("return {$plain};");
        self::assertIsNumeric($value);

        return (float) $value;
    }
}
