<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\MeasureKind;
use DuskRail\Data\Nature;
use DuskRail\Data\SeriesTable;
use DuskRail\Rail\Explanation;
use DuskRail\Rail\Outcome;
use DuskRail\Rail\Scope;
use DuskRail\Rail\Stop;
use DuskRail\Rail\StopCategory;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\ReadsSettings;
use DuskRail\Time\Calendar;
use DuskRail\Time\Frequency;

/** Divides a flow by the days of its period, so that February and March compare: all of them, or Monday to Friday. */
final readonly class PerDay implements Stop
{
    use ReadsSettings;

    public function __construct(
        #[Choice('days', ['all' => 'All days', 'working' => 'Monday to Friday'], lead: 'Days')]
        public string $days = 'all',
    ) {}

    public static function type(): string
    {
        return 'per-day';
    }

    public static function title(): string
    {
        return 'Per day';
    }

    public static function purpose(): string
    {
        return 'corrects for months of 28 to 31 days';
    }

    public static function category(): StopCategory
    {
        return StopCategory::Compare;
    }

    public static function default(SeriesTable $arriving, Scope $scope): self
    {
        return new self();
    }

    public function label(SeriesTable $arriving, Scope $scope): string
    {
        return $this->isWorking() ? 'per working day' : 'per day';
    }

    public function phrase(SeriesTable $arriving, Scope $scope): string
    {
        return $this->label($arriving, $scope);
    }

    public function refusal(SeriesTable $arriving, Scope $scope): ?string
    {
        $frequency = $arriving->axis->frequency;

        return match (true) {
            $frequency === Frequency::Day || $frequency === Frequency::Number => 'The periods here are ' .
                ($frequency === Frequency::Day ? 'days' : 'numbers, not dates') .
                '. Remove this stop.',
            $arriving->nature === Nature::Window
                => 'A rolling window covers the days of several periods. Move this stop before “Rolling window”.',
            !in_array($arriving->nature, [Nature::Amount, Nature::Quotient], true)
                => "The input contains {$arriving->inWords()}, which cannot be divided by days. Move this stop " .
                'directly after the measure.',
            !in_array($frequency->noun(), $arriving->unit->per, true)
                => "The input ({$arriving->unit->text()}) is not a total per {$frequency->noun()}. Move this " .
                'stop directly after the measure.',
            default => null,
        };
    }

    public function apply(SeriesTable $arriving, Scope $scope): Outcome
    {
        $days = [];
        for ($i = 0; $i < $arriving->axis->count; $i++) {
            $days[] = $this->daysOf($arriving, $i);
        }

        return new Outcome(
            $arriving->map(
                static function (array $values) use ($days): array {
                    $each = $values;
                    foreach ($values as $i => $value) {
                        $each[$i] = $days[$i] > 0 ? $value / $days[$i] : NAN;
                    }

                    return $each;
                },
                $arriving->unit->insteadOf($arriving->axis->frequency, $this->isWorking() ? 'working day' : 'day'),
                // What flows on a day is a level: it can be divided by people and shared out, but no longer added up
                // over time. A ratio stays one.
                $arriving->kind === MeasureKind::Flow ? MeasureKind::Stock : $arriving->kind,
                $arriving->nature === Nature::Amount ? Nature::Daily : $arriving->nature,
            ),
        );
    }

    public function explain(
        SeriesTable $arriving,
        SeriesTable $leaving,
        Scope $scope,
        string $key,
        int $position,
    ): Explanation {
        $days = $this->daysOf($arriving, $position);

        return Explanation::of(
            Explanation::number($arriving->series[$key]->values[$position]) .
                " ÷ {$days} " .
                ($this->isWorking() ? 'working days' : 'days'),
            $position,
        );
    }

    /** Days that the data of a period stand for: of an incomplete one those that are in. */
    private function daysOf(SeriesTable $table, int $position): int
    {
        $period = $table->axis->period($position);
        [$first, $last] = $table->extent?->days($period, $position) ?? [$period->firstDay(), $period->lastDay()];

        return $this->isWorking() ? Calendar::workingDays($first, $last) : $last - $first + 1;
    }

    private function isWorking(): bool
    {
        return $this->days === 'working';
    }
}
