<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\Completeness;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Nature;
use DuskRail\Data\Series;
use DuskRail\Data\SeriesTable;
use DuskRail\Data\Spacing;
use DuskRail\Rail\Explanation;
use DuskRail\Rail\Outcome;
use DuskRail\Rail\Remark;
use DuskRail\Rail\Scope;
use DuskRail\Rail\Stop;
use DuskRail\Rail\StopCategory;
use DuskRail\Settings\Condition;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Parsed;
use DuskRail\Settings\Names;
use DuskRail\Settings\ReadsSettings;
use DuskRail\Time\Frequency;
use DuskRail\Time\PeriodAxis;
use DuskRail\Time\PeriodRange;
use DuskRail\Time\Season;

/**
 * Coarser periods: a flow is added up; of a stock the last, first or mean level is taken; of amounts per day the mean,
 * in which each day counts the same; of a ratio whose parts are known both are put together. Any other rate is refused,
 * since a year's rate is not a sum or a mean of its months' rates.
 *
 * A period in which a value is missing has none, except the latest while it is incomplete: it is kept and said, left
 * out, or scaled up to its full length by days.
 */
final readonly class ChangeOfPeriod implements Stop
{
    use ReadsSettings;

    public function __construct(
        #[Choice(
            'period',
            [
                'week' => 'weeks',
                'month' => 'months',
                'quarter' => 'quarters',
                'half-year' => 'half-years',
                'year' => 'years',
            ],
            enum: Frequency::class,
            from: Names::LongerPeriods,
        )]
        public Frequency $to = Frequency::Year,
        #[Choice(
            'level',
            ['last' => 'Last', 'first' => 'First', 'mean' => 'Mean'],
            if: Condition::Levels,
            about: 'which level of a stock is used',
        )]
        public string $level = 'last',
        #[Choice(
            'incomplete period',
            ['kept' => 'Show dashed', 'out' => 'Exclude', 'scaled' => 'Scale up by days'],
            lead: 'Latest period, if incomplete',
            when: ['season' => ''],
        )]
        public string $unfinished = 'kept',
        #[Parsed(
            'part of the year',
            Season::class,
            hint: 'Dec–Feb, W48–W09',
            allowed: 'the first and the last month or week of a part of the year; nothing for all of it',
            when: ['to' => 'year'],
        )]
        public Season $season = new Season(),
    ) {}

    public static function type(): string
    {
        return 'period';
    }

    public static function title(): string
    {
        return 'Aggregate';
    }

    public static function purpose(): string
    {
        return 'months to quarters or years';
    }

    public static function category(): StopCategory
    {
        return StopCategory::Smooth;
    }

    public static function default(SeriesTable $arriving, Scope $scope): self
    {
        return new self($arriving->axis->frequency === Frequency::Day ? Frequency::Month : Frequency::Year);
    }

    public function label(SeriesTable $arriving, Scope $scope): string
    {
        return trim("{$this->season->label()} by the {$this->to->value}");
    }

    public function phrase(SeriesTable $arriving, Scope $scope): string
    {
        return $this->label($arriving, $scope);
    }

    public function refusal(SeriesTable $arriving, Scope $scope): ?string
    {
        return match (true) {
            !$arriving->axis->frequency->isFinerThan($this->to)
                => "The values are {$arriving->axis->frequency->adjective()} and cannot be split into " .
                "{$this->to->value}s. Choose a longer period.",
            $arriving->nature === Nature::Window && $arriving->kind === MeasureKind::Flow
                => "Rolling windows overlap, so a {$this->to->value} would count most " .
                "{$arriving->axis->frequency->noun()}s several times. Move this stop before “Rolling window”.",
            !$this->season->isWhole() && Spacing::of($arriving)->isIrregular
                => 'The values are of single dates, and a part of the year needs one for every period. Leave ' .
                '“Part of the year” empty.',
            // Of levels at single dates one is taken; what came about at them is added up.
            Spacing::of($arriving)->isIrregular => null,
            !$this->season->isWhole() && !$this->season->fits($arriving->axis->frequency)
                => "“{$this->season->label()}” cannot be made of {$arriving->axis->frequency->adjective()} values. " .
                'Enter months for monthly or daily values, weeks for weekly values.',
            $this->isWeighted($arriving) => $this->unfitWeeks($arriving),
            $arriving->nature === Nature::Daily => $this->unfitWeeks($arriving),
            $arriving->kind === MeasureKind::Rate
                => "The input contains {$arriving->inWords()}; a {$this->to->value} is neither the sum nor the " .
                "mean of its {$arriving->axis->frequency->noun()}s. Move this stop " .
                ($arriving->nature === Nature::Quotient
                    ? 'before the division, so that both parts are added up first.'
                    : 'earlier.'),
            default => $this->unfitWeeks($arriving),
        };
    }

    private function unfitWeeks(SeriesTable $arriving): ?string
    {
        return $arriving->axis->frequency === Frequency::Week && $this->to !== Frequency::Year
            ? 'Weeks do not fit into months or quarters. Choose years (a week belongs to the year of its ' .
                    'Thursday, ISO 8601).'
            : null;
    }

    /** Whether what arrives are ratios whose two parts are known: then both are put together. */
    private function isWeighted(SeriesTable $arriving): bool
    {
        return $arriving->weights !== null && $arriving->nature === Nature::Quotient;
    }

    public function apply(SeriesTable $arriving, Scope $scope): Outcome
    {
        $axis = $arriving->axis;
        if ($axis->count === 0) {
            return new Outcome($arriving);
        }
        $target = PeriodAxis::along(
            PeriodRange::between($axis->period(0)->in($this->to), $axis->period($axis->count - 1)->in($this->to)),
        );
        if (Spacing::of($arriving)->isIrregular) {
            return new Outcome(
                (new PeriodParts($this))->ofDates($arriving, $target),
                $arriving->kind === MeasureKind::Flow
                    ? [
                        Remark::saying(
                            'The values are of single dates; between the first and the last of a line, a ' .
                                "{$this->to->value} without any is zero.",
                        ),
                    ]
                    : [],
            );
        }
        if (!$this->season->isWhole()) {
            $target = (new PeriodParts($this))->seasons($axis);
        }
        [$taken, $extent] = (new PeriodParts($this))->taken($arriving, $target);
        if ($this->isWeighted($arriving)) {
            return (new PeriodParts($this))->ofParts($arriving, $target, $taken, $extent, $scope);
        }
        $days = PeriodParts::days($arriving);
        $series = [];
        foreach ($arriving->series as $key => $one) {
            $values = [];
            foreach ($taken as $positions) {
                $values[] = (new PeriodParts($this))->combined($one->values, $positions, $arriving->kind, $days);
            }
            if ($this->unfinished === 'scaled' && $extent->open !== null && $arriving->kind === MeasureKind::Flow) {
                $values[$extent->open] *= $extent->scale($target->period($extent->open));
            }
            $series[] = new Series((string) $key, array_values($values));
        }
        $table = new SeriesTable(
            $target,
            $arriving->unit->insteadOf($axis->frequency, $this->season->isWhole() ? $this->to->noun() : 'season'),
            $arriving->kind,
            $series,
            nature: $arriving->nature,
        );
        $out = $this->unfinished === 'out' && $extent->open !== null;

        return new Outcome(
            $table->reaching($out ? Completeness::whole($extent->parts) : $extent),
            $this->remarks($extent, $target, $taken),
        );
    }

    /** Of other periods than years there is no part of the year. */
    public function normalised(): static
    {
        return $this->to === Frequency::Year ? $this : new self($this->to, $this->level, $this->unfinished);
    }

    public function explain(
        SeriesTable $arriving,
        SeriesTable $leaving,
        Scope $scope,
        string $key,
        int $position,
    ): Explanation {
        $isOfDates = Spacing::of($arriving)->isIrregular;
        [$taken, $extent] = (new PeriodParts($this))->taken($arriving, $leaving->axis);
        $inputs = $isOfDates
            ? (new PeriodParts($this))->dates(
                $arriving->series[$key]->values,
                $arriving->axis,
                $leaving->axis,
            )[$position]
            : $taken[$position] ?? [];
        $how = match (true) {
            $this->isWeighted($arriving) && !$isOfDates => 'ratio of sums',
            $arriving->kind === MeasureKind::Flow => 'sum',
            $arriving->nature === Nature::Daily && !$isOfDates => 'mean by days',
            default => "{$this->level} level",
        };
        $scaled =
            $this->unfinished === 'scaled' && $position === $extent->open && $arriving->kind === MeasureKind::Flow
                ? ', scaled up to full length'
                : '';

        return Explanation::of(
            "{$how} of " . Explanation::values(count($inputs)) . $scaled,
            $inputs === [] ? 0 : end($inputs),
            $inputs,
        );
    }

    /**
     * @param list<list<int>> $taken
     * @return list<Remark>
     */
    public function remarks(Completeness $extent, PeriodAxis $target, array $taken): array
    {
        $last = count($taken) - 1;
        if (!$this->season->isWhole() && $last >= 0 && $taken[$last] === []) {
            $season = "{$this->season->label()} of {$target->period($last)->label()}";

            return [Remark::saying("{$season} is incomplete and excluded.")];
        }
        if ($extent->open === null) {
            return [];
        }
        $which = "{$target->period($extent->open)->label()} is incomplete ({$extent->inWords()})";

        return [
            match ($this->unfinished) {
                'kept' => Remark::saying("{$which} and shown dashed.")->withRemedy('Exclude it', [
                    'unfinished' => 'out',
                ]),
                'scaled' => Remark::saying("{$which} and scaled up to full length by days.")->withRemedy('Exclude it', [
                    'unfinished' => 'out',
                ]),
                default => Remark::saying("{$which} and excluded.")->withRemedy('Scale it up', [
                    'unfinished' => 'scaled',
                ]),
            },
        ];
    }
}
