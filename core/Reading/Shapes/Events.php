<?php

declare(strict_types=1);

namespace DuskRail\Reading\Shapes;

use DuskRail\Reading\Columns;
use DuskRail\Reading\DateColumns;
use DuskRail\Reading\Duplicates;
use DuskRail\Reading\EntityColumns;
use DuskRail\Reading\EventSummary;
use DuskRail\Reading\MeasureColumns;
use DuskRail\Reading\ObservationBuilder;
use DuskRail\Reading\Plan;
use DuskRail\Reading\Role;
use DuskRail\Reading\Table;
use DuskRail\Reading\Vocabulary;
use DuskRail\Time\Frequency;
use DuskRail\Time\PeriodNotation;
use DuskRail\Time\PeriodReading;

/** One row for each thing that happened; values are made of how many there were and of what is beside them. */
final class Events extends Long
{
    /** Combinations of categories from which on rows may be rare among all their days. */
    private const COMBINATIONS = 50;

    /** Days for each row that make it rare. */
    private const RARE = 20;

    /** Rows that a column of numbers must count to be no value. */
    private const SERIAL = 20;

    /** Numbers for each row that may be left out. */
    private const APART = 3;

    public function name(): string
    {
        return 'events';
    }

    public function label(): string
    {
        return 'one row per event';
    }

    public function roles(): array
    {
        return [Role::Entity, Role::Period, Role::Month, Role::Day, Role::Figures, Role::Out];
    }

    public function fits(Table $table): int
    {
        $down = $table->periods()->periodColumn();

        return $down === null || $table->texts([$down[0]]) === [] || self::evidence($table, $down) === '' ? 0 : 75;
    }

    /**
     * Why rows are things that happened rather than values; nothing where they are values.
     *
     * @param array{int, PeriodReading} $down
     */
    private static function evidence(Table $table, array $down): string
    {
        $isOfDays = $down[1]->notation->frequency() === Frequency::Day;
        if (!$isOfDays || $table->named($table->columns, Vocabulary::MEASURE) !== null) {
            return '';
        }
        $columns = array_values(array_diff($table->columns, [$down[0]]));
        $texts = $table->texts([$down[0]]);
        $entity = (new MeasureColumns($table))->entityNamed($columns);
        $entity ??= (new EntityColumns($table))->mostVaried($texts);
        [$again, $byTheClock] = (new DateColumns($table))->daysShared($down[0], $down[1], $entity);
        // What is at any time of the day happened then, whatever it is split by.
        $any = (new DateColumns($table))->hasTimes($down[0]) && !$byTheClock;
        $isRare = $any ? null : self::areRare($table, $entity, $down[0]);
        $id = self::identifier($table, $columns);
        if ($isRare === false) {
            return '';
        }
        if ($id !== null) {
            return "“{$table->name($id)}” is different in each row (event number)";
        }
        if ($entity !== null && $texts === $columns && $table->comesAgain($entity)) {
            return 'each row has a date, and no column contains values';
        }
        if ($isRare === true) {
            return 'what the columns tell apart has a row on few of the days';
        }
        $rows = $table->rowCount();

        return !$byTheClock && $again >= 2 && $again >= 0.15 * $rows
            ? "{$again} of {$rows} rows share their entity and day with another row"
            : '';
    }

    /**
     * Whether what columns tell apart has a row on few of the days, as things that happen and not as what is measured;
     * null where nothing but the entity tells rows apart.
     */
    private static function areRare(Table $table, ?int $entity, int $period): ?bool
    {
        $split = (new Long())->plan($table)->columns->breakdowns;
        $rows = $table->rowCount();
        $combinations = $rows - $table->repeats([...$split, ...array_filter([$entity], is_int(...))]);

        return $split === []
            ? null
            : $combinations >= self::COMBINATIONS &&
                    $combinations * count($table->different($period)) > self::RARE * $rows;
    }

    /** Whether a column counts the rows, or nearly: whole numbers, each once, not far from each other. */
    private static function isSerial(Table $table, int $column): bool
    {
        $cells = $table->different($column);
        $whole = array_filter($cells, static fn(string $c): bool => preg_match('/^\d{1,12}$/', $c) === 1);
        $rows = $table->rowCount();

        return $rows >= self::SERIAL &&
            count($whole) === $rows &&
            count($cells) === $rows &&
            (int) max($whole) - (int) min($whole) <= self::APART * $rows;
    }

    /** @param list<int> $among */
    private static function identifier(Table $table, array $among): ?int
    {
        foreach ($among as $column) {
            if (self::isSerial($table, $column)) {
                return $column;
            }
            $filled = count(array_filter($table->cells($column), static fn(string $c): bool => $c !== ''));
            if (
                preg_match(Vocabulary::ID, $table->words($column)) === 1 &&
                $filled >= 3 &&
                count($table->different($column)) >= 0.7 * $filled
            ) {
                return $column;
            }
        }

        return null;
    }

    public function plan(Table $table, bool $asked = false): Plan
    {
        [$period, $periods] = $table->periods()->periodColumn() ?? [
            0,
            PeriodReading::of(PeriodNotation::YearFirst),
        ];
        [$apart, $joined] = self::apart($table, $period, $periods);
        $columns = array_values(array_diff($table->columns, [$period, ...$apart]));
        $id = self::identifier($table, $columns);
        $texts = array_values(array_diff($table->texts([$period, ...$apart]), [$id]));
        $entity = (new MeasureColumns($table))->entityNamed($texts) ?? (new EntityColumns($table))->mostVaried($texts);
        $aggregations = [];
        foreach (array_diff($columns, [$entity]) as $column) {
            $aggregations[$column] = match (true) {
                $column === $id => EventSummary::Different,
                in_array($column, $texts, true) => EventSummary::Out,
                default => EventSummary::Sum,
            };
        }
        $monthly =
            $joined->notation->frequency() === Frequency::Day
                ? PeriodReading::of($joined->notation, Frequency::Month)
                : $joined;
        $plan = self::planned(
            $table,
            $this->name(),
            Columns::of(
                array_keys(
                    array_filter($aggregations, static fn(EventSummary $way): bool => $way !== EventSummary::Out),
                ),
                entity: $entity,
                period: $period,
                month: $apart[0] ?? null,
                day: $apart[1] ?? null,
            ),
            $monthly,
        );

        return $plan->with([
            'ways' => array_map(static fn(EventSummary $way): string => $way->value, $aggregations),
            'duplicates' => Duplicates::Ask->value,
        ]);
    }

    public function explain(Plan $plan, Table $table): array
    {
        $down = $table->periods()->periodColumn();

        return [
            ...array_filter([$down === null ? '' : self::evidence($table, $down)]),
            ...self::explainPeriods($plan, $table),
            'periods without events count as 0',
        ];
    }

    public function row(ObservationBuilder $builder, int $number, array $row): void
    {
        $plan = $builder->plan;
        $ordinal = $this->when($builder, $number, $row);
        $entity = $builder->subjects->ofRow($number, $row);
        if ($ordinal === null || $entity === null) {
            return;
        }
        $builder->events->happened($entity, $ordinal, self::place($number, $plan->columns->period ?? 0));
        foreach ($plan->events->aggregations as $column => $way) {
            $text = trim($row[$column] ?? '');
            if ($way === EventSummary::Out || ($way === EventSummary::Different && $text === '')) {
                continue;
            }
            $cell = $way === EventSummary::Different ? $text : $builder->cells->figure($number, $column, $text)?->value;
            if ($cell !== null) {
                $builder->events->add($column, $entity, $ordinal, $cell);
            }
        }
    }

    public function isOfFigures(): bool
    {
        return false;
    }

    public function end(ObservationBuilder $builder): void
    {
        $builder->cells->takeEvents($builder->events);
    }
}
