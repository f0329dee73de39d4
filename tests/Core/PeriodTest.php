<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Time\Calendar;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodAxis;
use DuskRail\Time\PeriodRange;
use DuskRail\Time\UnknownPeriod;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class PeriodTest extends TestCase
{
    #[Group('slow')]
    #[TestWith([Frequency::Year, 1990, 60])]
    #[TestWith([Frequency::HalfYear, 3980, 120])]
    #[TestWith([Frequency::Quarter, 7960, 240])]
    #[TestWith([Frequency::Month, 23880, 720])]
    #[TestWith([Frequency::Week, 1000, 3000])]
    #[TestWith([Frequency::Day, 7000, 20000])]
    #[TestWith([Frequency::Number, -40, 80])]
    public function testEveryPeriodReadsBackFromItsCodeAndFollowsTheOneBefore(
        Frequency $frequency,
        int $first,
        int $count,
    ): void {
        $axis = PeriodAxis::of($frequency, $first, $count);
        for ($i = 0; $i < $count; $i++) {
            $period = $axis->period($i);
            self::assertEquals($period, Period::parse($period->code()));
            self::assertEquals($period, Period::parse("{$frequency->value}#{$period->ordinal}"));
            if ($i > 0 && $frequency !== Frequency::Number) {
                self::assertSame($axis->period($i - 1)->lastDay() + 1, $period->firstDay());
            }
        }
    }

    #[TestWith(['2024', '2024', '2024'])]
    #[TestWith(['2024-H2', 'second half of 2024', 'H2 2024'])]
    #[TestWith(['2024-Q1', 'Q1 2024', 'Q1 2024'])]
    #[TestWith(['2024-02', 'February 2024', 'Feb 2024'])]
    #[TestWith(['2020-W53', 'week 53 of 2020', 'W53 2020'])]
    #[TestWith(['2024-06-06', '6 June 2024', '6 Jun 2024'])]
    public function testIsSaidAsPeopleSayIt(string $code, string $label, string $short): void
    {
        self::assertSame([$label, $short], [Period::parse($code)->label(), Period::parse($code)->short()]);
    }

    #[TestWith(['2023-W53', 'no week of 2023 53'])]
    #[TestWith(['2023-02-29', 'no day of the month 29'])]
    #[TestWith(['2023-13', 'no month 13'])]
    #[TestWith(['soon', '“soon” is not a period'])]
    public function testWhatDoesNotExistIsRefusedInWords(string $text, string $message): void
    {
        $this->expectException(UnknownPeriod::class);
        $this->expectExceptionMessage($message);
        Period::parse($text);
    }

    /** The calendar against PHP's own, over 400 years with every rule of leap years. */
    public function testTheCalendarAgreesWithPhpsOwn(): void
    {
        for ($day = Calendar::dayNumber(1899, 12, 31); $day < Calendar::dayNumber(2300, 3, 2); $day += 13) {
            $date = (new \DateTimeImmutable('1970-01-01'))->modify("{$day} days");
            [$year, $month, $dayOfMonth] = Calendar::date($day);
            self::assertSame($date->format('Y-n-j'), "{$year}-{$month}-{$dayOfMonth}");
            self::assertSame($day, Calendar::dayNumber($year, $month, $dayOfMonth));
            self::assertSame((int) $date->format('t'), Calendar::daysInMonth($year, $month));
        }
    }

    #[TestWith(['2024-02', Frequency::Year, '2024'])]
    #[TestWith(['2024-02', Frequency::Quarter, '2024-Q1'])]
    #[TestWith(['2024-W01', Frequency::Year, '2024'])]
    #[TestWith(['2020-W53', Frequency::Year, '2020'])]
    #[TestWith(['2024-12-31', Frequency::Week, '2025-W01'])]
    public function testLiesInACoarserPeriod(string $code, Frequency $frequency, string $expected): void
    {
        self::assertSame($expected, Period::parse($code)->in($frequency)->code());
    }

    /** @return iterable<string, array{string, Frequency, string}> */
    public static function stretches(): iterable
    {
        yield 'a year in months' => ['2019', Frequency::Month, '2019-01..2019-12'];
        yield 'quarters in months' => ['2019-Q2..2019-Q3', Frequency::Month, '2019-04..2019-09'];
        yield 'a year of 53 weeks' => ['2020', Frequency::Week, '2020-W01..2020-W53'];
        yield 'a leap month in days' => ['2024-02', Frequency::Day, '2024-02-01..2024-02-29'];
        yield 'months in years' => ['2019-03..2020-02', Frequency::Year, '2019..2020'];
    }

    #[DataProvider('stretches')]
    public function testARangeCoversTheSameTimeAtAnotherFrequency(
        string $range,
        Frequency $frequency,
        string $expected,
    ): void {
        self::assertSame($expected, PeriodRange::parse($range)->at($frequency)->code());
    }

    #[TestWith(['2019-01..2019-12', '2019'])]
    #[TestWith(['2019-03..2020-02', 'Mar 2019 – Feb 2020'])]
    #[TestWith(['2019-03', 'March 2019'])]
    public function testARangeIsSaidShortly(string $range, string $label): void
    {
        self::assertSame($label, PeriodRange::parse($range)->label());
    }

    public function testARangeThatRunsBackwardsIsRefused(): void
    {
        $this->expectExceptionMessage('ends (2018) before it begins (2019)');
        PeriodRange::parse('2019..2018');
    }

    public function testAnAxisFindsThePartOfARangeThatLiesOnIt(): void
    {
        $axis = PeriodAxis::of(Frequency::Month, Period::month(2019, 6)->ordinal, 12);
        self::assertSame([0, 6], $axis->positions(PeriodRange::parse('2019')));
        self::assertSame([3, 3], $axis->positions(PeriodRange::parse('2019-09')));
        self::assertNull($axis->positions(PeriodRange::parse('2021')));
    }

    private const DATED = ['2024', '2024-H2', '2024-Q3', '2024-07', '2024-W05', '2020-W53', '2024-02-29'];

    private const UNDATED = ['March', 'Q1', 'H1', 'week 9', 'week 80', 'Monday', 'Sunday, week 3', '29 February'];

    /** What the program writes it also reads, in every field. */
    public function testEveryPeriodIsReadAsItIsWritten(): void
    {
        foreach ([...self::DATED, ...self::UNDATED] as $code) {
            $period = Period::parse($code);
            foreach ([$period->code(), $period->label(), $period->short()] as $text) {
                self::assertEquals($period, Period::parse($text), $text);
            }
            $more = in_array($code, ["H1", "Q1"], true) ? 1 : 7;
            $range = PeriodRange::between($period, $period->plus($more));
            foreach ([$range->code(), $range->label()] as $text) {
                self::assertEquals($range, PeriodRange::parse($text), $text);
            }
        }
        $undated = ['Jux', '30 February', 'Q5', 'week 0', 'Someday'];
        foreach ([...$undated, '31 Foo 2024', '32 March 2024', 'Q5 2024', 'W54 2024', 'half of 2024'] as $text) {
            try {
                Period::parse($text);
                self::fail("{$text} was read.");
            } catch (UnknownPeriod $problem) {
                self::assertNotSame('', $problem->getMessage());
            }
        }
    }
}
