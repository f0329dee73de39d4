<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\MeasureKind;
use DuskRail\Data\Nature;
use DuskRail\Data\SeriesTable;
use DuskRail\Data\Unit;
use DuskRail\Data\ValueType;
use DuskRail\Rail\Explanation;
use DuskRail\Rail\Outcome;
use DuskRail\Rail\Scope;
use DuskRail\Rail\Stop;
use DuskRail\Rail\StopCategory;
use DuskRail\Settings\Condition;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Chosen;
use DuskRail\Settings\Kinds\Parsed;
use DuskRail\Settings\Names;
use DuskRail\Settings\ReadsSettings;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodRange;
use DuskRail\Time\Undated;

/**
 * Puts every series on 100 in a base period, or on average over several: value ÷ mean of its base values × 100.
 *
 * A series whose base has no value, or a mean that is not above zero, has no index; it is left blank and named.
 * Method: Consumer Price Index Manual (ILO, IMF and others, 2004), on index reference periods.
 */
final readonly class IndexToBase implements Stop
{
    use ReadsSettings;

    public function __construct(
        #[Parsed(
            'base period',
            PeriodRange::class,
            hint: '2019, 2019-03 or 2019-01..2019-06',
            allowed: 'a period or a range, whose average is 100',
            advice: 'For the average of several enter first..last, for example 2019-01..2019-06.',
            when: ['at' => 'period'],
            order: 1,
        )]
        public PeriodRange $base,
        #[Choice(
            'base',
            [
                'period' => 'Same period for all',
                'first' => 'First value of each line',
                'highest' => 'Highest value of each line',
                'event' => 'Event year of each line',
            ],
            about: 'where a line has its base',
        )]
        public string $at = 'period',
        #[Chosen(
            'event',
            of: Names::Attributes,
            none: 'Choose …',
            lead: 'event year',
            when: ['at' => 'event'],
            about: 'attribute that contains the year of each entity',
        )]
        public string $event = '',
        #[Choice('form', ['index' => 'Index (base = 100)', 'change' => 'Change in %'], lead: 'result', order: -1)]
        public string $as = 'index',
        #[Choice(
            'axis',
            ['calendar' => 'Calendar', 'since' => '{Periods} since the base'],
            lead: 'time axis',
            when: ['at' => ['first', 'highest', 'event']],
            if: Condition::Calendar,
            about: 'whether lines are aligned by periods since their own bases',
        )]
        public string $along = 'calendar',
    ) {}

    public static function type(): string
    {
        return 'index';
    }

    public static function title(): string
    {
        return 'Index to base';
    }

    public static function purpose(): string
    {
        return 'sets every line to 100 at a base period';
    }

    public static function category(): StopCategory
    {
        return StopCategory::Change;
    }

    /**
     * The first whole year in which most series have all their values; of yearly or numbered values the first period.
     */
    public static function default(SeriesTable $arriving, Scope $scope): self
    {
        $axis = $arriving->axis;
        $isInYears = $axis->frequency !== Frequency::Number && !$axis->frequency->isYearly() && $axis->count > 0;
        if ($isInYears && !Undated::holds($axis->period(0))) {
            $last = $axis->period($axis->count - 1)->yearNumber();
            for ($year = $axis->period(0)->yearNumber(); $year <= $last; $year++) {
                $range = PeriodRange::parse(sprintf('%04d', $year));
                if (BasePositions::isCovered($arriving, $range)) {
                    return new self($range);
                }
            }
        }

        return self::at($axis->period(0));
    }

    public static function at(Period $period): self
    {
        return new self(PeriodRange::between($period, $period));
    }

    /** The time at which all are 100; null when each has its own. */
    public function base(): ?PeriodRange
    {
        return $this->at === 'period' ? $this->base : null;
    }

    public function label(SeriesTable $arriving, Scope $scope): string
    {
        $base = match ($this->at) {
            'first' => 'first value',
            'highest' => 'highest value',
            'event' => $this->event === '' ? 'event year' : mb_strtolower($this->event),
            default => $this->base->label(),
        };

        return $this->isShownAsChange() ? "change since {$base}" : "{$base} = 100";
    }

    public function phrase(SeriesTable $arriving, Scope $scope): string
    {
        $several =
            $this->at === 'period' &&
            !$this->isShownAsChange() &&
            $this->base->at($arriving->axis->frequency)->count() > 1;

        $since = $this->isAligned($arriving) ? ", by {$arriving->axis->frequency->noun()}s since the base" : '';

        $reached = $this->at === 'period' ? BasePositions::reached($this->base, $arriving->axis) : '';

        return ($several ? 'average of ' : '') .
            $this->label($arriving, $scope) .
            ($reached === '' ? '' : " ({$reached})") .
            $since;
    }

    public function refusal(SeriesTable $arriving, Scope $scope): ?string
    {
        if (!$arriving->nature->hasZero()) {
            return "The input contains {$arriving->inWords()}, which cannot be indexed. Move the index earlier.";
        }
        if ($this->at !== 'period') {
            return null;
        }
        $number = $arriving->axis->frequency === Frequency::Number;
        if ($number !== ($this->base->first->frequency === Frequency::Number)) {
            return "The base {$this->base->label()} does not match the periods here. Enter it like " .
                "{$arriving->axis->period(0)->code()}.";
        }
        if ($arriving->axis->positions($this->base) === null) {
            return "The base {$this->base->label()} is outside the data ({$arriving->axis->range()->label()}). " .
                'Choose a base within them.';
        }

        return null;
    }

    public function apply(SeriesTable $arriving, Scope $scope): Outcome
    {
        $axis = $arriving->axis;
        // The same for all, unless each has a base of its own.
        $common = $this->at === 'period' ? $axis->positions($this->base) ?? [0, -1] : null;
        // A base that reaches beyond the data is of fewer periods than it says.
        $wished = $common === null ? 0 : $this->base->at($axis->frequency)->count();
        $without = $partial = [];
        $names = $scope->entities();
        $table = $arriving->map(
            function (array $values, string $key) use (
                $axis,
                $arriving,
                $names,
                $common,
                $wished,
                &$without,
                &$partial,
            ): array {
                [$from, $to] = $common ?? (new BasePositions($this))->basePositions(
                    $values,
                    $axis,
                    $names[$key]->attributes ?? [],
                );
                [$mean, $present] = BasePositions::mean($values, $from, $to);
                $name = isset($names[$key]) ? $names[$key]->name : $key;
                if (is_nan($mean) || $mean <= 0.0) {
                    $without[$name] = (new IndexWords($this))->reason($values, $mean, $arriving->axis);

                    return array_fill(0, count($values), NAN);
                }
                $whole = max($wished, $to - $from + 1);
                if ($present < $whole) {
                    $partial[$name] = "{$present} of {$whole}";
                }

                return self::indexed($values, $mean, $this->isShownAsChange());
            },
            $this->isShownAsChange() ? Unit::of(ValueType::Percent) : Unit::index($this->label($arriving, $scope)),
            MeasureKind::Rate,
            $this->isShownAsChange() ? Nature::Growth : Nature::Index,
        );

        return new Outcome(
            $this->isAligned($arriving) ? (new BasePositions($this))->aligned($table, $arriving, $scope) : $table,
            (new IndexWords($this))->remarks($without, $partial, $table->axis->frequency),
            $common === null || BasePositions::reached($this->base, $axis) === ''
                ? ''
                : 'base of ' . BasePositions::reached($this->base, $axis),
        );
    }

    /**
     * @param list<float> $values
     * @return list<float>
     */
    private static function indexed(array $values, float $mean, bool $asChange): array
    {
        $indexed = [];
        foreach ($values as $value) {
            // In this order the mean of the base values comes out as 100, and no factor is rounded beforehand.
            $indexed[] = ($value / $mean) * 100.0;
        }

        return $asChange ? array_map(static fn(float $v): float => $v - 100.0, $indexed) : $indexed;
    }

    public function explain(
        SeriesTable $arriving,
        SeriesTable $leaving,
        Scope $scope,
        string $key,
        int $position,
    ): Explanation {
        $values = $arriving->series[$key]->values;
        [$from, $to] = (new BasePositions($this))->basePositions(
            $values,
            $arriving->axis,
            $scope->entities()[$key]->attributes ?? [],
        );
        if ($this->isAligned($arriving)) {
            $position = max(0, min(count($values) - 1, $from + $leaving->axis->first + $position));
        }
        [$mean, $present] = BasePositions::mean($values, $from, $to);
        $inputs = array_values(
            array_filter($from <= $to ? range($from, $to) : [], static fn(int $at): bool => !is_nan($values[$at])),
        );
        $base =
            $present === 0
                ? 'its base'
                : PeriodRange::between($arriving->axis->period($from), $arriving->axis->period($to))->label();
        $whole = $this->at === 'period' ? $this->base->at($arriving->axis->frequency)->count() : $present;
        $what = ($whole > 1 ? 'mean of ' : '') . ($present < $whole ? "{$present} of {$whole} values of " : '') . $base;

        return Explanation::of(
            Explanation::number($values[$position], $this->isShownAsChange() ? $mean : NAN) .
                ' ÷ ' .
                Explanation::number($mean, $this->isShownAsChange() ? $values[$position] : NAN) .
                " ({$what}) × 100" .
                ($this->isShownAsChange() ? ' − 100' : ''),
            $position,
            $present > 1 ? $inputs : [],
        );
    }

    private function isAligned(SeriesTable $arriving): bool
    {
        return $this->along === 'since' && $this->at !== 'period' && $arriving->axis->frequency !== Frequency::Number;
    }

    private function isShownAsChange(): bool
    {
        return $this->as === 'change';
    }
}
