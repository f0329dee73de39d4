<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Time\Frequency;
use DuskRail\Time\MonthNames;
use DuskRail\Time\PeriodNotation;
use DuskRail\Time\PeriodReading;
use DuskRail\Time\YearPart;

/** Columns of a table that are dates in parts, or times of day beside dates. */
final readonly class DateColumns
{
    public function __construct(private Table $table) {}

    /**
     * A column of times of day, or of their numbers, beside one of dates.
     *
     * @param list<int> $columns
     */
    public function timeColumn(array $columns): ?int
    {
        foreach ($this->table->heading === null ? [] : $columns as $column) {
            $words = $this->table->words($column);
            $cells = preg_match(Vocabulary::TIME_OF_DAY, $words) === 1 ? $this->table->different($column) : [];
            $clock =
                preg_grep('/^\d{1,2}([:.]\d{2}){1,2}( ?[ap]\.?m\.?)?( ?[-–] ?\d{1,2}([:.]\d{2}){1,2})?$/iu', $cells) ?:
                [];
            // Hours are numbers of them in the plural: those that somebody has worked.
            $numbers = preg_grep('/hours|^time|^clock|zeit|tijd/i', [$words]) ? [] : $cells;
            $hours = array_filter($numbers, static fn(string $c): bool => ctype_digit($c) && (int) $c <= 50);
            $are = count($cells) > 1 && max(count($clock), count($hours)) === count($cells);
            if ($are && $this->haveDates(array_values(array_diff($columns, [$column])))) {
                return $column;
            }
        }

        return null;
    }

    /**
     * Whether days are in one of these columns, or a year, a month and a day in three.
     *
     * @param list<int> $columns
     */
    private function haveDates(array $columns): bool
    {
        foreach ($columns as $column) {
            $periods = PeriodReading::detect($this->table->different($column));
            if (
                $periods?->notation->frequency() === Frequency::Day ||
                ($periods?->notation === PeriodNotation::Year &&
                    ($this->partsOfDate($column, $columns)[1] ?? null) !== null)
            ) {
                return true;
            }
        }

        return false;
    }

    /** Whether the dates in a column are of several times of the same day. */
    public function hasTimes(int $column): bool
    {
        $texts = array_slice($this->table->different($column), 0, 60);
        $days = array_map(
            static fn(string $t): string => substr($t, 0, -strlen(PeriodNotation::timeOf($t)) ?: null),
            $texts,
        );

        return $this->table->time !== null || count(array_unique($days)) < count($texts);
    }

    /**
     * How many rows share their entity and day with another one, and whether they are readings by the clock: at the
     * same times of nearly every day.
     *
     * @return array{int, bool}
     */
    public function daysShared(int $column, PeriodReading $periods, ?int $entity): array
    {
        $ordinals = array_map(
            $periods->read(...),
            array_combine($this->table->different($column), $this->table->different($column)),
        );
        $days = $times = [];
        foreach ($this->table->cells($column) as $i => $text) {
            $of = $entity === null ? '' : $this->table->cells($entity)[$i];
            $days["{$of}\t" . ($ordinals[$text] ?? $text)] = true;
            $time = $this->table->time;
            $times[$time === null ? PeriodNotation::timeOf($text) : $this->table->cells($time)[$i]] = true;
        }
        $rows = count($this->table->rows);

        return [$rows - count($days), count($times) > 1 && $rows >= 0.8 * count($days) * count($times)];
    }

    /** The column that names only parts of a year, beside their sums and means. */
    public function partColumn(YearPart $part): ?int
    {
        foreach ($this->table->columns as $column) {
            $heading = $this->table->words($column);
            // The sum of the months is none of them.
            $cells = array_values(array_filter(
                Table::some($this->table->different($column), 60),
                static fn(string $c): bool => Vocabulary::benchmark($c) === null && !Vocabulary::isWholeYear($c),
            ));
            $months = array_filter($cells, static fn(string $c): bool => MonthNames::number($c) !== null);
            $areMonths = count($months) >= 2 && count($months) >= 0.8 * count($cells);
            // `S1` and `W1` are sites and wells unless the heading says more.
            $saysSo = $heading === '' || preg_match($part->heading(), $heading) === 1;
            $is = $areMonths ? YearPart::Month : ($saysSo ? YearPart::in($heading, $cells) : null);
            if ($is === $part && count($cells) >= 2) {
                return $column;
            }
        }

        return null;
    }

    /**
     * Where a year is by itself: the columns of its part and, of a month, of its day, and what part it is.
     *
     * @param list<int>|null $among columns; null for all
     * @return array{int, int|null, YearPart}|null
     */
    public function partsOfDate(int $year, ?array $among = null): ?array
    {
        $among = array_values(array_diff($among ?? $this->table->columns, [$year]));
        foreach ($this->table->heading === null ? [] : YearPart::ofYear() as $part) {
            foreach ($among as $column) {
                if (YearPart::in($this->table->words($column), $this->table->different($column)) === $part) {
                    $others = array_values(array_diff($among, [$column]));

                    return [$column, $part === YearPart::Month ? $this->daysColumn($others) : null, $part];
                }
            }
        }

        return $this->unnamedPart($year, $among);
    }

    /**
     * A column without a heading right after the years that goes through the months or the quarters, over and over.
     *
     * @param list<int> $among
     * @return array{int, null, YearPart}|null
     */
    private function unnamedPart(int $year, array $among): ?array
    {
        $column = $year + 1;
        $heading = $this->table->heading;
        $isUnnamed = $heading === null || $this->table->sample->cell($heading, $column) === '';
        if (!in_array($column, $among, true) || !$isUnnamed) {
            return null;
        }
        $cells = $this->table->cells($column);
        foreach ([[YearPart::Month, 12], [YearPart::Quarter, 4]] as [$part, $most]) {
            $follow = 0;
            foreach (array_slice($cells, 1) as $i => $cell) {
                $follow += $cell === (string) (((int) $cells[$i]) % $most + 1) ? 1 : 0;
            }
            if (count($cells) > 3 && $follow >= 0.95 * (count($cells) - 1)) {
                return [$column, null, $part];
            }
        }

        return null;
    }

    /** @param list<int> $among */
    private function daysColumn(array $among): ?int
    {
        foreach ($among as $column) {
            $cells = $this->table->different($column);
            $isDay = static fn(string $c): bool => preg_match('/^(0?[1-9]|[12]\d|3[01])$/', $c) === 1;
            $isNamed = preg_match('/\b(day|tag|jour|día|giorno|dag)\b/iu', $this->table->words($column)) === 1;
            if ($isNamed && $cells !== [] && array_filter($cells, $isDay) === $cells) {
                return $column;
            }
        }

        return null;
    }
}
