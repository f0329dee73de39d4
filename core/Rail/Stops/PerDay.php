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
            DaysOf::unit($arriving) === null
                => "The input ({$arriving->unit->text()}) is not a total per {$frequency->noun()}. Move this " .
                'stop directly after the measure.',
            default => null,
        };
    }

    public function apply(SeriesTable $arriving, Scope $scope): Outcome
    {
        $days = DaysOf::eachUnit($arriving, $this->isWorking());
        $noun = (DaysOf::unit($arriving) ?? $arriving->axis->frequency)->noun();
        $each = $arriving->map(
            static function (array $values) use ($days): array {
                $each = $values;
                foreach ($values as $i => $value) {
                    $each[$i] = $days[$i] > 0 ? $value / $days[$i] : NAN;
                }

                return $each;
            },
            $arriving->unit->per([$noun => $this->isWorking() ? DaysOf::WORKING : 'day']),
            // What flows on a day is a level: it can be divided by people and shared out, but no longer added up
            // over time. A ratio stays one.
            $arriving->kind === MeasureKind::Flow ? MeasureKind::Stock : $arriving->kind,
            $arriving->nature === Nature::Amount ? Nature::Daily : $arriving->nature,
        );
        $weights = $arriving->weights;

        // Of ratios per day each day of what they are per counts.
        return new Outcome(
            $weights === null
                ? $each
                : $each->weighedBy(static fn(): array => Weights::times($weights(), $days)),
        );
    }

    public function explain(
        SeriesTable $arriving,
        SeriesTable $leaving,
        Scope $scope,
        string $key,
        int $position,
    ): Explanation {
        $days = DaysOf::eachUnit($arriving, $this->isWorking())[$position];

        return Explanation::of(
            Explanation::number($arriving->series[$key]->values[$position]) .
                ' ÷ ' .
                Explanation::number($days) .
                ' ' .
                ($this->isWorking() ? 'working days' : 'days'),
            $position,
        );
    }

    private function isWorking(): bool
    {
        return $this->days === 'working';
    }
}
