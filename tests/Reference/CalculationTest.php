<?php

declare(strict_types=1);

namespace Tests\Reference;

use DuskRail\Chart\Colour;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Series;
use DuskRail\Data\SeriesTable;
use DuskRail\Document\Parts\PeerLine;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Rail\Rail;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Statistics\ChanceLimits;
use DuskRail\Statistics\LeastSquares;
use DuskRail\Statistics\MannKendall;
use DuskRail\Statistics\Quantile;
use DuskRail\Statistics\QuantileType;
use DuskRail\Statistics\RollingMean;
use DuskRail\Statistics\StraightLine;
use DuskRail\Statistics\StudentT;
use DuskRail\Statistics\TheilSen;
use DuskRail\Time\Calendar;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodAxis;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Results beside those of programs of general use and of published tables. */
final class CalculationTest extends TestCase
{
    /** ISO 8601; Python's date.isocalendar(), made by make/iso_weeks.py: around the turns of 120 years. */
    public function testIsoWeeksAroundTheTurnsOfYears(): void
    {
        $days = 0;
        foreach (Table::rows('iso_weeks.csv') as [$monday, $year, $week]) {
            $first = Period::parse($monday)->ordinal;
            for ($day = $first; $day < $first + 7; $day++, $days++) {
                self::assertSame([(int) $year, (int) $week], Calendar::isoWeek(Calendar::weekNumber($day)));
            }
            self::assertSame($first, Period::week((int) $year, (int) $week)->firstDay());
        }
        self::assertGreaterThan(4_000, $days);
    }

    /**
     * pandas Series.rolling(window, min_periods).mean(), made by make/rolling.py from R's AirPassengers, with gaps and
     * a spike.
     */
    public function testTrailingMeansAgreeWithPandas(): void
    {
        $series = [];
        $compared = 0;
        foreach (Table::rows('rolling.csv') as $row) {
            [$name, $window, $needed] = $row;
            $numbers = Table::numbers(array_slice($row, 3));
            if (str_contains($name, '-')) {
                continue;
            }
            if ($window === '') {
                $series[$name] = $numbers;
                continue;
            }
            foreach (RollingMean::trailing($series[$name], (int) $window, (int) $needed) as $i => $mean) {
                is_nan($numbers[$i])
                    ? self::assertNan($mean)
                    : self::assertEqualsWithDelta($numbers[$i], $mean, abs($numbers[$i]) * 1e-13);
                $compared++;
            }
        }
        self::assertSame(3 * 8 * 144, $compared);
    }

    /** pandas rolling().median(), min(), max() and sum(), made by make/rolling.py from R's AirPassengers with gaps. */
    public function testOtherRollingStatisticsAgreeWithPandas(): void
    {
        [$gappy, $rows] = self::others(['median', 'min', 'max', 'sum']);
        self::assertCount(15, $rows);
        foreach ($rows as [$name, $window, $needed, $expected]) {
            $statistic = ['median' => 'median', 'min' => 'lowest', 'max' => 'highest', 'sum' => 'sum'][$name];
            $found = self::through(
                $gappy,
                'rolling',
                ['window' => $window, 'needed' => $needed, 'statistic' => $statistic],
                MeasureKind::Flow,
            );
            self::assertAlike($expected, $found, 1e-13);
        }
    }

    /** pandas pct_change(1) and (12) without filling, and cumsum() within calendar years. */
    public function testChangesAndYearsToDateAgreeWithPandas(): void
    {
        [$gappy, $rows] = self::others(['change', 'todate']);
        self::assertCount(3, $rows);
        foreach ($rows as [$name, $periods, , $expected]) {
            $found =
                $name === 'change'
                    ? self::through(
                        $gappy,
                        'change',
                        ['on' => $periods === '12' ? 'year' : 'previous', 'as' => 'percent'],
                        MeasureKind::Stock,
                    )
                    : self::through(self::series('air'), 'running-total', ['from' => 'year'], MeasureKind::Flow);
            self::assertAlike($expected, $found, 1e-12);
        }
    }

    /** pandas rank(method="min", ascending=False) along the rows of a table with gaps and many ties. */
    public function testRanksAgreeWithPandas(): void
    {
        [, $given] = self::others(['rank']);
        [, $ranked] = self::others(['ranked']);
        $measure = Measure::of('x', 'X', '', MeasureKind::Stock, Frequency::Number);
        $axis = PeriodAxis::of(Frequency::Number, 1, 40);
        $series = array_map(static fn(int $i): Series => new Series("s{$i}", $given[$i][3]), range(0, 4));
        $data = new DataInMemory(
            [$measure],
            array_map(static fn(int $i): Entity => new Entity("s{$i}", "S{$i}"), range(0, 4)),
            ['x' => new SeriesTable($axis, $measure->unit, MeasureKind::Stock, $series)],
        );
        $found = Rail::of()
            ->with(StopCatalogue::make('rank', ['first' => 'highest']))
            ->run($data->table('x'), $data)
            ->table();
        foreach ($ranked as $i => [, , , $expected]) {
            self::assertAlike($expected, $found->series["s{$i}"]->values, 0.0);
        }
    }

    /** R decompose() of AirPassengers and nottem, multiplicative and additive, made by make/seasons.R. */
    public function testSeasonalDecompositionAgreesWithR(): void
    {
        $compared = 0;
        $values = [];
        foreach (Table::rows('seasons.csv') as $row) {
            [$name, $model, $part] = $row;
            $numbers = Table::numbers(array_slice($row, 3));
            if ($part === 'values') {
                $values = $numbers;
                continue;
            }
            self::assertAlike(
                $numbers,
                self::through($values, 'seasonal', ['show' => $part, 'model' => $model], MeasureKind::Flow),
                1e-12,
            );
            $compared++;
        }
        self::assertSame(8, $compared);
    }

    /**
     * R lm(), cor.test(method = "kendall") and the median of all slopes, made by make/trends.R; Anscombe (1973) and
     * Longley (1967) among them.
     */
    public function testLinesAndTrendTestsAgreeWithR(): void
    {
        $rows = iterator_to_array(Table::rows('trends.csv'), false);
        self::assertCount(45, $rows);
        foreach (array_chunk($rows, 3) as [$expected, $x, $y]) {
            [$intercept, $slope, $rSquared, $p, $theilSen] = Table::numbers(array_slice($expected, 1));
            [$x, $y] = [Table::numbers(array_slice($x, 1)), Table::numbers(array_slice($y, 1))];
            $line = StraightLine::through([...$x, NAN], [...$y, 5.0]);
            self::assertNotNull($line);
            self::assertEqualsWithDelta(
                [$intercept, $slope, $rSquared],
                [$line->intercept, $line->slope, $line->rSquared],
                1e-10 * max(1.0, abs($intercept)),
                $expected[0],
            );
            self::assertEqualsWithDelta($p, MannKendall::of($y)?->p, 1e-9, $expected[0]);
            self::assertEqualsWithDelta($theilSen, TheilSen::slope($y), 1e-12 * max(1.0, abs($theilSen)), $expected[0]);
        }
    }

    /** R cor.test(exact = TRUE), sums over seasons and pt(), made by make/kendall.R. */
    public function testExactAndSeasonalTestsAndStudentsTailsAgreeWithR(): void
    {
        $compared = ['exact' => 0, 'seasonal' => 0, 't' => 0];
        foreach (Table::rows('kendall.csv') as $row) {
            $numbers = Table::numbers(array_slice($row, 1));
            $compared[$row[0]]++;
            if ($row[0] === 'exact') {
                self::assertEqualsWithDelta($numbers[0], MannKendall::of(array_slice($numbers, 1))?->p, 1e-12);
            } elseif ($row[0] === 't') {
                [$t, $freedom, $p] = $numbers;
                self::assertEqualsWithDelta(
                    $p,
                    StudentT::twoSided($t, $freedom),
                    1e-13 + 1e-10 * $p,
                    "{$t}, {$freedom}",
                );
            } else {
                [$season, $statistic, $variance, $p, $slope] = $numbers;
                $values = array_slice($numbers, 5);
                $test = MannKendall::of($values, (int) $season);
                self::assertNotNull($test);
                self::assertSame((int) $statistic, $test->statistic);
                self::assertEqualsWithDelta($variance, $test->variance, 1e-9);
                self::assertEqualsWithDelta($p, $test->p, 1e-13 + 1e-9 * $p);
                self::assertEqualsWithDelta($slope, TheilSen::slope($values, (int) $season), 1e-12 * abs($slope));
            }
        }
        self::assertSame(['exact' => 24, 'seasonal' => 6, 't' => 30], $compared);
    }

    /**
     * Gapminder’s people and life expectancy (npm vega-datasets 3.2.1), made by make/per_capita.py in exact fractions:
     * life-years per person of every country, of all together as a ratio of sums, and as a mean of ratios.
     */
    public function testLifeYearsPerPersonAgreeWithFractionsWorkedByHand(): void
    {
        $expected = $measured = [];
        foreach (Table::rows('per_capita.csv') as $row) {
            $values = array_fill(0, 51, NAN);
            foreach (Table::numbers(array_slice($row, 2)) as $i => $value) {
                $values[$i * 5] = $value;
            }
            $expected[$row[0]][$row[1]] = $values;
        }
        $axis = PeriodAxis::of(Frequency::Year, 1955, 51);
        $measures = [
            Measure::of('life-years', 'Life-years', 'years', MeasureKind::Stock, Frequency::Year),
            Measure::of('people', 'People', 'people', MeasureKind::Stock, Frequency::Year),
        ];
        $entities = array_map(
            static fn(string $name): Entity => new Entity($name, $name),
            array_keys($expected['people']),
        );
        foreach ($measures as $measure) {
            $series = [];
            foreach ($expected[$measure->key] as $name => $values) {
                $series[] = new Series($name, array_values($values));
            }
            $measured[$measure->key] = new SeriesTable($axis, $measure->unit, $measure->kind, $series);
        }
        $data = new DataInMemory($measures, $entities, $measured);
        $study = Study::first('', 'life-years', $data);
        $per = $study->rail->with(StopCatalogue::make('per-denominator', ['measure' => 'people', 'newest' => 'blank']));
        $compared = 0;
        foreach (['together' => PeerLine::Pooled, 'mean of ratios' => PeerLine::Mean] as $kind => $line) {
            $comparison = Comparison::of(
                $study->withRail($per)->withFocus([])->withPart(new PeersPart(line: $line)),
                $data,
            );
            for ($i = 0; $i <= 50; $i += 5) {
                self::assertEqualsWithDelta($expected[$kind][''][$i], $comparison->peerLine[$i], 1e-12 * 80);
                foreach ($comparison->lines as $country) {
                    self::assertEqualsWithDelta(
                        $expected['per person'][$country->key][$i],
                        $country->values[$i],
                        1e-12 * 80,
                    );
                    $compared++;
                }
            }
        }
        $index = Rail::of()
            ->with(StopCatalogue::make('index', ['base' => '1980']))
            ->run($measured['people'], $data)
            ->table();
        $formula = Rail::of()
            ->with(StopCatalogue::make('formula', ['text' => 'Life-years ÷ People']))
            ->run($measured['people'], $data)
            ->table();
        foreach ($expected['index'] as $name => $values) {
            for ($i = 0; $i <= 50; $i += 5) {
                self::assertEqualsWithDelta($values[$i], $index->series[$name]->values[$i], 1e-10);
                self::assertSame($formula->series[$name]->values[$i], $comparison->line($name)?->values[$i]);
            }
        }
        self::assertGreaterThan(400, $compared);
    }

    /**
     * NIST StRD, linear regression, “Norris”: data and certified values, from memory.
     */
    public function testTheLineThroughNorrisHasItsCertifiedValues(): void
    {
        $y = [
            0.1,
            338.8,
            118.1,
            888.0,
            9.2,
            228.1,
            668.5,
            998.5,
            449.1,
            778.9,
            559.2,
            0.3,
            0.1,
            778.1,
            668.8,
            339.3,
            448.9,
            10.8,
            557.7,
            228.3,
            998.0,
            888.8,
            119.6,
            0.3,
            0.6,
            557.6,
            339.3,
            888.0,
            998.5,
            778.9,
            10.2,
            117.6,
            228.9,
            668.4,
            449.2,
            0.2,
        ];
        $x = [
            0.2,
            337.4,
            118.2,
            884.6,
            10.1,
            226.5,
            666.3,
            996.3,
            448.6,
            777.0,
            558.2,
            0.4,
            0.6,
            775.5,
            666.9,
            338.0,
            447.5,
            11.6,
            556.0,
            228.1,
            995.8,
            887.6,
            120.2,
            0.3,
            0.3,
            556.8,
            339.1,
            887.2,
            999.0,
            779.0,
            11.1,
            118.3,
            229.2,
            669.1,
            448.9,
            0.5,
        ];
        $line = StraightLine::through($x, $y);
        self::assertNotNull($line);
        self::assertEqualsWithDelta(-0.262323073774029, $line->intercept, 1e-11);
        self::assertEqualsWithDelta(1.00211681802045, $line->slope, 1e-13);
        self::assertEqualsWithDelta(0.999993745883712, $line->rSquared, 1e-13);
    }

    /** R's mean() and window(), made by make/index.R from AirPassengers and EuStockMarkets. */
    public function testIndicesAgreeWithR(): void
    {
        $compared = 0;
        $values = [];
        foreach (Table::rows('index.csv') as [$name, $base]) {
            // Only names and bases here; the rows are read again below, since each is needed whole.
            $values[$name][] = $base;
        }
        self::assertSame(['values', '1955', '1960-07'], $values['AirPassengers']);
        foreach (Table::rows('index.csv') as $row) {
            [$name, $base] = $row;
            $numbers = Table::numbers(array_slice($row, 2));
            if ($base === 'values') {
                $given = $numbers;
                continue;
            }
            $months = $name === 'AirPassengers';
            $data = self::data($given ?? [], $months ? Period::month(1949, 1) : Period::number(1));
            $index = Rail::of()
                ->with(StopCatalogue::make('index', ['base' => $months ? $base : "#{$base}"]))
                ->run($data->table('x'), $data);
            foreach ($index->table()->series['e']->values as $i => $value) {
                self::assertEqualsWithDelta($numbers[$i], $value, 1e-12 * $numbers[$i]);
                $compared++;
            }
        }
        self::assertSame(2 * 144 + 4 * 1860, $compared);
    }

    /** R quantile(type = 6, 7, 8): Hyndman and Fan (1996), made by make/quantiles.R from precip, rivers and islands. */
    public function testQuantilesAgreeWithR(): void
    {
        foreach (Table::rows('quantiles.csv') as $row) {
            [, $share] = $row;
            $values = [...Table::numbers(array_slice($row, 5)), NAN];
            foreach (['type-6', 'type-7', 'type-8'] as $i => $type) {
                $quantile = Quantile::of($values, (float) $share, QuantileType::from($type));
                self::assertEqualsWithDelta((float) $row[2 + $i], $quantile, 1e-10, "{$row[0]} {$share} {$type}");
            }
        }
    }

    /**
     * Test pairs of Sharma, Wu and Dalal (2005), table 1; a choice of them that covers every branch, from memory.
     *
     * @param array{float, float, float} $one
     * @param array{float, float, float} $two
     */
    #[TestWith([[50.0, 2.6772, -79.7751], [50.0, 0.0, -82.7485], 2.0425])]
    #[TestWith([[50.0, 3.1571, -77.2803], [50.0, 0.0, -82.7485], 2.8615])]
    #[TestWith([[50.0, 2.8361, -74.02], [50.0, 0.0, -82.7485], 3.4412])]
    #[TestWith([[50.0, -1.3802, -84.2814], [50.0, 0.0, -82.7485], 1.0])]
    #[TestWith([[50.0, 0.0, 0.0], [50.0, -1.0, 2.0], 2.3669])]
    #[TestWith([[50.0, 2.49, -0.001], [50.0, -2.49, 0.0009], 7.1792])]
    #[TestWith([[50.0, 2.49, -0.001], [50.0, -2.49, 0.0011], 7.2195])]
    #[TestWith([[50.0, 2.5, 0.0], [73.0, 25.0, -18.0], 27.1492])]
    #[TestWith([[50.0, 2.5, 0.0], [61.0, -5.0, 29.0], 22.8977])]
    #[TestWith([[50.0, 2.5, 0.0], [56.0, -27.0, -3.0], 31.903])]
    #[TestWith([[50.0, 2.5, 0.0], [58.0, 24.0, 15.0], 19.4535])]
    #[TestWith([[60.2574, -34.0099, 36.2677], [60.4626, -34.1751, 39.4387], 1.2644])]
    #[TestWith([[2.0776, 0.0795, -1.135], [0.9033, -0.0636, -0.5514], 0.9082])]
    public function testColourDifferencesAgreeWithThePublishedPairs(array $one, array $two, float $expected): void
    {
        self::assertEqualsWithDelta($expected, Colour::deltaE00($one, $two), 5e-5);
        self::assertEqualsWithDelta($expected, Colour::deltaE00($two, $one), 5e-5);
    }

    /**
     * WCAG 2.2: black on white is 21, a colour on itself 1; #767676 is the lightest grey of 4.5 on white (from memory).
     */
    public function testContrastsAreThoseOfWcag(): void
    {
        $white = Colour::hex('#ffffff');
        self::assertEqualsWithDelta(21.0, $white->contrast(Colour::hex('#000000')), 1e-9);
        self::assertEqualsWithDelta(1.0, $white->contrast($white), 1e-9);
        self::assertGreaterThanOrEqual(4.5, $white->contrast(Colour::hex('#767676')));
        self::assertLessThan(4.5, $white->contrast(Colour::hex('#777777')));
    }

    /**
     * @param list<float> $expected
     * @param list<float> $found
     */
    private static function assertAlike(array $expected, array $found, float $relative): void
    {
        self::assertCount(count($expected), $found);
        foreach ($expected as $i => $value) {
            is_nan($value)
                ? self::assertNan($found[$i])
                : self::assertEqualsWithDelta($value, $found[$i], max(abs($value), 1.0) * $relative);
        }
    }

    /**
     * @param list<string> $statistics
     * @return array{list<float>, list<array{string, string, string, list<float>}>} AirPassengers with gaps, and the
     *     rows of these statistics
     */
    private static function others(array $statistics): array
    {
        $rows = [];
        foreach (Table::rows('rolling.csv') as $row) {
            $statistic = explode('-', $row[0]);
            if (isset($statistic[1]) && in_array($statistic[0], $statistics, true)) {
                $rows[] = [$statistic[0], $row[1], $row[2], Table::numbers(array_slice($row, 3))];
            }
        }

        return [self::series('gappy'), $rows];
    }

    /** @return list<float> */
    private static function series(string $wanted): array
    {
        foreach (Table::rows('rolling.csv') as $row) {
            if ($row[0] === $wanted && $row[1] === '') {
                return Table::numbers(array_slice($row, 3));
            }
        }

        return [];
    }

    /**
     * @param list<float> $values by the month from January 1949
     * @param array<string, mixed> $settings
     * @return list<float>
     */
    private static function through(array $values, string $stop, array $settings, MeasureKind $kind): array
    {
        $axis = PeriodAxis::of(Frequency::Month, Period::month(1949, 1)->ordinal, count($values));
        $measure = Measure::of('x', 'X', 'passengers', $kind, Frequency::Month);
        $data = new DataInMemory(
            [$measure],
            [new Entity('e', 'E')],
            ['x' => new SeriesTable($axis, $measure->unitEach(), $kind, [new Series('e', $values)])],
        );
        $run = Rail::of()->with(StopCatalogue::make($stop, $settings))->run($data->table('x'), $data);
        self::assertNull($run->refused());

        return $run->table()->series['e']->values;
    }

    /** @param list<float> $values */
    private static function data(array $values, Period $first): DataInMemory
    {
        $axis = PeriodAxis::of($first->frequency, $first->ordinal, count($values));
        $measure = Measure::of('x', 'X', '', MeasureKind::Stock, $first->frequency);

        return new DataInMemory(
            [$measure],
            [new Entity('e', 'E')],
            ['x' => new SeriesTable($axis, $measure->unit, MeasureKind::Stock, [new Series('e', $values)])],
        );
    }

    /** lm() of R on longley, mtcars and state.x77, and Theil and Sen's medians written out; made by make/expected.R. */
    public function testFitsAgreeWithR(): void
    {
        $rows = iterator_to_array(Table::rows('expected.csv'), false);
        $compared = 0;
        while ($rows !== []) {
            [$name, $drivers, , $intercept] = $head = array_shift($rows);
            $slopes = Table::numbers(array_slice($head, 4, (int) $drivers));
            $columns = array_map(Table::numbers(...), array_splice($rows, 0, (int) $drivers + 1));
            $y = array_shift($columns) ?? [];
            if ($name === 'medians') {
                self::assertEqualsWithDelta(
                    [$slopes[0], (float) $intercept],
                    TheilSen::through($columns[0], $y),
                    1e-12,
                );
            } else {
                $fit = LeastSquares::through(array_values($columns), $y);
                foreach ([(float) $intercept, ...$slopes, (float) end($head)] as $j => $wanted) {
                    $own = [$fit->intercept ?? NAN, ...$fit->slopes ?? [], $fit->rSquared ?? NAN][$j];
                    self::assertEqualsWithDelta($wanted, $own, abs($wanted) * 1e-10);
                }
            }
            $compared++;
        }
        self::assertSame(6, $compared);
        // A driver that follows from the others says nothing of its own.
        self::assertNull(LeastSquares::through([[1.0, 2.0, 3.0, 4.0], [2.0, 4.0, 6.0, 8.0]], [1.0, 3.0, 2.0, 4.0]));
    }

    /** ppois(), pbinom() and pnbinom() of R, between whole counts as Spiegelhalter (2005) has it; made by make/chance.R. */
    public function testChanceLimitsAgreeWithR(): void
    {
        $compared = 0;
        foreach (Table::rows('chance.csv') as [$which, $of, $probability, $share, $limit]) {
            $own = match ($which) {
                'poisson' => ChanceLimits::poisson((float) $of, (float) $share),
                'binomial' => ChanceLimits::binomial((float) $of, (float) $probability, (float) $share),
                default => ChanceLimits::poissonBeside((float) $of, (float) $probability, 1.0, (float) $share),
            };
            self::assertEqualsWithDelta(
                (float) $limit,
                $own,
                1e-6 * max(1.0, (float) $limit),
                "{$which} {$of} {$share}",
            );
            $compared++;
        }
        self::assertSame(7 * 4 + 4 * 3 * 4 + 3 * 3 * 4, $compared);
    }
}
