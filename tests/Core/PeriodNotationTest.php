<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Time\Frequency;
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
            array_map(PeriodNotation::monthOfYear(...), ['January', 'may', 'Sept', 'Dec.']),
        );
        self::assertNull(PeriodNotation::monthOfYear('Marl Haven'));
        self::assertNull(PeriodNotation::monthOfYear('Decathlon'));
    }
}
