<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Nature;
use DuskRail\Data\SeriesTable;
use DuskRail\Data\Unit;
use DuskRail\Rail\Explanation;
use DuskRail\Rail\Outcome;
use DuskRail\Rail\Remark;
use DuskRail\Rail\Scope;
use DuskRail\Rail\Stop;
use DuskRail\Rail\StopCategory;
use DuskRail\Settings\Condition;
use DuskRail\Settings\InvalidSetting;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Chosen;
use DuskRail\Settings\Kinds\Number;
use DuskRail\Settings\Names;
use DuskRail\Settings\ReadsSettings;
use DuskRail\Statistics\Quantile;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodAxis;

/** Divides every entity's values by its own denominator, times a plain number: per connection, per 1,000 people. */
final readonly class PerDenominator implements Stop
{
    use ReadsSettings;

    public function __construct(
        #[Chosen('denominator', of: Names::Denominators, missing: 'choose a denominator.', lead: 'Denominator')]
        public string $measure,
        #[Number(
            'multiplier',
            positive: true,
            options: [
                '1' => '1',
                '100' => '100',
                '1000' => '1,000',
                '10000' => '10,000',
                '100000' => '100,000',
                '1000000' => '1,000,000',
            ],
        )]
        public float $times = 1.0,
        #[Choice(
            'values between',
            ['carried' => 'Constant within each period', 'straight' => 'Interpolated between mid-periods'],
            enum: Between::class,
            lead: 'Values of longer periods',
            if: Condition::CoarserMeasure,
            about: 'how a denominator of longer periods is read',
        )]
        public Between $between = Between::Carried,
        #[Choice(
            'newest',
            ['held' => 'Repeat it', 'blank' => 'Leave empty'],
            lead: 'After the last value',
            about: 'what is used after the last value of the denominator',
        )]
        public string $newest = 'held',
    ) {}

    public static function type(): string
    {
        return 'per-denominator';
    }

    public static function title(): string
    {
        return 'Divide by measure';
    }

    public static function purpose(): string
    {
        return 'per person, connection, kilometre …';
    }

    public static function category(): StopCategory
    {
        return StopCategory::Compare;
    }

    /** With the multiplier that makes numbers of one to a thousand; of a measure that is in the data set. */
    public static function by(string $measure, SeriesTable $arriving, Scope $scope): self
    {
        return new self($measure, (new self($measure))->readableMultiplier($arriving, $scope));
    }

    public static function default(SeriesTable $arriving, Scope $scope): self
    {
        $candidates = self::candidates($scope);
        // People, connections and the like first: a level is what one usually divides by. Never by more of the same.
        $candidates = array_filter(
            $candidates,
            static fn(Measure $m): bool => $m->kind === MeasureKind::Stock ||
                $m->unit->amount !== $arriving->unit->amount,
        );
        uasort(
            $candidates,
            static fn(Measure $a, Measure $b): int => ($b->kind === MeasureKind::Stock) <=>
                ($a->kind === MeasureKind::Stock),
        );
        if ($candidates === []) {
            throw InvalidSetting::because(
                self::title(),
                'the data set has no measure to divide by. Add a file with one, for example people or ' .
                    'connections by year.',
            );
        }
        foreach ($candidates as $measure) {
            $stop = new self($measure->key);
            if ($stop->refusal($arriving, $scope) === null) {
                return self::by($measure->key, $arriving, $scope);
            }
        }

        throw InvalidSetting::because(
            self::title(),
            'no measure in the data set can be the denominator here. ' .
                (!$arriving->unit->isAmount()
                    ? 'Move this stop before the index.'
                    : 'Add a file with a suitable measure.'),
        );
    }

    public function label(SeriesTable $arriving, Scope $scope): string
    {
        $measure = $scope->measures()[$this->measure] ?? null;

        return '÷ ' . ($measure === null ? $this->measure : mb_strtolower($measure->name));
    }

    public function phrase(SeriesTable $arriving, Scope $scope): string
    {
        $measure = $scope->measures()[$this->measure] ?? null;

        return $measure === null ? '' : 'per ' . Unit::singular($measure->divisor()->amount);
    }

    public function refusal(SeriesTable $arriving, Scope $scope): ?string
    {
        $measure = $scope->measures()[$this->measure] ?? null;
        if ($measure === null) {
            return "The data set has no measure “{$this->measure}” to divide by. Choose another, or add a file " .
                'with it.';
        }
        $name = $measure->name;
        $frequency = $arriving->axis->frequency;

        return match (true) {
            $arriving->nature === Nature::Quotient
                => "The input contains {$arriving->inWords()}. Move this stop directly after the measure.",
            !$arriving->nature->isDivisible()
                => "The input contains {$arriving->inWords()}, which are not amounts and cannot be divided by " .
                "{$name}. Move this stop earlier.",
            $arriving->nature === Nature::Window && $measure->kind === MeasureKind::Flow
                => "The input is a sum of several {$frequency->noun()}s, but {$name} is per " .
                "{$frequency->noun()}. Move this stop before “Rolling window”, or divide by a level, for " .
                'example people.',
            $arriving->nature === Nature::Total && $measure->kind === MeasureKind::Flow
                => "The input is a running total, but {$name} is per {$frequency->noun()}. Divide by a level, " .
                'for example people.',
            $measure->kind === MeasureKind::Rate
                => "{$name} is a ratio and cannot be a denominator. Choose an amount, for example people or " .
                'connections.',
            ($frequency === Frequency::Number) !== ($measure->frequency === Frequency::Number)
                => "{$name} and the input have no periods in common. Choose another measure.",
            $measure->kind === MeasureKind::Flow && $frequency->isFinerThan($measure->frequency)
                => "{$name} is a total per {$measure->frequency->noun()} and cannot divide " .
                "{$frequency->adjective()} values. Choose a level, for example people or connections, or a " .
                "{$frequency->adjective()} measure.",
            default => null,
        };
    }

    public function apply(SeriesTable $arriving, Scope $scope): Outcome
    {
        $measure = $scope->measures()[$this->measure];
        $denominators = $scope->table($this->measure);
        $alignment = Alignment::of($denominators, $arriving->axis, $this->between, $this->holdsNewest());
        $absent = $zero = $held = $ends = [];
        $table = $arriving->map(
            function (array $values, string $key) use (
                $denominators,
                $alignment,
                &$absent,
                &$zero,
                &$held,
                &$ends,
            ): array {
                $series = $denominators->series[$key] ?? null;
                $last = $series?->lastPosition();
                if ($series === null || $last === null) {
                    $absent[] = $key;

                    return array_fill(0, count($values), NAN);
                }
                [$divisors, $places] = $alignment->laid($series);
                // Between denominators above zero there is none that is zero.
                $arePositive = $series->values !== [] && min($series->values) > 0.0;
                // Nothing can be divided by zero; what would be is left blank, and said.
                if (!$arePositive && in_array(0.0, $divisors, true)) {
                    $zero[] = $key;
                    $divisors = array_map(static fn(float $d): float => $d === 0.0 ? NAN : $d, $divisors);
                }
                $times = $this->times;
                $quotients = $values;
                foreach ($places as $i => $place) {
                    $quotients[$i] = ($values[$i] / $divisors[$place]) * $times;
                }
                $beyond = $alignment->firstBeyond($last);
                for ($i = $beyond, $count = count($values); $i < $count; $i++) {
                    if (!is_nan($values[$i])) {
                        $held[] = $key;
                        $ends[$last] = true;
                        break;
                    }
                }

                return $quotients;
            },
            $arriving->unit->over($measure->divisor(), $this->times),
            MeasureKind::Rate,
            Nature::Quotient,
        );
        // A denominator finer than the data is added up or averaged over whole periods, and there is none to hold.
        $holds = $this->holdsNewest() && !$measure->frequency->isFinerThan($arriving->axis->frequency);
        $remarks = [
            ...$this->newestRemark(
                $holds,
                $measure,
                $held,
                array_map($denominators->axis->period(...), array_keys($ends)),
                count($arriving->series),
            ),
            ...$this->constantRemark($denominators, $measure, $arriving),
            ...self::named($absent, $scope, "no {$measure->name}, so no value here"),
            ...self::named($zero, $scope, "{$measure->name} is zero in some periods; no value there"),
        ];

        return new Outcome(
            $table->weighedBy(static fn(): array => Weights::laid($denominators, $alignment)),
            $remarks,
            $this->note($measure, $arriving),
        );
    }

    public function explain(
        SeriesTable $arriving,
        SeriesTable $leaving,
        Scope $scope,
        string $key,
        int $position,
    ): Explanation {
        $measure = $scope->measures()[$this->measure];
        $denominators = $scope->table($this->measure);
        $series = $denominators->series[$key] ?? null;
        $value = Explanation::number($arriving->series[$key]->values[$position]);
        if ($series === null) {
            return Explanation::of("{$value} ÷ nothing", $position);
        }
        [$figures, $places] = Alignment::of($denominators, $arriving->axis, $this->between, $this->holdsNewest())->laid(
            $series,
        );
        $place = $places[$position];
        $carried = $this->between === Between::Carried || !$arriving->axis->frequency->isFinerThan($measure->frequency);
        $last = $series->lastPosition() ?? 0;
        $when =
            $carried && $arriving->axis->frequency->isFinerThan($measure->frequency)
                ? ' of ' . $denominators->axis->period(min($place, $last))->label()
                : '';
        $times = $this->times === 1.0 ? '' : ' × ' . Explanation::number($this->times);

        return Explanation::of(
            "{$value} ÷ " . Explanation::number($figures[$place]) . " {$measure->divisor()->amount}{$when}{$times}",
            $position,
            [],
            $this->observations($denominators->axis, $arriving->axis, $position, $last),
        );
    }

    /**
     * The values of the denominator that hold at a position: one that is carried, or the two ends of a straight line.
     *
     * @return list<array{measure: string, ordinal: int}>
     */
    private function observations(PeriodAxis $denominators, PeriodAxis $arriving, int $position, int $last): array
    {
        if ($denominators->frequency->isFinerThan($arriving->frequency)) {
            return [];
        }
        $coarser = $arriving->frequency->isFinerThan($denominators->frequency);
        $period = $arriving->period($position);
        $place = $period->in($denominators->frequency)->ordinal - $denominators->first;
        $places = [$place];
        if ($coarser && $this->between === Between::Straight) {
            $holder = $denominators->period($place);
            $places =
                $period->firstDay() + $period->lastDay() < $holder->firstDay() + $holder->lastDay()
                    ? [$place - 1, $place]
                    : [$place, $place + 1];
        }
        $places = array_unique(array_map(static fn(int $at): int => max(0, min($at, $last)), $places));

        return array_map(
            fn(int $at): array => ['measure' => $this->measure, 'ordinal' => $denominators->first + $at],
            array_values($places),
        );
    }

    private function note(Measure $measure, SeriesTable $arriving): string
    {
        $frequency = $arriving->axis->frequency;
        if ($frequency->isYearly() && $measure->frequency->isYearly() && $frequency !== $measure->frequency) {
            return $frequency === Frequency::FiscalYear
                ? 'each by the calendar year it begins in'
                : 'each by the fiscal year that begins in it';
        }
        if (!$frequency->isFinerThan($measure->frequency)) {
            // A level of many moments is averaged, be it under the last level of the other.
            return $measure->frequency->isFinerThan($frequency) && $measure->kind === MeasureKind::Stock
                ? "mean {$measure->name} of each {$frequency->noun()}"
                : '';
        }

        return $this->between === Between::Carried
            ? "{$measure->frequency->adjective()} values, constant"
            : "interpolated between mid-{$measure->frequency->noun()}s";
    }

    /**
     * @param list<string> $held
     * @param list<Period> $ends
     * @return list<Remark>
     */
    private function newestRemark(bool $holds, Measure $measure, array $held, array $ends, int $of): array
    {
        if ($held === []) {
            return [];
        }
        $who = count($held) === $of ? '' : ' for ' . count($held) . " of {$of}";
        $when = count($ends) === 1 ? "after {$ends[0]->label()}" : 'at the end';
        $remark = $holds
            ? Remark::saying("{$measure->name} {$when} is missing{$who}; the last value is repeated.")->withRemedy(
                'Leave empty',
                ['newest' => 'blank'],
            )
            : Remark::saying("{$measure->name} {$when} is missing{$who}; left empty.")->withRemedy(
                'Repeat the last value',
                [
                    'newest' => 'held',
                ],
            );

        return [$remark];
    }

    /** @param list<float> $values */
    private static function isConstant(array $values): bool
    {
        $first = NAN;
        $present = 0;
        foreach ($values as $value) {
            if (is_nan($value)) {
                continue;
            }
            if ($present++ === 0) {
                $first = $value;
            } elseif ($value !== $first) {
                return false;
            }
        }

        return $present > 2;
    }

    /** @return list<Remark> of denominators that have more than one value, and all the same */
    private function constantRemark(SeriesTable $denominators, Measure $measure, SeriesTable $arriving): array
    {
        $constant = 0;
        foreach (array_intersect_key($denominators->series, $arriving->series) as $series) {
            $constant += self::isConstant($series->values) ? 1 : 0;
        }
        $of = count($arriving->series);

        return $constant === 0
            ? []
            : [
                Remark::saying(
                    "{$measure->name} is constant for " .
                        ($constant === $of ? 'all lines' : "{$constant} of {$of} lines") .
                        '; one value may have been copied down.',
                    'Dividing by a constant does not change the shape of a line. Check the file: a real count ' .
                        'varies a little from period to period.',
                ),
            ];
    }

    /**
     * @param list<string> $keys
     * @return list<Remark>
     */
    private static function named(array $keys, Scope $scope, string $what): array
    {
        $entities = $scope->entities();
        $names = array_map(
            static fn(string $key): string => isset($entities[$key]) ? $entities[$key]->name : $key,
            $keys,
        );

        return $names === [] ? [] : [Remark::saying(Named::few($names) . ": {$what}.", implode(', ', $names))];
    }

    /**
     * The multiplier that takes an SI prefix off, or else the smallest round one that leaves values of one and more.
     */
    private function readableMultiplier(SeriesTable $arriving, Scope $scope): float
    {
        $divisor = $scope->measures()[$this->measure]->divisor();
        if ($divisor->amount === $arriving->unit->amount) {
            return 100.0;
        }
        foreach ([1e3, 1e6, 1e9, 1e12] as $times) {
            if ($arriving->unit->over($divisor, $times)->amount !== $arriving->unit->amount) {
                return $times;
            }
        }
        $quotients = [];
        foreach ($this->apply($arriving, $scope)->table->series as $series) {
            $quotients[] = abs(Quantile::of($series->values, 0.5));
        }
        $typical = Quantile::of($quotients, 0.5);
        foreach ([1.0, 1e3, 1e6] as $times) {
            if (is_nan($typical) || $typical * $times >= 1.0) {
                return $times;
            }
        }

        return 1e6;
    }

    /** @return array<string, Measure> */
    private static function candidates(Scope $scope): array
    {
        return array_filter($scope->measures(), static fn(Measure $m): bool => $m->kind !== MeasureKind::Rate);
    }

    private function holdsNewest(): bool
    {
        return $this->newest === 'held';
    }
}
