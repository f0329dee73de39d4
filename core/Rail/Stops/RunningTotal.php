<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\MeasureKind;
use DuskRail\Data\Nature;
use DuskRail\Data\SeriesTable;
use DuskRail\Data\Spacing;
use DuskRail\Rail\Explanation;
use DuskRail\Rail\Outcome;
use DuskRail\Rail\Scope;
use DuskRail\Rail\Stop;
use DuskRail\Rail\StopCategory;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Whole;
use DuskRail\Settings\ReadsSettings;
use DuskRail\Time\Calendar;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;

/** The total so far: since the start of the data, or from zero in each year, which may start in any month. */
final readonly class RunningTotal implements Stop
{
    use ReadsSettings;

    public function __construct(
        #[Choice('start', ['year' => 'Year to date', 'start' => 'Since the start'], lead: 'total')]
        public string $from = 'year',
        #[Whole(
            'first month',
            1,
            12,
            [1 => 'Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'],
            lead: 'Start of year',
            when: ['from' => 'year'],
            about: 'month in which years start',
        )]
        public int $month = 1,
        #[Choice(
            'gaps',
            ['stop' => 'stop', 'through' => 'Continue'],
            lead: 'At a gap',
            about: 'whether a missing value counts as zero, or stops the total until the next start',
        )]
        public string $gaps = 'stop',
    ) {}

    public static function type(): string
    {
        return 'running-total';
    }

    public static function title(): string
    {
        return 'Running total';
    }

    public static function purpose(): string
    {
        return 'year to date, or since the start';
    }

    public static function category(): StopCategory
    {
        return StopCategory::Change;
    }

    public static function default(SeriesTable $arriving, Scope $scope): self
    {
        return new self($arriving->axis->frequency->perYear() === 1 ? 'start' : 'year');
    }

    public function label(SeriesTable $arriving, Scope $scope): string
    {
        return $this->from === 'start' ? 'running total' : 'year to date';
    }

    public function phrase(SeriesTable $arriving, Scope $scope): string
    {
        return $this->label($arriving, $scope) .
            ($this->from === 'year' && $this->month !== 1 ? ', years from ' . Period::monthShort($this->month) : '');
    }

    public function refusal(SeriesTable $arriving, Scope $scope): ?string
    {
        return match (true) {
            $arriving->nature === Nature::Window
                => 'Rolling windows overlap, so a total would count most periods several times. Remove “Rolling ' .
                'window”.',
            $arriving->nature === Nature::Total => 'The input is already a running total. Remove one of the two stops.',
            $arriving->kind === MeasureKind::Stock
                => 'Levels (stocks) cannot be summed over time. Choose a flow, use a mean, or change the type in ' .
                'the first stop if it is a flow.',
            $arriving->kind === MeasureKind::Rate
                => "The input contains {$arriving->inWords()}, which cannot be summed over time. Move this stop " .
                'earlier.',
            $this->from === 'year' && $arriving->axis->frequency === Frequency::Number
                => 'These periods are numbers, not dates. Use the total since the start.',
            default => null,
        };
    }

    public function apply(SeriesTable $arriving, Scope $scope): Outcome
    {
        $starts = $this->starts($arriving);
        // A year that the data only join on the way has no total to date; the next one has.
        $opening = $this->joinsLate($arriving) ? NAN : 0.0;
        $spacing = Spacing::of($arriving);
        $table = $arriving->map(
            function (array $values) use ($starts, $opening, $spacing): array {
                $absent = $spacing->absentIn($values);
                $totals = [];
                $total = $opening;
                // Before its first value a line has not begun, which is no gap.
                $begun = $this->from !== 'start';
                foreach ($values as $i => $value) {
                    if ($starts[$i]) {
                        $total = 0.0;
                    }
                    $begun = $begun || !is_nan($value);
                    if (is_nan($value)) {
                        $totals[] = NAN;
                        if ($begun && !$this->gapsCountAsNothing() && !isset($absent[$i])) {
                            $total = NAN;
                        }
                    } else {
                        $totals[] = $total += $value;
                    }
                }

                return $totals;
            },
            $arriving->unit->timeless($arriving->axis->frequency, $this->from === 'start' ? 'in all' : 'to date'),
            MeasureKind::Stock,
            Nature::Total,
        );

        return new Outcome($table, [], $this->gapsCountAsNothing() ? 'gaps count as zero' : '');
    }

    public function explain(
        SeriesTable $arriving,
        SeriesTable $leaving,
        Scope $scope,
        string $key,
        int $position,
    ): Explanation {
        $starts = $this->starts($arriving);
        $first = $position;
        while ($first > 0 && !$starts[$first]) {
            $first--;
        }
        $inputs = array_values(
            array_filter(
                range($first, $position),
                static fn(int $at): bool => !is_nan($arriving->series[$key]->values[$at]),
            ),
        );

        return Explanation::of(
            'sum of ' . Explanation::values(count($inputs)) . " since {$arriving->axis->period($first)->label()}",
            $position,
            $inputs,
        );
    }

    /** @return list<bool> for every position whether the total begins again there */
    private function starts(SeriesTable $arriving): array
    {
        $starts = [];
        $year = null;
        for ($i = 0; $i < $arriving->axis->count; $i++) {
            $fiscal = $this->from === 'start' ? 0 : $this->fiscalYear($arriving->axis->period($i));
            $starts[] = $i > 0 && $fiscal !== $year;
            $year = $fiscal;
        }

        return $starts;
    }

    private function joinsLate(SeriesTable $arriving): bool
    {
        if ($this->from === 'start' || $arriving->axis->count === 0) {
            return false;
        }
        $first = $arriving->axis->period(0);

        return $this->fiscalYear($first->plus(-1)) === $this->fiscalYear($first);
    }

    /** By the year in which it starts; a week belongs where its middle is. */
    private function fiscalYear(Period $period): int
    {
        [$year, $month] = Calendar::date(intdiv($period->firstDay() + $period->lastDay(), 2));

        return $year - ($month < $this->month ? 1 : 0);
    }

    private function gapsCountAsNothing(): bool
    {
        return $this->gaps === 'through';
    }
}
