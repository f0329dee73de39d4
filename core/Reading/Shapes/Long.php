<?php

declare(strict_types=1);

namespace DuskRail\Reading\Shapes;

use DuskRail\Data\Status;
use DuskRail\Reading\Columns;
use DuskRail\Reading\DateColumns;
use DuskRail\Reading\EntityColumns;
use DuskRail\Reading\EntityKeyChooser;
use DuskRail\Reading\MeasureColumns;
use DuskRail\Reading\NotATable;
use DuskRail\Reading\ObservationBuilder;
use DuskRail\Reading\Plan;
use DuskRail\Reading\Role;
use DuskRail\Reading\Table;
use DuskRail\Reading\Vocabulary;
use DuskRail\Time\PeriodNotation;
use DuskRail\Time\PeriodReading;

/** One row for each value, or for all values of an entity and a period. */
class Long extends Shape
{
    public function name(): string
    {
        return 'long';
    }

    public function label(): string
    {
        return 'one row per value';
    }

    public function across(): string
    {
        return 'values';
    }

    public function roles(): array
    {
        return Role::cases();
    }

    public function fits(Table $table): int
    {
        $down = $table->periods()->periodColumn();
        if ($down === null) {
            return 0;
        }
        $texts = $table->texts([$down[0]]);
        $width = count($table->columns);
        if ($texts === []) {
            // One column of values alone is what was measured of one entity.
            if (isset($table->sample->notes()['measure'])) {
                return 20;
            }

            $others = array_values(array_diff($table->columns, [$down[0]]));

            $measures = new MeasureColumns($table);
            $areMeasures = $measures->areMeasures($others);

            $isOfOne = $width === 2 && !$measures->haveBenchmark($others);

            return $isOfOne || $table->comesAgain($down[0]) || $areMeasures ? 65 : 20;
        }

        return count($texts) === $width - 1 ? 20 : 60;
    }

    public function plan(Table $table, bool $asked = false): Plan
    {
        [$period, $periods] = $table->periods()->periodColumn() ?? [
            0,
            PeriodReading::of(PeriodNotation::Year),
        ];
        [$apart, $periods] = self::apart($table, $period, $periods);
        $all = array_values(array_diff($table->columns, [$period, ...$apart]));
        $texts = array_values(array_intersect($all, $table->texts()));
        $unit = $table->named($texts, Vocabulary::UNIT);
        $multiplier = $table->named($all, Vocabulary::MULTIPLIER);
        $status = $table->named($texts, Vocabulary::STATUS);
        $named = array_values(array_filter([$unit, $multiplier, $status], is_int(...)));
        $measure = $table->named(array_values(array_diff($texts, $named)), Vocabulary::MEASURE);
        $named = [...$named, ...array_filter([$measure], is_int(...))];
        $free = array_values(array_diff($texts, $named));
        $dates = self::otherDates($table, $free);
        $free = array_values(array_diff($free, $dates));
        $named = [...$named, ...$dates];
        [$entity, $breakdowns, $about, $groups] = self::noted($table, $all);
        $named = [...$named, ...$about, ...$groups];
        $free = self::telling($table, array_values(array_diff($free, $about, $groups)), [$period, ...$apart]);
        $varied = (new EntityColumns($table))->mostVaried(array_values(array_diff($free, $breakdowns)));
        $entity ??= (new MeasureColumns($table))->entityNamed(array_values(array_diff($all, $named))) ?? $varied;
        if ($entity === null && $table->comesAgain($period)) {
            $entity = (new EntityColumns($table))->numbered($all, [$period]);
        }
        $keys = array_values(array_filter([$period, ...$apart, $measure], is_int(...)));
        $may = array_values(array_diff($all, [...$named, ...$breakdowns, $entity ?? -1]));
        $values = self::figures($table, $may, [...$texts, ...$named, ...$breakdowns], $measure !== null);
        // One column at least stays one of values: the one with the most different ones.
        $others = array_diff(
            $may,
            count($values) === 1 ? $values : [(new EntityColumns($table))->mostVaried($values) ?? -1],
        );
        $entities = array_values(array_filter([$entity, $varied], is_int(...)));
        [$entity, $splitting] = EntityKeyChooser::best(
            $table,
            [...array_values($others), ...$entity === null ? [] : [$entity]],
            $entities,
            [...$keys, ...$breakdowns],
        );
        $described = [...$splitting->about, ...$splitting->breakdowns, $splitting->group ?? -1];
        $values = array_values(array_diff($values, $described));

        return self::planned(
            $table,
            $this->name(),
            Columns::of(
                $values,
                period: $period,
                month: $apart[0] ?? null,
                day: $apart[1] ?? null,
                entity: $entity,
                measure: $measure,
                unit: $unit,
                multiplier: $multiplier,
                status: $status,
                about: [...$about, ...$splitting->about],
                group: $groups[0] ?? $splitting->group,
                breakdown: [...$breakdowns, ...$splitting->breakdowns],
            ),
            $periods,
        );
    }

    /**
     * Texts that may tell values of one period apart; if no period comes twice, none does.
     *
     * @param list<int> $texts
     * @param list<int> $periods
     * @return list<int>
     */
    private static function telling(Table $table, array $texts, array $periods): array
    {
        return $table->repeats($periods) === 0 && $table->rowCount() > 3 ? [] : $texts;
    }

    /**
     * Columns that say the period once more in another way.
     *
     * @param list<int> $columns
     * @return list<int>
     */
    private static function otherDates(Table $table, array $columns): array
    {
        return array_values(
            array_filter(
                $columns,
                static fn(int $c): bool => preg_match(Vocabulary::PERIOD, $table->words($c)) === 1 &&
                    PeriodReading::detect($table->different($c)) !== null,
            ),
        );
    }

    /**
     * The columns of the entity and of breakdowns where remarks above the table name them, as this program writes them.
     *
     * @param list<int> $among
     * @return array{int|null, list<int>, list<int>, list<int>} entity, breakdowns, attributes, the group of entities
     */
    private static function noted(Table $table, array $among): array
    {
        $notes = $table->sample->notes();
        $entity = null;
        $breakdowns = $about = $groups = [];
        foreach ($notes === [] ? [] : $among as $column) {
            $name = $table->name($column);
            if (($notes['entity'] ?? '') === $name && $entity === null) {
                $entity = $column;
            } elseif (isset($notes["breakdown {$name}"])) {
                $breakdowns[] = $column;
            } elseif (($notes["attribute {$name}"] ?? '') === 'group') {
                $groups[] = $column;
            } elseif (isset($notes["attribute {$name}"])) {
                $about[] = $column;
            }
        }

        return [$entity, $breakdowns, $about, $groups];
    }

    public function explain(Plan $plan, Table $table): array
    {
        return [...self::explainPeriods($plan, $table), ...self::explainKeys($plan, $table)];
    }

    /**
     * The columns of a part of the year and a day beside a year that is by itself, and how the period reads with them.
     *
     * @return array{list<int>, PeriodReading}
     */
    protected static function apart(Table $table, int $period, PeriodReading $periods): array
    {
        $parts = $periods->notation === PeriodNotation::Year ? (new DateColumns($table))->partsOfDate($period) : null;

        return $parts === null
            ? [[], $periods]
            : [
                array_values(array_filter($parts, is_int(...))),
                PeriodReading::of($parts[1] === null ? $parts[2]->notation() : PeriodNotation::YearFirst),
            ];
    }

    /**
     * @param list<int> $may
     * @param list<int> $texts
     * @return list<int>
     */
    private static function figures(Table $table, array $may, array $texts, bool $single): array
    {
        $values = array_values(array_diff($may, $texts));
        $observed = $table->named($values, Vocabulary::VALUE);
        if ($observed !== null && ($single || !self::hasAmounts($table, array_diff($values, [$observed])))) {
            return [$observed];
        }

        return match (true) {
            $values === [] => array_slice($may, -1),
            $single => array_slice($values, -1),
            default => $values,
        };
    }

    /**
     * Whether some column holds what was measured and no code: numbers with decimals, most of them different.
     *
     * @param array<int, int> $columns
     */
    private static function hasAmounts(Table $table, array $columns): bool
    {
        foreach ($columns as $column) {
            $cells = $table->different($column);
            $decimal = preg_grep('/^[-−]?\d+[.,]\d+$/u', $cells) ?: [];
            $isAside = preg_match(Vocabulary::ASIDE, $table->words($column)) === 1;
            if (!$isAside && count($decimal) >= 2 && count($cells) * 2 > count($table->rows)) {
                return true;
            }
        }

        return false;
    }

    public function row(ObservationBuilder $builder, int $number, array $row): void
    {
        $columns = $builder->plan->columns;
        $ordinal = $this->when($builder, $number, $row);
        if ($ordinal === null) {
            return;
        }
        $subject = $builder->subjects->ofRow($number, $row);
        if ($subject === null) {
            return;
        }
        $said = $columns->status === null ? 0 : Status::fromMark($row[$columns->status] ?? '')->value;
        $status = $said === 0 ? $builder->periods->statusOfCell($row[$columns->period ?? 0] ?? '') : $said;
        $isCode = $builder->plan->periods->notation === PeriodNotation::Code;
        foreach ($columns->values as $column) {
            if (!isset($row[$column])) {
                $builder->short($number, $column);
                continue;
            }
            $measure = $builder->measures->ofCell($number, $column, $row);
            if (
                $measure !== null &&
                (!$isCode || $builder->measures->hasFrequencyOf($number, $measure, $row[$columns->period ?? 0] ?? ''))
            ) {
                $place = self::place($number, $column);
                $builder->cells->put($place, $row[$column], $measure, $subject, $ordinal, $status);
            }
        }
        $builder->plainRows->learn();
    }

    /** @param list<string> $row */
    protected function when(ObservationBuilder $builder, int $number, array $row): ?int
    {
        $column = $builder->plan->columns->period;
        if ($column === null) {
            throw NotATable::because(
                'No period column is chosen.',
                'Choose the column with the dates, or change the table layout.',
            );
        }
        $text = $builder->plan->columns->month === null ? $row[$column] ?? '' : $builder->periods->joined($row);

        return $builder->periods->ofCell($number, $column, $text);
    }
}
