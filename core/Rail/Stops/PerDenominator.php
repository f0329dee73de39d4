<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Nature;
use DuskRail\Data\Noun;
use DuskRail\Data\SeriesTable;
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
use DuskRail\Time\Frequency;

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
        return new self($measure, (new DenominatorChoice(new self($measure)))->readableMultiplier($arriving, $scope));
    }

    public static function default(SeriesTable $arriving, Scope $scope): self
    {
        $candidates = DenominatorChoice::candidates($scope);
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

        return $measure === null ? '' : 'per ' . Noun::singular($measure->divisor()->amount);
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
        $denominators = $this->denominators($arriving, $scope);
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
                // Between denominators above zero there is none that is zero; min() would pass over one before a NAN.
                $arePositive = array_filter($series->values, static fn(float $d): bool => $d <= 0.0) === [];
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
            ...(new DenominatorWords($this))->newestRemark(
                $holds,
                $measure,
                $held,
                array_map($denominators->axis->period(...), array_keys($ends)),
                count($arriving->series),
            ),
            ...$this->commonRemark($denominators, $measure, $scope),
            ...(new DenominatorWords($this))->constantRemark($denominators, $measure, $arriving),
            ...DenominatorWords::named($absent, $scope, "no {$measure->name}, so no value here"),
            ...DenominatorWords::named($zero, $scope, "{$measure->name} is zero in some periods; no value there"),
        ];

        // Of amounts per day each day of the denominator counts.
        $days = $arriving->nature === Nature::Daily ? DaysOf::each($arriving) : [];

        return new Outcome(
            $table->weighedBy(
                static fn(): array => Weights::times(Weights::laid($denominators, $alignment), $days),
            ),
            $remarks,
            (new DenominatorWords($this))->note($measure, $arriving),
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
        $denominators = $this->denominators($arriving, $scope);
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
            (new DenominatorWords($this))->observations($denominators->axis, $arriving->axis, $position, $last),
        );
    }

    private function denominators(SeriesTable $arriving, Scope $scope): SeriesTable
    {
        return Weights::shared($scope->table($this->measure), $arriving, $scope);
    }

    /** @return list<Remark> whose denominator is that of all */
    private function commonRemark(SeriesTable $denominators, Measure $measure, Scope $scope): array
    {
        $own = array_key_first($scope->table($this->measure)->series);

        if (!isset($denominators->series[Weights::COMMON])) {
            return [];
        }
        $who = $scope->nameOf((string) $own);

        return [Remark::saying("{$measure->name} is known of {$who} alone, and is used for all lines.")];
    }

    private function holdsNewest(): bool
    {
        return $this->newest === 'held';
    }
}
