<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Data\MeasureKind;
use DuskRail\Data\Numerals;
use DuskRail\Data\Status;
use DuskRail\Data\Unit;
use DuskRail\Data\ValueType;
use DuskRail\Document\Parts\ScatterPart;
use DuskRail\Rail\Targets;
use DuskRail\Reading\Alternative;
use DuskRail\Reading\Detection;
use DuskRail\Reading\Dialect;
use DuskRail\Reading\Duplicates;
use DuskRail\Reading\Figure;
use DuskRail\Reading\FormulaGuard;
use DuskRail\Reading\NotATable;
use DuskRail\Reading\NumberNotation;
use DuskRail\Reading\Observations;
use DuskRail\Reading\Plan;
use DuskRail\Reading\Problem;
use DuskRail\Reading\Reader;
use DuskRail\Reading\ReadMeasure;
use DuskRail\Reading\Sample;
use DuskRail\Reading\TableShapes;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodAxis;
use DuskRail\Time\PeriodNotation;
use DuskRail\Time\PeriodReading;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class ReadingTest extends TestCase
{
    private const LONG =
        "Utility;Month;Leakage (Ml);Note\nVeldmere;Jan " .
        "2024;1.234,5;\nVeldmere;Feb 2024;..;\nTarrow;Jan " .
        "2024;80,25;p\n";

    public function testALongTableIsUnderstoodWithItsUnitAndDecimalComma(): void
    {
        [$plan, $read] = self::understood(self::LONG);
        self::assertSame('long', $plan->shape);
        self::assertSame(NumberNotation::Comma, $plan->numbers);
        self::assertSame(['Veldmere', 'Tarrow'], $read->entities);
        self::assertSame(
            [['Leakage', 'Ml', MeasureKind::Flow]],
            array_map(static fn($m): array => [$m->name, $m->unit, $m->kind], $read->measures),
        );
        self::assertSame(['2024-01: 1234.5', '2024-02: -'], self::written($read, 0));
        self::assertSame(['2024-01: 80.25'], self::written($read, 1));
        self::assertSame(0, $read->problemCount);
    }

    public function testPlainRowsReadManyAtATimeAreReadAsOneByOne(): void
    {
        mt_srand(5);
        $odd = ['', '..', 'many', '-0', '12 p', '1e400', '(3)', ' 7'];
        foreach (range(1, 60) as $_) {
            $rows = [['Utility', 'Month', 'Leakage', 'Bursts']];
            for ($n = mt_rand(3, 80); $n > 0; $n--) {
                $period = mt_rand(0, 30) === 0 ? 'some time' : sprintf('2024-%02d', mt_rand(1, 12));
                $cells = array_map(
                    static fn(): string => mt_rand(0, 12) === 0
                        ? $odd[array_rand($odd)]
                        : (string) (mt_rand(-500, 900) / 4),
                    [0, 1],
                );
                $rows[] = match (mt_rand(0, 40)) {
                    0 => ['Veldmere', $period, $cells[0]],
                    1 => ['Tarrow', $period, ...$cells, 'more'],
                    2 => $rows[0],
                    3 => ['A note'],
                    default => [['Veldmere', 'Tarrow', 'Marl'][mt_rand(0, 2)], $period, ...$cells],
                };
            }
            $plan = Detection::of(new Sample($rows, 'plain.csv', ','))->plan->with([
                'shape' => 'long',
                'duplicates' => ['ask', 'first', 'sum'][mt_rand(0, 2)],
            ]);
            // The same values, written so that each row is looked at by itself.
            $slow = array_map(
                static fn(array $row): array => array_map(
                    static fn(string $cell): string => preg_match('/^-?\\d+(\\.\\d+)?$/', $cell) === 1
                        ? "{$cell}e0"
                        : $cell,
                    $row,
                ),
                $rows,
            );
            $written = static fn(Observations $read): string => var_export(
                [
                    $read->entities,
                    $read->rowCount,
                    $read->duplicateCount,
                    [...$read->series()],
                    array_map(
                        static fn(Problem $p): string => str_replace('e0', '', var_export($p, true)),
                        $read->problems,
                    ),
                ],
                true,
            );
            self::assertSame($written(Reader::read($slow, $plan)), $written(Reader::read($rows, $plan)));
        }
    }

    public function testATableOfMoreValuesThanFindRoomIsRefusedWithTheWayOut(): void
    {
        $plan = Detection::of(
            new Sample([['Town', '2020', '2021'], ['Elm', '1', '2'], ['Oak', '3', '4']], 'a.csv', ','),
        )->plan;
        $rows = static fn(int $count): array => [['Town', '2020', '2021'], ...array_fill(0, $count, ['Elm', '1', ''])];
        self::assertSame(5, Reader::read($rows(5), $plan->with(['duplicates' => 'last']), null, 10)->rowCount);
        $this->expectException(NotATable::class);
        $this->expectExceptionMessage('The table has more than 10 values.');
        Reader::read($rows(7), $plan->with(['duplicates' => 'last']), null, 10);
    }

    public function testALongTableWithMeasuresInAColumnKeepsStatusAndUnits(): void
    {
        [, $read] = self::understood(
            "Site,Period,Indicator,Unit,Value,Flag\nA,2023,Staff,staff,10,\n" .
                "A,2023,Cost,crowns,5.5,provisional\nA,2024,Staff,staff,11,e\n",
        );
        self::assertSame(
            [['Staff', MeasureKind::Stock], ['Cost', MeasureKind::Flow]],
            array_map(static fn($m): array => [$m->name, $m->kind], $read->measures),
        );
        $statuses = [];
        foreach ($read->series() as $series) {
            $statuses[$read->measures[$series->measure]->name] = $series->statuses;
        }
        self::assertSame(
            ['Staff' => [Status::Measured->value, Status::Estimated->value], 'Cost' => [Status::Provisional->value]],
            $statuses,
        );
    }

    public function testPeriodsAcrossAreHeadingsAndNotNumbers(): void
    {
        [$plan, $read] = self::understood(
            "Utility,Measure,Unit,2022,2023,2024\nVeldmere,People " .
                "served,people,100,101,\nTarrow,People " .
                "served,people,50,,52\n",
        );
        self::assertSame(['periods-across', [3, 4, 5]], [$plan->shape, $plan->columns->values]);
        self::assertSame(Frequency::Year, $read->frequency);
        self::assertSame(['2022: 50', '2023: -', '2024: 52'], self::written($read, 1));
        self::assertSame(1, $read->gapCount());
    }

    public function testEntitiesAcrossAndTheSameTableTheOtherWayRoundReadTheSame(): void
    {
        $down = "Month,Veldmere,Tarrow\nJan 2024,1,2\nFeb 2024,3,4\n";
        $across = "Utility,Jan 2024,Feb 2024\nVeldmere,1,3\nTarrow,2,4\n";
        [$plan, $read] = self::understood($down);
        [$other, $same] = self::understood($across);
        self::assertSame(['entities-across', 'periods-across'], [$plan->shape, $other->shape]);
        self::assertSame($read->entities, $same->entities);
        self::assertSame(
            [self::written($read, 0), self::written($read, 1)],
            [self::written($same, 0), self::written($same, 1)],
        );
    }

    /** Entities where time belongs do not look wrong in a chart; read in that direction, every heading is a problem. */
    public function testTheWrongDirectionShowsItselfCellByCell(): void
    {
        $sample = self::sample("Month,Veldmere,Tarrow\nJan 2024,1,2\nFeb 2024,3,4\n");
        $plan = Detection::of($sample, TableShapes::named('periods-across'))->plan;
        $read = Reader::read($sample->rows, $plan);
        self::assertTrue($read->isEmpty());
        self::assertSame(
            ['Veldmere', 'Tarrow'],
            array_map(static fn(Problem $p): string => $p->found, $read->problems),
        );
        self::assertStringContainsString('a period as header', $read->problems[0]->expected);
    }

    public function testMonthsDownAndYearsAcrossAreOneEntityInOrderOfTime(): void
    {
        [$plan, $read] = self::understood("Bursts,2023,2024\nFeb,7,8\nJan,5,6\nDec,9,\n", 'dunmarsh.csv');
        self::assertSame('years-across', $plan->shape);
        self::assertSame(['Dunmarsh'], $read->entities);
        self::assertSame('Bursts', $read->measures[0]->name);
        $written = self::written($read, 0);
        self::assertSame(['2023-01: 5', '2023-02: 7'], array_slice($written, 0, 2));
        self::assertSame(['2023-12: 9', '2024-01: 6', '2024-02: 8'], array_slice($written, 11, 3));
    }

    public function testAnAttributeFileWithAYearInItIsNotTakenForFigures(): void
    {
        [$plan, $read] = self::understood("Utility,Group,Joined\nVeldmere,Estuary,2019\nTarrow,Plain,2020\n");
        self::assertSame('attributes', $plan->shape);
        self::assertSame(
            ['Joined' => '2019', 'Group' => 'Estuary', 'group' => 'Estuary'],
            $read->metadata->attributes['Veldmere'],
        );
    }

    public function testATableWithoutHeadingsAndOneUnderATitleAreBothFound(): void
    {
        [$plan, $read] = self::understood("Veldmere,2024-01,10\nVeldmere,2024-02,11\nTarrow,2024-01,12\n");
        self::assertNull($plan->heading);
        self::assertSame(3, $read->valueCount());
        [$plan, $read] = self::understood(
            "Monthly returns,,\n,,\nUtility,Month,Value\nVeldmere,2024-01,10\nTarrow,2024-01,12\n",
        );
        self::assertSame(2, $plan->heading);
        self::assertSame(['Veldmere', 'Tarrow'], $read->entities);
    }

    public function testWhatCannotBeReadIsListedWithItsPlaceAndTheRestIsRead(): void
    {
        [, $read] = self::understood(
            "Utility,Month,Value\nVeldmere,2024-01,10\nVeldmere,2024-02,ten\nVeldmere,March,12\n" .
                ",2024-04,13\nVeldmere,2024-05\nVeldmere,2024-06,15\nA,2024-01,1\nA,2024-02,1\n" .
                "A,2024-03,1\nA,2024-04,1\nA,2024-05,1\nA,2024-06,1\n",
        );
        self::assertSame(
            [
                [3, 'Value', 'ten', 'a number, for example 1,234.5'],
                [4, 'Month', 'March', 'a period, for example 2024-03'],
                [5, 'Utility', '', 'an entity name'],
                [6, 'Value', '', 'a cell here; the row is too short'],
            ],
            array_map(static fn(Problem $p): array => [$p->row, $p->column, $p->found, $p->expected], $read->problems),
        );
        self::assertSame(8, $read->valueCount());
    }

    public function testAHeadingThatIsNoPeriodIsNamedWithItsRowUnderTitlesAndABlankColumnIsNoMeasure(): void
    {
        $rows = [['Returns of 2023', '', '', ''], ['', '', '', ''], ['Utility', '2021', '2022', 'so far']];
        $sample = new Sample([...$rows, ['Veldmere', '1', '2', '3'], ['Tarrow', '4', '5', '6']], 'leakage.csv', ',');
        $plan = Detection::of($sample)->plan->with(['roles' => [3 => 'figures']]);
        [$problem] = Reader::read($sample->rows, $plan)->problems;
        self::assertSame([3, 'column 4', 'so far'], [$problem->row, $problem->column, $problem->found]);
        [, $read] = self::understood(
            "Utility,Month,Remark,Leakage\nVeldmere,2024-01,,10\nVeldmere,2024-02,,11\nTarrow,2024-01,,12\n",
        );
        self::assertSame(['Leakage'], array_map(static fn(ReadMeasure $m): string => $m->name, $read->measures));
    }

    #[TestWith([Duplicates::First, '1'])]
    #[TestWith([Duplicates::Last, '6'])]
    #[TestWith([Duplicates::Sum, '9'])]
    #[TestWith([Duplicates::Mean, '3'])]
    public function testTheSameEntityAndPeriodAgainIsDealtWithAsChosen(Duplicates $choice, string $expected): void
    {
        $text = "Utility,Month,Value\nA,2024-01,1\nA,2024-01,2\nA,2024-01,6\nB,2024-01,4\n";
        [$plan, $asked] = self::understood($text);
        self::assertSame([2, 2], [$asked->duplicateCount, $asked->problemCount]);
        self::assertSame('A, January 2024 again', $asked->problems[0]->found);
        $sample = self::sample($text);
        $read = Reader::read($sample->rows, $plan->with(['duplicates' => $choice->value]));
        self::assertSame(0, $read->problemCount);
        self::assertSame(["2024-01: {$expected}"], self::written($read, 0));
    }

    public function testEveryValueKnowsTheCellItCameFrom(): void
    {
        [, $read] = self::understood("Utility,2023,2024\nVeldmere,1,2\nTarrow,3,4\n");
        foreach ($read->series() as $series) {
            self::assertSame(
                [($series->entity + 1) * Observations::COLUMNS + 1, ($series->entity + 1) * Observations::COLUMNS + 2],
                $series->places,
            );
        }
    }

    /**
     * @return iterable<string, array{NumberNotation, string, array{float, string, string}|null}> value, status,
     *     unit
     */
    public static function cells(): iterable
    {
        yield 'negative in parentheses' => [NumberNotation::Point, '(1,234)', [-1234.0, 'Measured', '']];
        yield 'minus at the end' => [NumberNotation::Comma, '12,5-', [-12.5, 'Measured', '']];
        yield 'provisional' => [NumberNotation::Point, '12.3 p', [12.3, 'Provisional', '']];
        yield 'estimated, in parentheses' => [NumberNotation::Point, '45 (e)', [45.0, 'Estimated', '']];
        yield 'a footnote' => [NumberNotation::Point, '1,200¹', [1200.0, 'Measured', '']];
        yield 'another, and provisional' => [NumberNotation::Point, '7 [2] p', [7.0, 'Provisional', '']];
        yield 'stars' => [NumberNotation::Point, '18.5**', [18.5, 'Measured', '']];
        yield 'per cent' => [NumberNotation::Point, '12.5 %', [12.5, 'Measured', '%']];
        yield 'a unit' => [NumberNotation::Comma, '1.234,5 Ml', [1234.5, 'Measured', 'Ml']];
        yield 'a currency before it' => [NumberNotation::Point, '€ 12.50', [12.5, 'Measured', '€']];
        yield 'a negative amount of it' => [NumberNotation::Point, '(€12.50)', [-12.5, 'Measured', '€']];
        yield 'an ordinal is no figure' => [NumberNotation::Point, '4th', null];
        yield 'words are none' => [NumberNotation::Point, '12 people or more', null];
        yield 'a date is none' => [NumberNotation::Point, '2024-03', null];
        yield 'two years are a period' => [NumberNotation::Point, '2019-2021', null];
        foreach (['<5', '≤ 4', '1-4', '10 to 14', '0–0.5', '>100', '[SUPP]', 'less than 10', '1,000-2,000'] as $text) {
            yield "not shown: {$text}" => [NumberNotation::Point, $text, [NAN, 'Confidential', '']];
        }
        yield 'from more to less is no range' => [NumberNotation::Point, '14-10', null];
        yield 'from the same is none' => [NumberNotation::Point, '5-5', null];
        yield 'not estimated' => [NumberNotation::Point, 'NE', [NAN, 'Unavailable', '']];
        yield 'not meaningful' => [NumberNotation::Point, 'n/m', [NAN, 'Inapplicable', '']];
        yield 'lakhs and crores' => [NumberNotation::Point, '12,34,567.5', [1234567.5, 'Measured', '']];
        yield 'pairs alone are none' => [NumberNotation::Point, '12,34', null];
        yield 'an en dash is a minus' => [NumberNotation::Point, '–45', [-45.0, 'Measured', '']];
        yield 'an apostrophe in front' => [NumberNotation::Point, "'123", [123.0, 'Measured', '']];
        yield 'a raised point' => [NumberNotation::Comma, '1·5', [1.5, 'Measured', '']];
        yield 'a footnote with a bracket' => [NumberNotation::Point, '523 1)', [523.0, 'Measured', '']];
        yield 'thousands by a letter' => [NumberNotation::Point, '1.2k', [1200.0, 'Measured', '']];
        yield 'millions of money' => [NumberNotation::Point, '$900m', [9e8, 'Measured', '$']];
        yield 'milliards with a unit' => [NumberNotation::Comma, '1,5 Mrd. m³', [1.5e9, 'Measured', 'm³']];
        yield 'metres are no millions' => [NumberNotation::Point, '12 m', [12.0, 'Measured', 'm']];
        yield 'a break in a series is no milliard' => [NumberNotation::Point, '12.3 b', [12.3, 'Break', '']];
        yield 'but of money it is' => [NumberNotation::Point, '($1.5b)', [-1.5e9, 'Measured', '$']];
        yield 'hours, minutes and seconds' => [NumberNotation::Point, '01:30:36', [1.51, 'Measured', 'h']];
        yield 'hours and minutes in letters' => [NumberNotation::Point, '1h 30m', [1.5, 'Measured', 'h']];
        yield 'hours, minutes and seconds in words' => [
            NumberNotation::Point,
            '2 hrs 15 min 36 sec',
            [2.26, 'Measured', 'h'],
        ];
        yield 'minutes and seconds in letters' => [NumberNotation::Point, '6m 45s', [6.75, 'Measured', 'min']];
        yield 'sixty minutes in letters are none' => [NumberNotation::Point, '1h 60m', null];
        yield 'a capital M is a million' => [NumberNotation::Point, '0.5M', [500000.0, 'Measured', '']];
        yield 'minutes and seconds' => [NumberNotation::Point, '6:45', [6.75, 'Measured', 'min']];
        yield 'sixty seconds are none' => [NumberNotation::Point, '6:60', null];
    }

    /** @param array{float, string, string}|null $expected */
    #[DataProvider('cells')]
    public function testAFigureIsReadOutOfWhatStandsAroundIt(
        NumberNotation $notation,
        string $text,
        ?array $expected,
    ): void {
        $figure = Figure::read($notation, $text);
        $read = $figure === null ? null : [$figure->value, $figure->status->name, $figure->unit];
        self::assertSame(var_export($expected, true), var_export($read, true));
    }

    /**
     * @param list<string> $column
     * @param array{float, string, string} $expected
     */
    #[TestWith([['900m', '1.2k', '3'], '900m', [9e8, 'Measured', '']])]
    #[TestWith([['1.2bn', '0.5b'], '0.5b', [5e8, 'Measured', '']])]
    #[TestWith([['1.2k', '14 b'], '14 b', [14.0, 'Break', '']])]
    #[TestWith([['900m', '12', '3'], '900m', [900.0, 'Measured', 'm']])]
    #[TestWith([['1h 05m', '45m'], '45m', [0.75, 'Measured', 'h']])]
    #[TestWith([['1h 05m', '2h'], '2h', [2.0, 'Measured', 'h']])]
    #[TestWith([['45m', '50m'], '45m', [45.0, 'Measured', 'm']])]
    #[TestWith([['0.5b', '12'], '0.5b', [0.5, 'Break', '']])]
    public function testALetterMeansWhatOthersOfItsColumnSay(array $column, string $text, array $expected): void
    {
        $figure = Figure::read(NumberNotation::Point, $text, Figure::letterOf($column));
        self::assertSame($expected, [$figure?->value, $figure?->status->name, $figure?->unit]);
    }

    public function testPerCentInTheCellsIsTheUnitAndMakesTheMeasureARate(): void
    {
        [, $read] = self::understood(
            "Utility,Month,Leakage\nVeldmere,2024-01,10%\nVeldmere,2024-02,12%\nTarrow,2024-01,8%\nTarrow,2024-02,9%\n",
        );
        self::assertSame(['%', MeasureKind::Rate], [$read->measures[0]->unit, $read->measures[0]->kind]);
        foreach (['%' => '%', 'per cent' => '%', '% of supply' => '% of supply'] as $text => $unit) {
            self::assertSame([ValueType::Percent, $unit], [Unit::parse($text)->sort, Unit::parse($text)->text()]);
        }
    }

    public function testYearsOverTheTurnOfTwoAreNoMonths(): void
    {
        foreach (['2000/01', '2005-06'] as $first) {
            [$year, $sign] = [(int) substr($first, 0, 4), $first[4]];
            $label = static fn(int $i): string => sprintf('%d%s%02d', $year + $i, $sign, ($year + $i + 1) % 100);
            $down = "Utility,Year,Bursts\n";
            foreach (range(0, 5) as $i) {
                $down .= "Veldmere,{$label($i)},{$i}\nTarrow,{$label($i)},{$i}\n";
            }
            $across = "Utility,{$label(0)},{$label(1)},{$label(2)}\nVeldmere,1,2,3\nTarrow,4,5,6\n";
            foreach ([$down, $across] as $text) {
                [$plan, $read] = self::understood($text);
                self::assertSame(
                    [PeriodNotation::FiscalYear, Frequency::FiscalYear],
                    [$plan->periods->notation, $read->frequency],
                );
            }
        }
        // Twelve months in a row are months.
        self::assertSame(
            PeriodNotation::MonthNumber,
            PeriodReading::detect(array_map(static fn(int $m): string => sprintf('2005/%02d', $m), range(1, 12)))
                ?->notation,
        );
    }

    public function testANumberThatCanBeReadTwoWaysIsShownInBoth(): void
    {
        $text = static fn(
            string $last,
        ): string => "Utility;Month;Leakage\nVeldmere;2024-01;1.234\nTarrow;2024-01;{$last}\n";
        $evidence = static fn(string $last): string => implode(
            ' | ',
            Detection::of(self::sample($text($last)))->evidence,
        );
        self::assertStringContainsString(
            '“1.234” is read as 1234; with the other decimal mark it would be 1.234',
            $evidence('2.500'),
        );
        // One cell that can only be read one way leaves no doubt about the others.
        self::assertStringNotContainsString('decimal mark', $evidence('2.50'));
        self::assertStringNotContainsString('decimal mark', $evidence('2.345,6'));
    }

    /** @return iterable<string, array{string, float|null}> */
    public static function typed(): iterable
    {
        yield 'a decimal comma' => ['98,5', 98.5];
        yield 'below one' => ['0,123', 0.123];
        yield 'thousands as they are written here' => ['1,234', 1234.0];
        yield 'thousands twice' => ['1,234,567', 1234567.0];
        yield 'points for thousands' => ['1.234.567', 1234567.0];
        yield 'German' => ['1.234,5', 1234.5];
        yield 'English' => ['1,234.5', 1234.5];
        yield 'French' => ["1\u{202F}234,5", 1234.5];
        yield 'a true minus' => ['−3,5', -3.5];
        yield 'wide digits' => ['１２', 12.0];
        yield 'an exponent' => ['1.5e3', 1500.0];
        yield 'too large' => ['1e400', null];
        yield 'groups of two' => ['12,34,5', null];
        yield 'a word' => ['much', null];
        yield 'nothing' => ['', null];
        yield 'marks alone' => [',', null];
    }

    #[DataProvider('typed')]
    public function testANumberIsReadAsPeopleTypeIt(string $text, ?float $expected): void
    {
        self::assertSame($expected, Numerals::read($text));
        if ($expected !== null && !str_contains($text, 'e')) {
            self::assertSame($expected, ScatterPart::from(['lineX' => $text])->lineX);
            self::assertSame(
                $expected,
                Targets::parse("2024 {$text}")->at('', PeriodAxis::of(Frequency::Year, 2024, 1), 0),
            );
        }
        if ($expected !== null && $expected > 0.0 && !str_contains($text, 'e') && !str_contains($text, "\u{202F}")) {
            $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2024', ['home' => [2]]]]);
            self::assertSame(
                [round(2 * $expected, 6)],
                Make::values(Make::run($data, 'formula', ['text' => "here × {$text}"]), 'home'),
            );
        }
    }

    public function testUnitsInCellsMustBeOneAndMarksBecomeStatuses(): void
    {
        [, $read] = self::understood(
            "Utility,Month,Leakage\nVeldmere,2024-01,10 " .
                "Ml\nVeldmere,2024-02,11 Ml p\nVeldmere,2024-03,12 " .
                "m3x\nVeldmere,2024-04,12 kg\n",
        );
        self::assertSame('Ml', $read->measures[0]->unit);
        self::assertSame(['2024-01: 10', '2024-02: 11'], self::written($read, 0));
        self::assertSame([0, 1], [...$read->series()][0]->statuses);
        self::assertSame(
            ['a number, for example 1,234.5', 'a value in Ml, like those above'],
            array_map(static fn(Problem $p): string => $p->expected, $read->problems),
        );
    }

    #[TestWith([8, 2, true])]
    #[TestWith([12, 2, false])]
    #[TestWith([1, 1, false])]
    public function testRowsThatShareEntityAndDayAreEventsOnceTheyAreManyEnough(
        int $single,
        int $again,
        bool $events,
    ): void {
        $rows = "Date,Utility,Cost\n";
        for ($i = 0; $i < $single; $i++) {
            $rows .= sprintf("2024-01-%02d,%s,%d\n", $i + 1, $i % 2 === 0 ? 'Veldmere' : 'Tarrow', 10 + $i);
        }
        $rows .= str_repeat("2024-01-01,Veldmere,7\n", $again);
        self::assertSame($events, self::understood($rows, 'jobs.csv')[0]->shape === 'events');
    }

    #[TestWith(["\t1+1"])]
    #[TestWith(["\r=1+1"])]
    #[TestWith(['=1+1'])]
    #[TestWith(['@SUM(A1)'])]
    #[TestWith(['-1+1'])]
    #[TestWith(["'=1+1"])]
    public function testATextThatASpreadsheetWouldRunIsHandedOutHarmlessAndReadBackAsItWas(string $text): void
    {
        self::assertSame("'{$text}", FormulaGuard::guard($text));
        self::assertSame($text, FormulaGuard::unguard(FormulaGuard::guard($text)));
        self::assertSame('Veldmere - East', FormulaGuard::guard('Veldmere - East'));
    }

    /** A sample is cut off after so many bytes, be it in the middle of a character. */
    #[TestWith(["Utility,2023\nVeldm\xC3"])]
    #[TestWith(["Utility,2023\nVeldm\xE2\x82"])]
    #[TestWith(["Utility,2023\nVeldm\xF0\x9F\x92"])]
    #[TestWith(["Utility,2023\nVeldm\xC3\xA8"])]
    public function testASampleThatEndsWithinACharacterIsStillUtf8(string $sample): void
    {
        self::assertSame('UTF-8', Dialect::detect($sample)->encoding);
        self::assertSame('Windows-1252', Dialect::detect("{$sample}\xE8re,1\n")->encoding);
    }

    public function testEventsAreCountedAddedUpAndToldApartPerMonth(): void
    {
        $rows =
            "Date,Utility,Job,Cost\n2024-01-03,Veldmere,J1,10\n2024-01-03,Veldmere,J1,20\n" .
            "2024-01-20,Veldmere,J2,60\n2024-03-05,Veldmere,J3,\n2024-02-01,Tarrow,J4,5\n" .
            "2024-02-09,Tarrow,J5,7\n";
        [$plan, $read] = self::understood($rows, 'repairs.csv');
        self::assertSame('events', $plan->shape);
        self::assertSame(
            ['Repairs', 'Distinct job', 'Cost'],
            array_map(static fn(ReadMeasure $m): string => $m->name, $read->measures),
        );
        self::assertSame(
            [MeasureKind::Flow, MeasureKind::Rate, MeasureKind::Flow],
            array_map(static fn(ReadMeasure $m): MeasureKind => $m->kind, $read->measures),
        );
        $of = static function (Observations $read, int $measure): array {
            $all = [];
            foreach ($read->series() as $series) {
                if ($series->measure === $measure) {
                    $all[$series->entity] = array_map(
                        static fn(float $v): ?float => is_nan($v) ? null : $v,
                        $series->values,
                    );
                }
            }

            return $all;
        };
        // A month in which nothing happened counts as none; what happened at no known cost costs nothing known.
        self::assertSame([[3.0, 0.0, 1.0], [0.0, 2.0, 0.0]], $of($read, 0));
        self::assertSame([[2.0, 0.0, 1.0], [0.0, 2.0, 0.0]], $of($read, 1));
        self::assertSame([90.0, 0.0, null], [...array_slice($of($read, 2)[0], 0, 2), null]);
        foreach (
            [
                'mean' => [30.0, null, null],
                'median' => [20.0, null, null],
                'lowest' => [10.0, null, null],
                'highest' => [60.0, null, null],
                'last' => [60.0, null, null],
            ] as $way => $expected
        ) {
            $other = Reader::read(
                self::sample($rows, 'repairs.csv')->rows,
                $plan->with(['counted' => false, 'ways' => [3 => $way]]),
            );
            $name = ['lowest' => 'Minimum', 'highest' => 'Maximum'][$way] ?? ucfirst($way);
            self::assertSame(["{$name} cost", $expected], [$other->measures[0]->name, $of($other, 0)[0]]);
        }
    }

    public function testPeriodsOverMeasuresAndPeriodsOfEveryKindAreRead(): void
    {
        [$plan, $read] = self::understood(
            "Returns of the Forum\n,2023,,2024,\nUtility,Leakage " .
                '(Ml),Staff,Leakage ' .
                "(Ml),Staff\nVeldmere,1,2,3,4\nTarrow,5,6,7,8\n",
        );
        self::assertSame([1, 2], [$plan->above, $plan->heading]);
        self::assertSame(
            [['Leakage', 'Ml'], ['Staff', '']],
            array_map(static fn(ReadMeasure $m): array => [$m->name, $m->unit], $read->measures),
        );
        self::assertSame(['2023: 5', '2024: 7'], self::written($read, 1));
        // Where each period says itself what it is, each measure has its own frequency, and keeps to it.
        $sample = self::sample(
            "Entity,Measure,Period,Value\nA,x,2024-01,1\nA,x,2024-02,2\nA,y,2023,3\nA,y,2024-Q1,4\n",
        );
        $read = Reader::read(
            $sample->rows,
            Detection::of($sample, TableShapes::named('long'))->plan->with([
                'notation' => 'code',
                'roles' => ['entity', 'measure', 'period', 'figures'],
            ]),
        );
        self::assertSame(
            [Frequency::Month, Frequency::Year],
            array_map(static fn(ReadMeasure $m): ?Frequency => $m->frequency, $read->measures),
        );
        self::assertSame(
            ['a year, like the other periods of y'],
            array_map(static fn(Problem $p): string => $p->expected, $read->problems),
        );
        self::assertSame(3, $read->valueCount());
    }

    /**
     * @return iterable<string, array{string, string, list<string>, string}> text, shape, measures, first entity's
     *     first measure
     */
    public static function odd(): iterable
    {
        yield 'measure and year in one heading' => [
            "Utility,Leakage 2022,Leakage 2023,Bursts 2022,Bursts 2023\nA,1,2,3,4\nB,5,6,7,8\n",
            'periods-across',
            ['Leakage', 'Bursts'],
            '2022: 1, 2023: 2',
        ];
        yield 'month before the measure' => [
            "Utility,Mar 2024 Sales (EUR),Apr 2024 Sales (EUR)\nA,1,2\nB,3,4\n",
            'periods-across',
            ['Sales'],
            '2024-03: 1, 2024-04: 2',
        ];
        yield 'year and month in two columns' => [
            "year,month,utility,value\n2023,1,A,5\n2023,2,A,6\n2023,1,B,7\n2023,2,B,8\n",
            'long',
            ['Value'],
            '2023-01: 5, 2023-02: 6',
        ];
        yield 'year, month by name, and day' => [
            "Jahr;Monat;Tag;Werk;Menge\n2024;Jan;31;A;5\n2024;Februar;1;A;6,5\n",
            'long',
            ['Menge'],
            '2024-01-31: 5, 2024-02-01: 6.5',
        ];
        yield 'months in Austrian German under a German heading' => [
            "Monat;Nord;Süd\nJän 2024;1;2\nFebruar 2024;3;4\nMärz 2024;5;6\n",
            'entities-across',
            ['Value'],
            '2024-01: 1, 2024-02: 3, 2024-03: 5',
        ];
        yield 'times of day' => [
            "id,opened,utility,cost\n1,2024-01-03T10:15:00,A,5\n2,2024-01-03T11:00:00+01:00,A,6\n3,2024-02-03 " .
            "12:30,B,7\n",
            'events',
            ['Value', 'Distinct id', 'cost'],
            '2024-01: 2, 2024-02: 0',
        ];
        yield 'one figure that appears twice is no event' => [
            "Date,Store,Amount\n2024-04-03,A,10\n2024-04-05,A,12\n2024-04-05,A,13\n" .
            "2024-04-07,B,4\n2024-04-08,B,4\n2024-04-09,B,5\n",
            'long',
            ['Value'],
            '2024-04-03: 10, 2024-04-04: -, 2024-04-05: 12',
        ];
        yield 'a number down' => [
            "Age,Boys,Girls\n2,86,85\n3,95,94\n4,102,101\n",
            'entities-across',
            ['Value'],
            '#2: 86, #3: 95, #4: 102',
        ];
    }

    /** @param list<string> $measures */
    #[DataProvider('odd')]
    public function testTablesAsPeopleSendThemAreUnderstood(
        string $text,
        string $shape,
        array $measures,
        string $first,
    ): void {
        [$plan, $read] = self::understood($text);
        self::assertSame(
            [$shape, $measures],
            [$plan->shape, array_map(static fn(ReadMeasure $m): string => $m->name, $read->measures)],
        );
        self::assertSame($first, implode(', ', self::written($read, 0)));
    }

    public function testOtherWaysToReadATableAreRankedByWhatTheyRead(): void
    {
        $sample = self::sample("Utility,2022,2023,2024\nVeldmere,1,2,3\nTarrow,4,5,6\n");
        $others = Detection::alternatives($sample, Detection::of($sample)->plan);
        self::assertEquals(new Alternative(TableShapes::named('moment'), 6, 1.0), $others[0] ?? null);
        self::assertNotContains(
            'periods-across',
            array_map(static fn(Alternative $other): string => $other->shape->name(), $others),
        );
        // Categories across are no time, and it is said.
        $guess = Detection::of(self::sample("Utility,Bursts,Complaints,Repairs\nVeldmere,1,2,3\nTarrow,4,5,6\n"));
        self::assertSame('moment', $guess->plan->shape);
        self::assertStringContainsString('the headers are measures or categories', implode($guess->evidence));
    }

    /** @return iterable<string, array{NumberNotation, string, float|null}> */
    public static function numbers(): iterable
    {
        yield 'thousands by comma' => [NumberNotation::Point, '1,234,567.5', 1234567.5];
        yield 'thousands by a thin space' => [NumberNotation::Point, "1\u{202F}234.5", 1234.5];
        yield 'thousands by point' => [NumberNotation::Comma, '1.234.567,5', 1234567.5];
        yield 'true minus' => [NumberNotation::Point, '−12', -12.0];
        yield 'exponent' => [NumberNotation::Point, '1.5e3', 1500.0];
        yield 'no thousands begin with zero' => [NumberNotation::Point, '0,123', null];
        yield 'they are decimals' => [NumberNotation::Comma, '0,123', 0.123];
        yield 'Arabic digits' => [NumberNotation::Point, '٣٤٫٥', 34.5];
        yield 'wide digits' => [NumberNotation::Comma, '１２３', 123.0];
        yield 'too large for a number' => [NumberNotation::Point, '1e400', null];
        yield 'missing' => [NumberNotation::Point, 'n/a', NAN];
        yield 'zero is not missing' => [NumberNotation::Point, '0', 0.0];
        yield 'commas in the wrong places' => [NumberNotation::Point, '12,34', null];
        yield 'hexadecimal' => [NumberNotation::Point, '0x1A', null];
        yield 'word' => [NumberNotation::Comma, 'viele', null];
    }

    #[DataProvider('numbers')]
    public function testNumbersAreReadAsTheyAreWritten(NumberNotation $notation, string $text, ?float $expected): void
    {
        $read = $notation->read($text);
        $expected !== null && is_nan($expected) ? self::assertNan($read) : self::assertSame($expected, $read);
    }

    /** @return iterable<string, array{list<string>, string, NumberNotation}> */
    public static function marks(): iterable
    {
        yield 'only the comma reads both' => [['1.234,5', '12,25'], ',', NumberNotation::Comma];
        yield 'only the point reads both' => [['1,234.5', '12.25'], ';', NumberNotation::Point];
        yield 'decimals below one' => [['0,123', '0,145', '1,234', '0,987'], "\t", NumberNotation::Comma];
        yield 'both would do, cells parted by semicolons' => [['1,234', '2,500'], ';', NumberNotation::Comma];
        yield 'both would do, cells parted by commas' => [['1,234', '2,500'], ',', NumberNotation::Point];
    }

    /** @param list<string> $texts */
    #[DataProvider('marks')]
    public function testTheDecimalMarkIsWhatAllCellsAgreeWith(
        array $texts,
        string $delimiter,
        NumberNotation $expected,
    ): void {
        self::assertSame($expected, NumberNotation::detect($texts, $delimiter));
    }

    #[TestWith(["\xEF\xBB\xBFa,b\n1,2\n", 'UTF-8', ',', 3])]
    #[TestWith(["wojew\xF3dztwo;b\n\xB3\xF3dzkie;2\n\x9Cl\xB9skie;4\nma\xB3opolskie;1\n", 'Windows-1250', ';', 0])]
    #[TestWith(["\xCC\xEE\xF1\xEA\xE2\xE0;b\n\xD2\xF3\xEB\xE0;2\n", 'Windows-1251', ';', 0])]
    #[TestWith(["\xED\xCF\xD3\xCB\xD7\xC1;b\n\xF4\xD5\xCC\xC1;2\n", 'KOI8-R', ';', 0])]
    #[TestWith(["m\xB3;\xA3m\n10\xB3 m\xB3;2\nkm\xB2;4\n", 'Windows-1252', ';', 0])]
    #[TestWith(["Stra\xDFe;b\n1,5;2\n3,5;4\n", 'Windows-1252', ';', 0])]
    #[TestWith(["a\tb\tc\n1\t2,5\t3\n", 'UTF-8', "\t", 0])]
    #[TestWith(["\xFF\xFEa\x00,\x00b\x00\n\x00", 'UTF-16LE', ',', 2])]
    #[TestWith(["a|b\n\"x,y,z\"|2\n", 'UTF-8', '|', 0])]
    #[TestWith(["Losses, by year\na;b;c\n1,5;2;3\n2,5;3;4\n4,5;5;6\n", 'UTF-8', ';', 0])]
    public function testTheWayAFileIsWrittenDownIsDetected(
        string $bytes,
        string $encoding,
        string $delimiter,
        int $skip,
    ): void {
        self::assertEquals(Dialect::of($encoding, $delimiter, $skip), Dialect::detect($bytes));
    }

    /** @return iterable<string, array{string, string}> */
    public static function notTables(): iterable
    {
        yield 'empty' => ['', 'The file is empty.'];
        yield 'blank lines' => ["\n \n", 'The file is empty.'];
        yield 'a picture' => ["\x89PNG\r\n\x1A\n\x00", 'a PNG image'];
        yield 'a spreadsheet' => ["PK\x03\x04", 'a zip archive or a spreadsheet'];
        yield 'a NUL byte' => ["a,b\n1,\x002\n", 'Line 2 contains a NUL byte (byte 7)'];
        yield 'one endless line' => [str_repeat('0', 1_100_000), 'The first line has over 1,000,000 characters'];
        yield 'one column' => ["a\n1\n2\n", 'only one column'];
        yield 'headings only' => ["Utility,Month,Value\n", 'a header row but no data rows'];
    }

    #[DataProvider('notTables')]
    public function testWhatIsNoTableIsRefusedWithTheReason(string $bytes, string $message): void
    {
        $this->expectException(NotATable::class);
        $this->expectExceptionMessage($message);
        self::understood($bytes);
    }

    private static function sample(string $text, string $name = 'value.csv'): Sample
    {
        $dialect = Dialect::detect($text);
        $rows = array_map(
            static fn(string $line): array => array_map(strval(...), str_getcsv($line, $dialect->delimiter, '"', '')),
            explode("\n", rtrim($text, "\n")),
        );

        return new Sample($rows, $name, $dialect->delimiter);
    }

    /** @return array{Plan, Observations} */
    private static function understood(string $text, string $name = 'value.csv'): array
    {
        $sample = self::sample($text, $name);
        $plan = Detection::of($sample)->plan;

        return [$plan, Reader::read($sample->rows, $plan)];
    }

    /** @return list<string> the first measure's values of an entity, as `period: value` */
    private static function written(Observations $read, int $entity): array
    {
        foreach ($read->series() as $series) {
            if ($series->entity === $entity && $series->measure === 0) {
                return array_map(
                    static fn(int $i, float $v): string => Period::at($read->frequency, $series->first + $i)->code() .
                        ': ' .
                        (is_nan($v) ? '-' : $v),
                    array_keys($series->values),
                    $series->values,
                );
            }
        }

        return [];
    }
}
