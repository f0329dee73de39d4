<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\Completeness;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Nature;
use DuskRail\Data\Numerals;
use DuskRail\Data\Series;
use DuskRail\Data\SeriesTable;
use DuskRail\Data\Spacing;
use DuskRail\Rail\Explanation;
use DuskRail\Rail\Outcome;
use DuskRail\Rail\Pool;
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
use DuskRail\Time\Period;
use DuskRail\Time\PeriodAxis;
use DuskRail\Time\PeriodRange;
use DuskRail\Time\Season;

/**
 * Coarser periods: a flow is added up; of a stock the last, first or mean level is taken; a rate is refused, since a
 * year's rate is not a sum or a mean of its months' rates.
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
            // Of values of single dates one is taken, and none are added up.
            Spacing::of($arriving)->isIrregular => null,
            !$this->season->isWhole() && !$this->season->fits($arriving->axis->frequency)
                => "“{$this->season->label()}” cannot be made of {$arriving->axis->frequency->adjective()} values. " .
                'Enter months for monthly or daily values, weeks for weekly values.',
            $this->isWeighted($arriving) => $this->unfitWeeks($arriving),
            $arriving->nature === Nature::Daily,
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
            return new Outcome($this->ofDates($arriving, $target));
        }
        if (!$this->season->isWhole()) {
            $target = $this->seasons($axis);
        }
        [$taken, $extent] = $this->taken($arriving, $target);
        if ($this->isWeighted($arriving)) {
            return $this->ofParts($arriving, $target, $taken, $extent, $scope);
        }
        $series = [];
        foreach ($arriving->series as $key => $one) {
            $values = [];
            foreach ($taken as $positions) {
                $values[] = $this->combined($one->values, $positions, $arriving->kind);
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
        [$taken, $extent] = $this->taken($arriving, $leaving->axis);
        $inputs = $isOfDates
            ? $this->dates($arriving->series[$key]->values, $arriving->axis, $leaving->axis)[$position]
            : $taken[$position] ?? [];
        $how = match (true) {
            $this->isWeighted($arriving) && !$isOfDates => 'ratio of sums',
            $arriving->kind === MeasureKind::Flow && !$isOfDates => 'sum',
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
     * The ratio of the sums in each of the coarser periods. Where a part of a period is missing, there is none; which
     * parts have no weight is said.
     *
     * @param list<list<int>> $taken
     */
    private function ofParts(
        SeriesTable $arriving,
        PeriodAxis $target,
        array $taken,
        Completeness $extent,
        Scope $scope,
    ): Outcome {
        $weights = $arriving->weights === null ? [] : ($arriving->weights)();
        $series = $below = [];
        foreach ($arriving->series as $key => $one) {
            [$parts, $divisors] = Weights::parts($one->values, $weights[$key] ?? null);
            $above = $under = [];
            foreach ($taken as $positions) {
                $own = array_flip($positions);
                $above[] = $positions === [] ? NAN : array_sum(array_intersect_key($parts, $own));
                $under[] = $positions === [] ? NAN : array_sum(array_intersect_key($divisors, $own));
            }
            $below[(string) $key] = $under;
            $series[] = new Series((string) $key, Weights::quotients($above, $under));
        }
        $table = new SeriesTable($target, $arriving->unit, $arriving->kind, $series, nature: $arriving->nature);
        $out = $this->unfinished === 'out' && $extent->open !== null;

        return new Outcome(
            $table->weighedBy(static fn(): array => $below)->reaching(
                $out ? Completeness::whole($extent->parts) : $extent,
            ),
            [...$this->remarks($extent, $target, $taken), ...self::unweighted($arriving, $weights, $scope)],
        );
    }

    /**
     * @param array<string, list<float>> $weights
     * @return list<Remark> whose values have nothing to be weighted by, and how many of them
     */
    private static function unweighted(SeriesTable $arriving, array $weights, Scope $scope): array
    {
        $all = $missing = 0;
        $names = [];
        $pools = array_map(static fn(Pool $pool): string => $pool->key, $scope->pools);
        foreach (array_diff_key($arriving->series, array_flip($pools)) as $key => $one) {
            foreach ($one->values as $i => $value) {
                $isUnknown = !is_nan($value) && is_nan($weights[$key][$i] ?? NAN);
                $all += is_nan($value) ? 0 : 1;
                $missing += $isUnknown ? 1 : 0;
                if ($isUnknown) {
                    $names[$key] = $scope->nameOf((string) $key);
                }
            }
        }

        return $missing === 0
            ? []
            : [
                Remark::saying(
                    Named::few(array_values($names)) .
                        ': ' .
                        Numerals::text((100.0 * $missing) / $all, 1) .
                        ' % of all values have nothing to be weighted by; those periods are empty.',
                    implode(', ', $names),
                ),
            ];
    }

    /** Figures of single dates by the period that they are in: the last of them, the first, or their mean. */
    private function ofDates(SeriesTable $arriving, PeriodAxis $target): SeriesTable
    {
        $series = [];
        foreach ($arriving->series as $key => $one) {
            $values = [];
            foreach ($this->dates($one->values, $arriving->axis, $target) as $positions) {
                $parts = array_map(static fn(int $i): float => $one->values[$i], $positions);
                $values[] = match (true) {
                    $parts === [] => NAN,
                    $this->level === 'first' => $parts[0],
                    $this->level === 'mean' => array_sum($parts) / count($parts),
                    default => $parts[count($parts) - 1],
                };
            }
            $series[] = new Series((string) $key, $values);
        }

        return new SeriesTable($target, $arriving->unit, $arriving->kind, $series, nature: $arriving->nature);
    }

    /**
     * @param list<float> $values
     * @return list<list<int>> positions of the data that are in each of the coarser periods
     */
    private function dates(array $values, PeriodAxis $axis, PeriodAxis $target): array
    {
        $dates = array_fill(0, $target->count, []);
        foreach ($values as $i => $value) {
            if (!is_nan($value)) {
                $dates[$axis->period($i)->in($this->to)->ordinal - $target->first][] = $i;
            }
        }

        return $dates;
    }

    /**
     * Which values make each of the coarser periods; none where some are missing. The latest may be incomplete: then
     * the same part of it is taken of every line, so that they compare.
     *
     * @return array{list<list<int>>, Completeness}
     */
    private function taken(SeriesTable $arriving, PeriodAxis $target): array
    {
        $axis = $arriving->axis;
        if (!$this->season->isWhole()) {
            return [$this->takenOfSeasons($axis, $target), Completeness::whole($axis->frequency)];
        }
        $taken = array_fill(0, $target->count, []);
        for ($i = 0; $i < $axis->count; $i++) {
            $taken[$axis->period($i)->in($this->to)->ordinal - $target->first][] = $i;
        }
        $last = self::newest($arriving);
        $at = $last < 0 ? -1 : $axis->period($last)->in($this->to)->ordinal - $target->first;
        $extent = Completeness::whole($arriving->extent->parts ?? $axis->frequency);
        foreach ($taken as $i => $positions) {
            $period = $target->period($i);
            $all = PeriodRange::between($period, $period)->at($axis->frequency);
            $begins = $positions !== [] && $axis->period($positions[0])->ordinal === $all->first->ordinal;
            $whole = count($positions) === $all->count();
            if ($i !== $at || !$begins) {
                $taken[$i] = $whole ? $positions : [];
                continue;
            }
            $until = self::common($arriving, $positions);
            $open = $arriving->open();
            if ($whole && $until === end($positions) && ($open === null || $open > $until)) {
                continue;
            }
            $newest = $axis->period($until);
            $extent = Completeness::unfinished(
                $extent->parts,
                $period,
                $i,
                $arriving->extent?->days($newest, $until)[1] ?? $newest->lastDay(),
                $this->unfinished === 'scaled',
            );
            $taken[$i] = $this->unfinished === 'out' ? [] : range($positions[0], $until);
        }

        return [$taken, $extent];
    }

    /** An axis of the years that have the season, whole or in part. */
    private function seasons(PeriodAxis $axis): PeriodAxis
    {
        $years = [];
        for ($i = 0; $i < $axis->count; $i++) {
            $years[] = $this->season->yearOf($axis->period($i));
        }
        $years = array_filter($years, is_int(...)) ?: [$axis->period(0)->yearNumber()];
        $at = fn(int $year): Period => $this->season->turns() ? Period::fiscalYear($year) : Period::year($year);

        return PeriodAxis::along(PeriodRange::between($at(min($years)), $at(max($years))));
    }

    /** @return list<list<int>> positions of each season; none of one that the data do not have whole */
    private function takenOfSeasons(PeriodAxis $axis, PeriodAxis $target): array
    {
        $taken = array_fill(0, $target->count, []);
        for ($i = 0; $i < $axis->count; $i++) {
            $year = $this->season->yearOf($axis->period($i));
            if ($year !== null) {
                $taken[$year - $target->first][] = $i;
            }
        }
        foreach ($taken as $n => $positions) {
            $whole = $this->season->in($target->first + $n, $axis->frequency)->count();
            $taken[$n] = count($positions) === $whole ? $positions : [];
        }

        return $taken;
    }

    /** Position of the latest value of any line, or −1. */
    private static function newest(SeriesTable $table): int
    {
        return max(
            -1,
            ...array_values(array_map(static fn(Series $s): int => $s->lastPosition() ?? -1, $table->series)),
        );
    }

    /**
     * Up to where a period has come in for at least half of the lines that have any value in it.
     *
     * @param non-empty-list<int> $positions
     */
    private static function common(SeriesTable $table, array $positions): int
    {
        $lasts = [];
        foreach ($table->series as $series) {
            $last = $series->lastPosition($positions[0], $positions[count($positions) - 1]);
            if ($last !== null) {
                $lasts[] = $last;
            }
        }
        rsort($lasts);

        return $lasts[intdiv(count($lasts) - 1, 2)];
    }

    /**
     * @param list<float> $values
     * @param list<int> $positions
     */
    private function combined(array $values, array $positions, MeasureKind $kind): float
    {
        if ($positions === []) {
            return NAN;
        }
        $parts = array_slice($values, $positions[0], count($positions));
        $sum = array_sum($parts);

        return match (true) {
            // One that is missing makes the sum missing.
            is_nan($sum), $kind === MeasureKind::Flow => $sum,
            $this->level === 'first' => $parts[0],
            $this->level === 'mean' => $sum / count($parts),
            default => $parts[count($parts) - 1],
        };
    }

    /**
     * @param list<list<int>> $taken
     * @return list<Remark>
     */
    private function remarks(Completeness $extent, PeriodAxis $target, array $taken): array
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
