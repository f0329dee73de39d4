<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Time\Frequency;
use DuskRail\Time\MonthNames;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodNotation;
use DuskRail\Time\PeriodReading;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class PeriodNotationTest extends TestCase
{
    /**
     * @return iterable<string, array{list<string>, PeriodNotation, string}> texts of one column, the notation, code
     *     of the first
     */
    public static function columns(): iterable
    {
        yield 'years' => [['2019', '2020', '2021'], PeriodNotation::Year, '2019'];
        yield 'halves' => [['H1 2019', 'H2 2019'], PeriodNotation::HalfYear, '2019-H1'];
        yield 'quarters' => [['2019 Q3', '2019Q4', '2020-Q1'], PeriodNotation::Quarter, '2019-Q3'];
        yield 'quarter first' => [['Q4/2019', 'Q1/2020'], PeriodNotation::Quarter, '2019-Q4'];
        // How offices in several countries write them; from memory.
        foreach (
            [
                '2021-T1|2021-T2' => [PeriodNotation::Quarter, '2021-Q1'],
                'Q3-21|Q4-21' => [PeriodNotation::Quarter, '2021-Q3'],
                "Q1'21|Q2'21" => [PeriodNotation::Quarter, '2021-Q1'],
                '1Q21|2Q21' => [PeriodNotation::Quarter, '2021-Q1'],
                'I kw. 2021|IV kw. 2021' => [PeriodNotation::Quarter, '2021-Q1'],
                '2021 III|2021 IV' => [PeriodNotation::Quarter, '2021-Q3'],
                '2021KW01|2021KW02|2021KW04' => [PeriodNotation::Quarter, '2021-Q1'],
                '2021 1st quarter|2021 2nd quarter' => [PeriodNotation::Quarter, '2021-Q1'],
                '4th quarter of 2021|1st quarter of 2022' => [PeriodNotation::Quarter, '2021-Q4'],
                '1.Vj 2021|2.Vj 2021' => [PeriodNotation::Quarter, '2021-Q1'],
                'Jan-Mar 2021|Apr–Jun 2021' => [PeriodNotation::Quarter, '2021-Q1'],
                'October to December 2021|January to March 2022' => [PeriodNotation::Quarter, '2021-Q4'],
                '2021 S1|2021 S2' => [PeriodNotation::HalfYear, '2021-H1'],
                '2S 2021|1S 2022' => [PeriodNotation::HalfYear, '2021-H2'],
                '1st half 2021|2nd half 2021' => [PeriodNotation::HalfYear, '2021-H1'],
                '1. Halbjahr 2021|2. Halbjahr 2021' => [PeriodNotation::HalfYear, '2021-H1'],
                '2021MM01|2021MM12' => [PeriodNotation::MonthNumber, '2021-01'],
                'KW 5/2023|KW 19/2023' => [PeriodNotation::Week, '2023-W05'],
                '2023-KW05|2023-KW06' => [PeriodNotation::Week, '2023-W05'],
                '31.01.23|28.02.23|15.03.23' => [PeriodNotation::DayFirst, '2023-01-31'],
                '31-DEC-23|01-JAN-24' => [PeriodNotation::DayName, '2023-12-31'],
                'Mon 02 Jan 2023|Tue 03 Jan 2023' => [PeriodNotation::DayName, '2023-01-02'],
            ] as $texts => [$notation, $code]
        ) {
            yield $texts => [explode('|', $texts), $notation, $code];
        }
        yield 'iso months' => [['2019-11', '2019-12'], PeriodNotation::MonthNumber, '2019-11'];
        yield 'months of statistics offices' => [['2019M11', '2019M12'], PeriodNotation::MonthNumber, '2019-11'];
        yield 'month before year' => [['11/2019', '12/2019'], PeriodNotation::MonthNumber, '2019-11'];
        yield 'months by name' => [
            ['November 2019', 'Dec 2019', 'jan-20', 'Sept. 2020'],
            PeriodNotation::MonthName,
            '2019-11',
        ];
        yield 'weeks' => [['2020-W53', '2021W01'], PeriodNotation::Week, '2020-W53'];
        yield 'iso days' => [['2024-01-30', '2024-01-31', '2024-02-01'], PeriodNotation::YearFirst, '2024-01-30'];
        yield 'days with an empty time' => [
            ['2024-01-30T00:00:00Z', '2024-01-31 00:00'],
            PeriodNotation::YearFirst,
            '2024-01-30',
        ];
        yield 'day first, which one cell shows' => [
            [
                '03/04/2024',
                '31/04/2023',
                '25/12/2024',
                '01/02/2024',
                '02/02/2024',
                '03/02/2024',
                '04/02/2024',
                '05/02/2024',
                '06/02/2024',
                '07/02/2024',
                '08/02/2024',
            ],
            PeriodNotation::DayFirst,
            '2024-04-03',
        ];
        yield 'month first, which one cell shows' => [
            ['03/04/2024', '12/25/2024'],
            PeriodNotation::MonthFirst,
            '2024-03-04',
        ];
        yield 'months in German' => [['März 2024', 'Apr. 2024', 'Dezember 2024'], PeriodNotation::MonthName, '2024-03'];
        yield 'days in French' => [['14 juillet 2024', '1 août 2024'], PeriodNotation::DayName, '2024-07-14'];
        yield 'days in Spanish' => [
            ['3 de enero de 2024', '4 de febrero de 2024'],
            PeriodNotation::DayName,
            '2024-01-03',
        ];
        yield 'fiscal years' => [['2023/24', '2024-25', 'FY2025/26'], PeriodNotation::FiscalYear, '2023/24'];
        yield 'days by name' => [
            ['1 Jan 2024', '12 March 2024', 'Mar 13, 2024'],
            PeriodNotation::DayName,
            '2024-01-01',
        ];
    }

    /** @param list<string> $texts */
    #[DataProvider('columns')]
    public function testAColumnIsReadInOneNotation(array $texts, PeriodNotation $notation, string $first): void
    {
        $reading = PeriodReading::detect($texts);
        self::assertSame($notation, $reading?->notation);
        self::assertSame($first, Period::at($reading->frequency, (int) $reading->read($texts[0]))->code());
    }

    public function testDatesThatStandForMonthsAreMonths(): void
    {
        $firsts = PeriodReading::detect(['2019-01-01', '2019-02-01', '2019-03-01', '2019-05-01']);
        $lasts = PeriodReading::detect(['31/01/2020', '29/02/2020', '31/03/2020']);
        self::assertSame(Frequency::Month, $firsts?->frequency);
        self::assertSame(Frequency::Month, $lasts?->frequency);
        self::assertSame('2020-02', Period::at(Frequency::Month, (int) $lasts->read('29/02/2020'))->code());
    }

    public function testDaysOfOneMonthStayDays(): void
    {
        self::assertSame(Frequency::Day, PeriodReading::detect(['2019-01-01', '2019-01-02', '2019-02-01'])?->frequency);
    }

    public function testTextThatIsNoPeriodIsNotTakenForOne(): void
    {
        self::assertNull(PeriodReading::detect(['Veldmere', 'Tarrow', '2019']));
        self::assertNull(PeriodReading::detect(['12.5', '13.1', '14.0']));
    }

    public function testADayAndMonthOrderThatNoCellDecidesIsSaidToBeOpen(): void
    {
        $texts = ['03/04/2024', '05/06/2024', '05/07/2024'];
        self::assertTrue(PeriodReading::detect($texts)?->isAmbiguous($texts));
        $texts[] = '13/06/2024';
        self::assertFalse(PeriodReading::detect($texts)?->isAmbiguous($texts));
    }

    public function testMonthsOfTheYearAreKnownByNameAlone(): void
    {
        self::assertSame(
            [1, 5, 9, 12],
            array_map(MonthNames::number(...), ['January', 'may', 'Sept', 'Dec.']),
        );
        self::assertNull(MonthNames::number('Marl Haven'));
        self::assertNull(MonthNames::number('Decathlon'));
    }
}
