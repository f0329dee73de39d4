<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Noun;
use DuskRail\Document\Changes\Changes;
use DuskRail\Outcome\Chance;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Edit;
use DuskRail\Rail\RunOffer;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Rail\Stops\ChangeOfPeriod;
use DuskRail\Reading\Detection;
use DuskRail\Reading\Dialect;
use DuskRail\Reading\FormulaGuard;
use DuskRail\Reading\Limits;
use DuskRail\Reading\NotATable;
use DuskRail\Reading\Observations;
use DuskRail\Reading\Preamble;
use DuskRail\Reading\Reader;
use DuskRail\Reading\Sample;
use DuskRail\Signals\OddBase;
use DuskRail\Signals\PartsOfATotal;
use DuskRail\Words\LiveNumber;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Each threshold and guard of the core: one case just inside, one just outside. */
final class ThresholdsTest extends TestCase
{
    /** @return iterable<string, array{string, bool}> a table, and whether its last entity is a total */
    public static function totals(): iterable
    {
        // 300 of three parts of 100; a fifth of a per cent of a total may be lost by rounding.
        yield 'off by 0.2 %' => [self::yearly([100, 100, 100], [300.6, 300.6, 300.6]), true];
        yield 'off by 0.3 %' => [self::yearly([100, 100, 100], [300.9, 300.9, 300.9]), false];
        yield 'in nine periods of ten' => [self::yearly([100, 100, 100], [...array_fill(0, 9, 300), 400]), true];
        yield 'in eight of ten' => [self::yearly([100, 100, 100], [...array_fill(0, 8, 300), 400, 400]), false];
        yield 'of three parts' => [self::yearly([100, 100, 100], [300, 300]), true];
        yield 'of two parts, which could be chance' => [self::yearly([100, 200], [300, 300]), false];
        yield 'in two periods' => [self::yearly([10, 20, 30], [60, 60]), true];
        yield 'in one period' => [self::yearly([10, 20, 30], [60]), false];
    }

    #[DataProvider('totals')]
    public function testAnEntityIsATotalIfTheOthersAddUpToIt(string $table, bool $isTotal): void
    {
        $plan = Detection::of(self::sample($table))->plan;
        self::assertSame($isTotal ? ['X' => 'total'] : [], $plan->rows->found);
    }

    /** @return iterable<string, array{string, string}> rows over the headings, and the title that is read of them */
    public static function preambles(): iterable
    {
        yield 'three cells' => ["Leakage,of all,utilities\n", 'Leakage of all utilities'];
        yield 'four cells are a row of a table' => ["Leakage,of,all,utilities\n", ''];
        yield 'of 120 characters' => [str_repeat('n', 120) . ",,\n", str_repeat('n', 120)];
        yield 'of 121' => [str_repeat('n', 121) . ",,\n", str_repeat('n', 119) . '…'];
    }

    #[DataProvider('preambles')]
    public function testAShortRowAboveTheTableIsItsTitle(string $rows, string $title): void
    {
        $sample = self::sample("{$rows}Utility,2020,2021\nA,1,2\nB,3,4\n");
        self::assertSame($title, Preamble::of($sample, 1)->title);
    }

    /** One and many of what is counted per; common practice, no source. */
    #[TestWith(['cases closed', 'case closed'])]
    #[TestWith(['appeals decided', 'appeal decided'])]
    #[TestWith(['people in work', 'person in work'])]
    #[TestWith(['women aged 15 to 49', 'woman aged 15 to 49'])]
    #[TestWith(['tonnes of waste', 'tonne of waste'])]
    #[TestWith(['population', 'population'])]
    #[TestWith(['companies', 'company'])]
    #[TestWith(['classes', 'class'])]
    #[TestWith(['boxes', 'box'])]
    #[TestWith(['children', 'child'])]
    #[TestWith(['parking spaces', 'parking space'])]
    #[TestWith(['beds', 'bed'])]
    public function testANounHasOneAndMany(string $many, string $one): void
    {
        self::assertSame([$one, $many], [Noun::singular($many), Noun::plural($one)]);
        self::assertSame($one, Noun::singular($one));
    }

    /** @return iterable<string, array{list<string>, bool}> a column of a table, and whether it numbers events */
    public static function identifiers(): iterable
    {
        // Ten rows; seven of ten different numbers are enough.
        yield 'seven of ten' => [['1', '2', '3', '4', '5', '6', '7', '7', '7', '7'], true];
        yield 'six of ten' => [['1', '2', '3', '4', '5', '6', '6', '6', '6', '6'], false];
    }

    /** @param list<string> $numbers */
    #[DataProvider('identifiers')]
    public function testAColumnOfDifferentNumbersIsAnEventNumber(array $numbers, bool $isOne): void
    {
        $text = "Date,Utility,Job no,Cost\n";
        foreach ($numbers as $i => $number) {
            $text .= sprintf("2024-01-%02d,%s,J%s,%d\n", $i + 1, $i % 2 === 0 ? 'A' : 'B', $number, 10 + $i);
        }
        self::assertSame($isOne, Detection::of(self::sample($text))->plan->shape === 'events');
    }

    /** @return iterable<string, array{string, bool}> what is in a column of hours, and whether it is the hour of the day */
    public static function hours(): iterable
    {
        yield 'to 50, as trading periods are numbered' => ['50', true];
        yield 'to 51' => ['51', false];
    }

    #[DataProvider('hours')]
    public function testSmallNumbersUnderHourAreHoursOfTheDay(string $last, bool $are): void
    {
        $text = "Date,Period,Load (MW)\n";
        foreach (['2024-01-01', '2024-01-02', '2024-01-03'] as $n => $day) {
            foreach (['1', '2', $last] as $i => $hour) {
                $text .= "{$day},{$hour}," . (10 * $n + $i) . "\n";
            }
        }
        $read = self::read($text);
        // By the hour, each day is one value; else the numbers tell lines apart.
        self::assertSame($are ? 1 : 3, count($read->entities));
    }

    /** A value that is missing is none of those that a mean is over, and a sum has no part of it. */
    public function testAMissingValueIsNoRepeat(): void
    {
        $text = "Utility,Year,Rate (%)\nA,2020,10\nA,2020,\nA,2020,40\nB,2020,7\nB,2021,8\nA,2021,1\n";
        $sample = self::sample($text);
        $plan = Detection::of($sample)->plan->with(['duplicates' => 'mean', 'shape' => 'long']);
        $values = [];
        foreach (Reader::read($sample->rows, $plan)->series() as $series) {
            $values[] = $series->values;
        }
        self::assertContains([25.0, 1.0], $values);
    }

    /** @return iterable<string, array{string, int}> rows with units, and how many measures they are */
    public static function units(): iterable
    {
        yield 'another unit is another measure' => ['t', 2];
        yield 'no unit is that of the rows before' => ['', 1];
    }

    #[DataProvider('units')]
    public function testRowsOfAnotherUnitAreAnotherMeasure(string $unit, int $measures): void
    {
        $text = "Site,Year,Item,Unit,Value\n";
        foreach (['A', 'B'] as $site) {
            $text .= "{$site},2020,Waste,kg,1\n{$site},2021,Waste,{$unit},2\n";
        }
        self::assertCount($measures, self::read($text)->measures);
    }

    /** @return iterable<string, array{string}> each as long as names can be, but for one character more */
    public static function names(): iterable
    {
        yield 'an entity' => ["Site,Year,Bursts\n{n},2020,1\n{n},2021,2\nB,2020,5\nB,2021,6\n"];
        yield 'a measure' => ["Site,Year,{n}\nA,2020,1\nA,2021,2\nB,2020,5\nB,2021,6\n"];
        yield 'a category' => [
            "Site,Cause,Year,Bursts\nA,{n},2020,1\nA,age,2020,2\nA,{n},2021,4\nA,age,2021,5\nB,{n},2020,3\n" .
            "B,age,2020,2\nB,{n},2021,1\nB,age,2021,1\n",
        ];
    }

    #[DataProvider('names')]
    public function testANameHas300CharactersAtMost(string $text): void
    {
        self::assertGreaterThan(0, self::read(str_replace('{n}', str_repeat('n', Limits::NAME), $text))->rowCount);
        $this->expectException(NotATable::class);
        $this->expectExceptionMessage('A name has 301 characters');
        self::read(str_replace('{n}', str_repeat('n', Limits::NAME + 1), $text));
    }

    /** @return iterable<string, array{string, string}> a text, and what a spreadsheet gets */
    public static function formulas(): iterable
    {
        foreach (['=', '+', '-', '@', "\t", "\r"] as $sign) {
            yield 'begins with ' . json_encode($sign) => ["{$sign}A1", "'{$sign}A1"];
            yield 'has within ' . json_encode($sign) => ["A{$sign}1", "A{$sign}1"];
        }
        yield 'guarded before' => ["'=A1", "''=A1"];
        yield 'an apostrophe of a name' => ["'s-Hertogenbosch", "'s-Hertogenbosch"];
    }

    #[DataProvider('formulas')]
    public function testATextThatASpreadsheetWouldRunIsGuardedAndComesBack(string $text, string $guarded): void
    {
        self::assertSame($guarded, FormulaGuard::guard($text));
        self::assertSame($text, FormulaGuard::unguard($guarded));
    }

    /** @return iterable<string, array{float, bool}> what the parts of a total of 1,000 come to, and whether it is said */
    public static function parts(): iterable
    {
        yield 'half a per cent less' => [995.1, false];
        yield 'a little less still' => [994.9, true];
        yield 'half a per cent more' => [1004.9, false];
        yield 'a little more still' => [1005.1, true];
    }

    #[DataProvider('parts')]
    public function testPartsThatDoNotAddUpToTheTotalAreSaid(float $sum, bool $said): void
    {
        $measure = Make::measure('flow', 'Ml', MeasureKind::Flow, '2024');
        $values = ['a' => [$sum - 500.0], 'b' => [500.0], 'all' => [1000.0]];
        $data = new DataInMemory(
            [$measure],
            [new Entity('a', 'A'), new Entity('b', 'B'), new Entity('all', 'All', attributes: ['summary' => 'total'])],
            ['flow' => Make::table($measure, '2024', $values)],
        );
        self::assertSame($said, (new PartsOfATotal())->notice(Comparison::of(Make::study($data), $data)) !== null);
    }

    /** @return iterable<string, array{list<float>, bool}> values of home, and whether the base (the third) is said to be odd */
    public static function bases(): iterable
    {
        yield 'not quite 8 % above both sides' => [[100, 100, 107.9, 100, 100], false];
        yield 'a little over 8 %' => [[100, 100, 108.1, 100, 100], true];
        yield '9 % below both sides' => [[100, 100, 91, 100, 100], true];
        yield 'above before, below after' => [[80, 80, 100, 125, 125], false];
    }

    /** @param list<float> $home */
    #[DataProvider('bases')]
    public function testABaseApartFromBothSidesIsOdd(array $home, bool $isOdd): void
    {
        $steady = ['b' => array_fill(0, 5, 50.0), 'c' => array_fill(0, 5, 70.0), 'd' => array_fill(0, 5, 90.0)];
        $data = Make::data(['flow' => ['Ml', MeasureKind::Stock, '2020', ['home' => $home, ...$steady]]]);
        $study = Make::study($data, StopCatalogue::make('index', ['base' => '2022']));
        self::assertSame($isOdd, (new OddBase())->notice(Comparison::of($study, $data)) !== null);
    }

    /** Aggregate offers all longer periods, and none that are shorter. */
    public function testAggregateOffersEveryLongerPeriod(): void
    {
        foreach (
            [
                '2024-01' => ['quarter', 'half-year', 'year'],
                '2024-Q1' => ['half-year', 'year'],
                '2024-W01' => ['year'],
            ] as $first => $longer
        ) {
            $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, $first, ['home' => [1, 2, 3, 4]]]]);
            $stop = new ChangeOfPeriod();
            $scope = Make::study($data)->scope($data);
            $fields = array_column(RunOffer::fields($stop, $data->table('flow'), $scope), null, 'name');
            self::assertSame($longer, array_map(strval(...), array_keys($fields['to']->options)));
        }
    }

    /** A study that has a refused stop can be edited; a stop that would be refused besides cannot be added. */
    public function testARefusedStopDoesNotKeepOtherEditsOut(): void
    {
        $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2024', ['home' => [1, 2], 'b' => [3, 4]]]]);
        $rank = StopCatalogue::make('rank', []);
        $study = Make::study($data, $rank, $rank);
        self::assertNotNull(Comparison::of($study, $data)->run->refused());
        $edited = Edit::of(Changes::read('rename', ['name' => 'Other']), $study, $data);
        self::assertSame('Other', $edited->study->name);
        $fine = Make::study($data, $rank);
        $this->expectExceptionMessage('already ranks');
        Edit::of(Changes::read('add-stop', ['stop' => 'rank']), $fine, $data);
    }

    /** A rank that falls in number is a gain. */
    public function testRanksGainDownwards(): void
    {
        $home = ['home' => [1, 9], 'b' => [2, 2], 'c' => [3, 3]];
        $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2023', $home]]);
        $comparison = Comparison::of(Make::study($data, StopCatalogue::make('rank', [])), $data);
        self::assertSame([], LiveNumber::faults('Home has gained {change Home since 2023} ranks', $comparison));
        self::assertCount(1, LiveNumber::faults('Home has lost {change Home since 2023} ranks', $comparison));
    }

    /** A line that is switched off has its place among those that take part and itself. */
    public function testALineThatIsOffIsCountedOnceInItsOwnPlace(): void
    {
        $values = ['home' => [4], 'b' => [3], 'c' => [2], 'd' => [1]];
        $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2024', $values]]);
        $study = Edit::of(
            Changes::read('state', ['entity' => 'b', 'state' => 'off']),
            Make::study($data),
            $data,
        )->study;
        $comparison = Comparison::of($study, $data);
        $at = array_flip(array_column($comparison->lines, 'key'));
        $place = static fn(string $key): array => [
            $comparison->peers->rankOf($comparison->lines[$at[$key]], 0)?->rank,
            $comparison->peers->rankOf($comparison->lines[$at[$key]], 0)?->of,
        ];
        self::assertSame([[2, 4], [1, 3], [2, 3]], [$place('b'), $place('home'), $place('c')]);
    }

    /** The variance of a share is p (1 − p) / n, that of a rate of events r / n: only the first narrows near 100 %. */
    public function testTheSpreadOfSharesIsBinomialAndThatOfRatesPoisson(): void
    {
        // Four peers of 1,000 with 900 each but for 15 more or less.
        $counts = ['home' => [900], 'a' => [885], 'b' => [915], 'c' => [885], 'd' => [915]];
        $thousand = array_fill_keys(array_keys($counts), [1000]);
        $spread = static function (string $unit, string $of, float $times) use ($counts, $thousand): float {
            $data = Make::data([
                'hits' => [$unit, MeasureKind::Flow, '2024', $counts],
                'all' => [$of, MeasureKind::Flow, '2024', $thousand],
            ]);
            $study = Make::study(
                $data,
                StopCatalogue::make('per-denominator', ['measure' => 'all', 'times' => $times]),
            );
            $chance = Chance::of(Comparison::of($study, $data));

            return $chance?->dispersion(0) ?? NAN;
        };
        // 4 × 15² = 900 over (n − 1) × variance: of shares 1000 × 0.9 × 0.1 = 90, of rates 900.
        self::assertGreaterThan(2.0, $spread('trains', 'trains', 100.0));
        self::assertSame(1.0, $spread('bursts', 'km', 100.0));
    }

    /**
     * Three parts, or so many, and what may be their sum.
     *
     * @param list<float|int> $parts
     * @param list<float|int> $sums of one year after the other
     */
    private static function yearly(array $parts, array $sums): string
    {
        $text = "Site,Year,Amount (t)\n";
        foreach ($parts as $n => $part) {
            foreach (array_keys($sums) as $year) {
                $text .= chr(65 + $n) . ',' . (2001 + $year) . ",{$part}\n";
            }
        }
        foreach ($sums as $year => $sum) {
            $text .= 'X,' . (2001 + $year) . ",{$sum}\n";
        }

        return $text;
    }

    private static function read(string $text): Observations
    {
        $sample = self::sample($text);

        return Reader::read($sample->rows, Detection::of($sample)->plan);
    }

    private static function sample(string $text): Sample
    {
        $dialect = Dialect::detect($text);
        $rows = array_map(
            static fn(string $line): array => array_map(strval(...), str_getcsv($line, $dialect->delimiter, '"', '')),
            explode("\n", rtrim($text, "\n")),
        );

        return new Sample($rows, 'table.csv', $dialect->delimiter);
    }
}
