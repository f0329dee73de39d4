<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Time\PeriodNotation;

/** What a column beside one of years may hold: the month, quarter, half or week; common practice, no source. */
enum YearPart
{
    case Month;
    case Quarter;
    case HalfYear;
    case Week;

    /** What a column of it is called. */
    public function heading(): string
    {
        return match ($this) {
            self::Month => '/\b(month|monat|mois|mes|mese|maand|måned|miesiąc|mth)\b/iu',
            self::Quarter => '/\b(quarter|qtr|quartal|trimestre|trim|kwartaal|kvartal|kwartał|q)\b/iu',
            self::HalfYear => '/\b(half|half[- ]?year|semester|semestre|halbjahr|halvår)\b/iu',
            self::Week => '/\b(week|woche|semaine|semana|settimana|uge|uke|vecka|wk|kw)\b/iu',
        };
    }

    /** How the period is read once it is put together with its year. */
    public function notation(): PeriodNotation
    {
        return match ($this) {
            self::Month => PeriodNotation::MonthNumber,
            self::Quarter => PeriodNotation::Quarter,
            self::HalfYear => PeriodNotation::HalfYear,
            self::Week => PeriodNotation::Week,
        };
    }

    public static function of(PeriodNotation $notation): self
    {
        return match ($notation) {
            PeriodNotation::Quarter => self::Quarter,
            PeriodNotation::HalfYear => self::HalfYear,
            PeriodNotation::Week => self::Week,
            default => self::Month,
        };
    }

    /** Its number in the year; null where the text names none. */
    public function number(string $text): ?int
    {
        $text = mb_strtolower(trim($text));
        $roman = array_search($text, ['', 'i', 'ii', 'iii', 'iv'], true);
        [$before, $after, $most] = match ($this) {
            self::Month => ['m', '', 12],
            self::Quarter => ['q|qtr|quarter|quartal|t|trim\.?|trimestre|kw\.?', 'q|qtr|quarter|quartal|trimestre', 4],
            self::HalfYear => ['h|s|half|semester|semestre', 'half|h|semester|semestre|halbjahr|half[- ]?year', 2],
            self::Week => ['w|wk|kw|week|woche|s|v|u', 'week|woche', 53],
        };
        $pattern = "/^(?:{$before})?[ .]?0?(\d{1,2})(?:\.|st|nd|rd|th)?[ ]?(?:{$after})?$/u";
        $number = match (true) {
            preg_match($pattern, $text, $m) === 1 => (int) $m[1],
            $this === self::Month => PeriodNotation::monthOfYear($text),
            is_int($roman) && $roman > 0 => $roman,
            $text === 'first', $text === 'second' => $text === 'first' ? 1 : 2,
            default => null,
        };

        return $number !== null && $number >= 1 && $number <= $most ? $number : null;
    }

    /** As the second half of a period's code: `03`, `Q1`, `H2`, `W05`. */
    public function code(int $number): string
    {
        return match ($this) {
            self::Month => sprintf('%02d', $number),
            self::Quarter => "Q{$number}",
            self::HalfYear => "H{$number}",
            self::Week => sprintf('W%02d', $number),
        };
    }

    /**
     * What a column holds: by its heading and all its cells, or by cells that say it themselves, as `Q1` and `M03`.
     *
     * @param list<string> $cells that are different
     */
    public static function in(string $heading, array $cells): ?self
    {
        foreach ($cells === [] ? [] : self::cases() as $part) {
            $isNamed = preg_match($part->heading(), $heading) === 1;
            $letters = match ($part) {
                self::Month => '/^M\d\d$/',
                self::Quarter => '/^(Q|T)0?[1-4]$/i',
                self::HalfYear => '/^(H|S)0?[12]$/i',
                self::Week => '/^(W|KW) ?\d\d?$/i',
            };
            $saysSo = count($cells) > 1 && preg_grep($letters, $cells) === $cells;
            $all = array_filter($cells, static fn(string $c): bool => $part->number($c) === null) === [];
            if ($all && ($isNamed || $saysSo)) {
                return $part;
            }
        }

        return null;
    }
}
