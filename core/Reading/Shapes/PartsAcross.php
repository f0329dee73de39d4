<?php

declare(strict_types=1);

namespace DuskRail\Reading\Shapes;

use DuskRail\Reading\ObservationBuilder;
use DuskRail\Reading\Plan;
use DuskRail\Reading\Role;
use DuskRail\Reading\Table;
use DuskRail\Time\Frequency;
use DuskRail\Time\MonthNames;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodNotation;
use DuskRail\Time\PeriodReading;
use DuskRail\Time\YearPart;

/** Parts of a year, or of a week, across and those down: January to December in the headings, a year in each row. */
abstract class PartsAcross extends PeriodsAcross
{
    abstract protected function part(): YearPart;

    public function across(): string
    {
        return 'part of the year';
    }

    public function swapped(): string
    {
        return '';
    }

    public function frequency(Plan $plan): Frequency
    {
        return $this->part()->notation()->frequency();
    }

    public function hasPartsOfYears(): bool
    {
        return true;
    }

    public function roles(): array
    {
        return [Role::Period, ...parent::roles()];
    }

    public function fits(Table $table): int
    {
        // Nearly all numbers are in such columns: two months among ten measures are something else.
        $columns = $this->partColumns($table);
        if (count($columns) < 2) {
            return 0;
        }
        $year = $this->wholes($table)[0] ?? null;
        $others = array_filter(
            array_diff($table->columns, [$year ?? -1, ...$columns]),
            static fn(int $c): bool => $table->isNumeric($c),
        );

        return $year !== null && count($others) <= 1 ? 98 : 0;
    }

    public function plan(Table $table, bool $asked = false): Plan
    {
        $columns = $this->partColumns($table);
        [$year, $periods] = $this->wholes($table) ?? [
            $table->columns[0] ?? 0,
            PeriodReading::of(PeriodNotation::Year),
        ];
        // A sum or a mean of the parts is none of them.
        $labels = array_values(array_diff($table->texts(), [$year, ...$columns]));
        $plan = $this->labelled($table, $labels, $columns, $periods);

        return $plan->with(['roles' => [$year => Role::Period->value]]);
    }

    public function explain(Plan $plan, Table $table): array
    {
        $columns = $plan->columns->values;
        [$first, $last] = [$table->name($columns[0] ?? 0), $table->name($columns[count($columns) - 1] ?? 0)];

        return [
            count($columns) . " column headers are {$this->part()->plural()}, {$first} to {$last}",
            "“{$table->name($plan->columns->period ?? 0)}” contains what they are of",
            ...self::explainKeys($plan, $table),
            ...$plan->periods->notation === PeriodNotation::FiscalYear &&
            $this->part() === YearPart::Quarter &&
            !str_contains($first, '(')
                ? ['Q1 is read as April to June; headers such as “Q1 (Jul-Sep)” say otherwise']
                : [],
        ];
    }

    public function row(ObservationBuilder $builder, int $number, array $row): void
    {
        $columns = $builder->plan->columns;
        $period = $columns->period ?? 0;
        $year = $builder->periods->ofCell($number, $period, $row[$period] ?? '');
        $subject = $year === null ? null : $builder->subjects->ofRow($number, $row);
        $measure = $subject === null ? null : $builder->measures->ofRow($number, $row);
        if ($year === null || $subject === null || $measure === null) {
            return;
        }
        foreach ($columns->values as $column) {
            $ordinal = $this->ordinal($builder, $year, $builder->headings->text($column));
            $this->putPart($builder, [$number, $column], $row, [$measure, $subject, $ordinal]);
        }
    }

    /**
     * The period that a heading names; null where there is none, as a 53rd week of most years.
     *
     * @param int $whole ordinal of the year, or the week, that a row is of
     */
    protected function ordinal(ObservationBuilder $builder, int $whole, string $heading): ?int
    {
        $part = $this->part()->number($heading);
        if ($part !== null && $builder->plan->periods->notation === PeriodNotation::FiscalYear) {
            $first = $builder->headings->text($builder->plan->columns->values[0] ?? 0);

            return $this->part()->ofFiscalYear($whole, $part, $this->begins($first))->ordinal;
        }

        return $part === null ? null : $this->part()->inYear($whole, $part);
    }

    /** @return list<int> */
    private function partColumns(Table $table): array
    {
        $part = $this->part();
        $columns = $numbers = [];
        foreach ($table->heading === null ? [] : $table->columns as $column) {
            $text = $table->sample->cell((int) $table->heading, $column);
            $number = preg_match('/\p{L}/u', $text) === 1 ? $part->number($text) : null;
            if ($number !== null && !in_array($number, $numbers, true)) {
                $columns[] = $column;
                $numbers[] = $number;
            }
        }

        return $columns;
    }

    /** @return array{int, PeriodReading}|null the column of what the parts are of, and how it is read */
    protected function wholes(Table $table): ?array
    {
        $found = $table->periods()->periodColumn();

        return match ($found[1]->notation ?? null) {
            PeriodNotation::Year => $found,
            // Months and quarters of a year that begins within another are known by the first of them.
            PeriodNotation::FiscalYear => in_array($this->part(), [YearPart::Month, YearPart::Quarter], true) &&
                $this->begins($table->name($this->partColumns($table)[0] ?? 0)) > 1
                ? $found
                : null,
            default => null,
        };
    }

    /** The month in which a fiscal year begins, by the heading of its first part: of quarters without months April. */
    private function begins(string $first): int
    {
        $named = preg_match('/\((\p{L}+)/u', $first, $m) === 1 ? MonthNames::number($m[1]) : null;

        return match (true) {
            $this->part() !== YearPart::Quarter => $this->part()->number($first) ?? 1,
            $this->part()->number($first) !== 1 => 1,
            default => $named ?? 4,
        };
    }
}
