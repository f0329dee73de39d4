<?php

declare(strict_types=1);

namespace DuskRail\Time;

/**
 * Periods that name their place in a year or a week and no year: March, Q2, week 5, Monday. They are kept as periods of
 * years that no data are of, so that they have their order, their lengths and their seasons, and are written without
 * the year.
 */
final class Undated
{
    /** Of months, quarters, halves and dates: a leap year, so that 29 February has its place. */
    private const YEAR = 9996;

    /** Of weeks and weekdays, which are counted on from a year that begins on a Monday. */
    private const WEEKS = 9990;

    private const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

    /** What a whole year of them is called. */
    private const WHOLE = 'the year';

    public static function month(int $month): Period
    {
        return Period::month(self::YEAR, $month);
    }

    public static function quarter(int $quarter): Period
    {
        return Period::quarter(self::YEAR, $quarter);
    }

    public static function halfYear(int $half): Period
    {
        return Period::halfYear(self::YEAR, $half);
    }

    /** @param int $week from 1 on; there may be more than a year has */
    public static function week(int $week): Period
    {
        return Period::week(self::WEEKS, 1)->plus($week - 1);
    }

    /** @param int $weekday 1 for Monday */
    public static function weekday(int $weekday, int $week = 1): Period
    {
        return Period::at(Frequency::Day, Period::week(self::WEEKS, 1)->firstDay() + 7 * ($week - 1) + $weekday - 1);
    }

    public static function day(int $month, int $day): Period
    {
        return Period::day(self::YEAR, $month, $day);
    }

    public static function holds(Period $period): bool
    {
        return $period->frequency !== Frequency::Number &&
            $period->ordinal >= self::first($period->frequency) &&
            $period->yearNumber() >= self::WEEKS;
    }

    /** The number from which on periods of a frequency have no year. */
    private static function first(Frequency $frequency): int
    {
        /** @var array<string, int> $first */
        static $first = [];

        $first[$frequency->value] ??= Period::holding($frequency, Calendar::dayNumber(self::WEEKS, 1, 1))->ordinal;

        return $first[$frequency->value];
    }

    /** Whether it is a week or a weekday, which are counted and belong to no month. */
    public static function isCounted(Period $period): bool
    {
        return self::holds($period) &&
            in_array($period->frequency, [Frequency::Week, Frequency::Day], true) &&
            $period->yearNumber() < self::YEAR;
    }

    /** In words, and as code(); `Mar` and `W5` where it is to be short. */
    public static function label(Period $period, bool $isShort): string
    {
        return match ($period->frequency) {
            Frequency::Month => self::monthName($period->ordinal % 12 + 1, $isShort),
            Frequency::Quarter => 'Q' . ($period->ordinal % 4 + 1),
            Frequency::HalfYear => 'H' . ($period->ordinal % 2 + 1),
            Frequency::Week => ($isShort ? 'W' : 'week ') . self::weekNumber($period),
            Frequency::Day => self::dayLabel($period, $isShort),
            default => self::WHOLE,
        };
    }

    private static function monthName(int $month, bool $isShort): string
    {
        $name = explode(' ', Period::month(2000, $month)->label())[0];

        return $isShort ? substr($name, 0, 3) : $name;
    }

    private static function weekNumber(Period $period): int
    {
        return $period->in(Frequency::Week)->ordinal - self::week(1)->ordinal + 1;
    }

    private static function dayLabel(Period $period, bool $isShort): string
    {
        [$year, $month, $day] = Calendar::date($period->ordinal);
        if ($year >= self::YEAR) {
            return "{$day} " . self::monthName($month, $isShort);
        }
        $week = self::weekNumber($period);
        $name = self::WEEKDAYS[self::weekdayOf($period) - 1];

        $name = $isShort ? substr($name, 0, 3) : $name;

        return $name . ($week === 1 ? '' : ($isShort ? " W{$week}" : ", week {$week}"));
    }

    private static function weekdayOf(Period $day): int
    {
        return $day->ordinal - $day->in(Frequency::Week)->firstDay() + 1;
    }

    /** Reads what label() writes, in any letters; null where it is none of them. */
    public static function parse(string $text): ?Period
    {
        $text = trim($text);
        $weekdays = implode('|', array_map(static fn(string $day): string => substr($day, 0, 3), self::WEEKDAYS));

        return match (true) {
            preg_match('/^q([1-4])$/i', $text, $m) === 1 => self::quarter((int) $m[1]),
            preg_match('/^h([12])$/i', $text, $m) === 1 => self::halfYear((int) $m[1]),
            preg_match('/^(?:w|week )(\d{1,3})$/i', $text, $m) === 1 && (int) $m[1] > 0 => self::week((int) $m[1]),
            preg_match("/^({$weekdays})(?:[a-z]*day)?(?:,? w(?:eek )?(\\d+))?$/i", $text, $m) === 1 => self::weekday(
                intdiv((int) stripos($weekdays, $m[1]), 4) + 1,
                max(1, (int) ($m[2] ?? 1)),
            ),
            preg_match('/^(\d{1,2}) (\p{L}+)$/u', $text, $m) === 1 && self::monthNamed($m[2]) !== null => self::day(
                self::monthNamed($m[2]),
                (int) $m[1],
            ),
            strtolower($text) === self::WHOLE => Period::year(self::YEAR),
            self::monthNamed($text) !== null => self::month(self::monthNamed($text)),
            default => null,
        };
    }

    private static function monthNamed(string $text): ?int
    {
        for ($month = 1; $month <= 12; $month++) {
            $names = [self::monthName($month, false), self::monthName($month, true)];
            if (in_array(ucfirst(strtolower($text)), $names, true)) {
                return $month;
            }
        }

        return null;
    }

    /**
     * The same place in a year.
     *
     * @throws UnknownPeriod where the year has none, as a week 53 or a 29 February
     */
    public static function in(int $year, Period $period): Period
    {
        [, $month, $day] = Calendar::date($period->firstDay());

        return match ($period->frequency) {
            Frequency::Month => Period::month($year, $month),
            Frequency::Quarter => Period::quarter($year, $period->ordinal % 4 + 1),
            Frequency::HalfYear => Period::halfYear($year, $period->ordinal % 2 + 1),
            Frequency::Week => Period::week($year, self::weekNumber($period)),
            Frequency::Day => $period->yearNumber() >= self::YEAR
                ? Period::day($year, $month, $day)
                : Period::at(
                    Frequency::Day,
                    Period::week($year, self::weekNumber($period))->firstDay() + self::weekdayOf($period) - 1,
                ),
            default => Period::year($year),
        };
    }
}
