<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Data\Origin;
use DuskRail\Data\SeriesTable;
use DuskRail\Data\ValueType;
use DuskRail\Time\Period;

/** How one plotted value came about: every stop with the numbers put in, from the row of the file to the chart. */
final readonly class Working
{
    /** @param list<WorkingStep> $steps from the file on */
    private function __construct(
        public string $entity,
        public string $period,
        public array $steps,
        public ?Origin $origin,
    ) {}

    /**
     * @param int $position of the table that the run ends in
     * @param string $cell which categories of breakdowns the data are of, in words
     */
    public static function of(
        Run $run,
        Scope $scope,
        string $measure,
        string $key,
        int $position,
        string $cell = '',
    ): self {
        $steps = [];
        $at = $position;
        foreach (array_reverse($run->inUse()) as $step) {
            $leaving = $step->outcome->table;
            $arriving =
                $step->placed->stop::category() === StopCategory::Place
                    ? $scope->beside($step->arriving, $key)
                    : $step->arriving;
            $explanation = $step->placed->stop->explain($arriving, $leaving, $scope, $key, $at);
            $inputs = [];
            foreach ($explanation->inputs as $input) {
                $inputs[] = [
                    'period' => $step->arriving->axis->period($input)->label(),
                    'value' => Explanation::number($step->arriving->series[$key]->values[$input]),
                    'position' => $input,
                ];
            }
            array_unshift(
                $steps,
                new WorkingStep(
                    $step->placed->stop->label($step->arriving, $scope),
                    $leaving->axis->period($at)->label(),
                    $explanation->text,
                    self::result($leaving, $key, $at),
                    $inputs,
                    self::cells($explanation->observations, $scope, $key),
                ),
            );
            $at = $explanation->at;
        }
        $period = $run->origin->axis->period($at);
        array_unshift(
            $steps,
            new WorkingStep(
                implode(', ', array_filter([$scope->measures()[$measure]->name, $cell])),
                $period->label(),
                '',
                self::result($run->origin, $key, $at),
                [],
            ),
        );

        return new self(
            $scope->nameOf($key),
            $run->table()->axis->period($position)->label(),
            $steps,
            $scope->origin($measure, $key, $period->ordinal),
        );
    }

    /** The same as plain text, to be pasted into a mail. */
    public function text(): string
    {
        $lines = ["{$this->entity}, {$this->period}"];
        foreach ($this->steps as $step) {
            $lines[] = "{$step->stop}: " . ($step->equation === '' ? '' : "{$step->equation} = ") . $step->result;
            foreach ($step->inputs as $input) {
                $lines[] = "    {$input['period']}: {$input['value']}";
            }
            foreach ($step->cells as $cell) {
                $lines[] = "    {$cell}";
            }
        }
        if ($this->origin !== null) {
            $lines[] = $this->origin->text();
        }

        return implode("\n", $lines);
    }

    /**
     * @param list<array{measure: string, ordinal: int}> $observations
     * @return list<string>
     */
    private static function cells(array $observations, Scope $scope, string $key): array
    {
        $cells = [];
        foreach ($observations as ['measure' => $measure, 'ordinal' => $ordinal]) {
            $about = $scope->measures()[$measure];
            if ($about->isAttribute()) {
                $cells[] = "{$about->name}: an attribute of {$scope->nameOf($key)}";
                continue;
            }
            $origin = $scope->origin($measure, $key, $ordinal);
            $when = $about->isTimeless ? '' : ', ' . Period::at($about->frequency, $ordinal)->label();
            $cells[] =
                "{$about->name}{$when}: " .
                ($origin?->text() ?? 'source file unknown');
        }

        return $cells;
    }

    private static function result(SeriesTable $table, string $key, int $position): string
    {
        return trim(
            Explanation::number($table->series[$key]->values[$position]) .
                ($table->unit->sort === ValueType::Index ? '' : " {$table->unit->text()}"),
        );
    }
}
