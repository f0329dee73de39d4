<?php

declare(strict_types=1);

namespace DuskRail\Reading\Shapes;

use DuskRail\Reading\DateColumns;
use DuskRail\Reading\ObservationBuilder;
use DuskRail\Reading\Plan;
use DuskRail\Reading\Problem;
use DuskRail\Reading\Role;
use DuskRail\Reading\Table;
use DuskRail\Reading\Vocabulary;
use DuskRail\Time\Frequency;
use DuskRail\Time\PeriodNotation;
use DuskRail\Time\PeriodReading;
use DuskRail\Time\YearPart;

/** Parts of the year down and years across: a period is in the header of its column and the label of its row. */
abstract class PartsDown extends PeriodsAcross
{
    abstract protected function part(): YearPart;

    public function name(): string
    {
        return "years-across-{$this->part()->plural()}";
    }

    public function label(): string
    {
        return "years in columns, {$this->part()->plural()} in rows";
    }

    public function across(): string
    {
        return 'period';
    }

    public function swapped(): string
    {
        return '';
    }

    public function hasPartsOfYears(): bool
    {
        return true;
    }

    public function roles(): array
    {
        return [Role::Period, ...parent::roles()];
    }

    public function frequency(Plan $plan): Frequency
    {
        return $this->part()->frequency();
    }

    public function fits(Table $table): int
    {
        $across = $table->periods()->periodsAcross();

        return $across !== null &&
            count($across[0]) >= 2 &&
            $across[1]->notation === PeriodNotation::Year &&
            (new DateColumns($table))->partColumn($this->part()) !== null
            ? 98
            : 0;
    }

    public function plan(Table $table, bool $asked = false): Plan
    {
        [$columns, $periods] = $table->periods()->periodsAcross() ?? [
            array_slice($table->columns, 1),
            PeriodReading::of(PeriodNotation::Year),
        ];
        $part = (new DateColumns($table))->partColumn($this->part()) ?? 0;
        $labels = array_values(array_diff($table->texts(), [$part, ...$columns]));
        $plan = $this->labelled($table, $labels, $columns, $periods)->with(['roles' => [$part => Role::Period->value]]);
        $corner = $table->heading === null ? '' : $table->sample->cell($table->heading, $part);

        // What is in the corner is what is counted, unless it only says “month”.
        return $labels !== [] ||
            $corner === '' ||
            preg_match(Vocabulary::PERIOD, $corner) === 1 ||
            preg_match($this->part()->heading(), $corner) === 1
            ? $plan
            : $plan->with(['measureName' => $corner]);
    }

    public function explain(Plan $plan, Table $table): array
    {
        return [
            count($plan->columns->values) . ' column headers are years',
            "“{$table->name($plan->columns->period ?? 0)}” contains {$this->part()->plural()}",
            ...self::explainKeys($plan, $table),
        ];
    }

    public function row(ObservationBuilder $builder, int $number, array $row): void
    {
        $columns = $builder->plan->columns;
        $text = $row[$columns->period ?? 0] ?? '';
        $part = $this->part()->number($text);
        if ($part === null) {
            // The sum of the parts, or their mean, is none of them.
            if (Vocabulary::benchmark($text) === null && !Vocabulary::isWholeYear($text)) {
                $heading = $builder->headings->text($columns->period ?? 0);
                $builder->problems->add(Problem::cell($number + 1, $heading, $text, "a {$this->part()->singular()}"));
            }

            return;
        }
        $subject = $builder->subjects->ofRow($number, $row);
        $measure = $subject === null ? null : $builder->measures->ofRow($number, $row);
        if ($subject === null || $measure === null) {
            return;
        }
        foreach ($columns->values as $column) {
            $year = $builder->periods->ofHeading($column);
            if ($year !== null) {
                $ordinal = $this->part()->inYear($year, $part);
                $this->putPart($builder, [$number, $column], $row, [$measure, $subject, $ordinal]);
            }
        }
    }
}
