<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\MeasureKind;
use DuskRail\Data\Series;
use DuskRail\Data\SeriesTable;
use DuskRail\Rail\Explanation;
use DuskRail\Rail\Outcome;
use DuskRail\Rail\Remark;
use DuskRail\Rail\Scope;
use DuskRail\Rail\Stop;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\ReadsSettings;
use DuskRail\Time\Frequency;
use DuskRail\Time\PeriodAxis;
use DuskRail\Time\PeriodRange;

/**
 * Coarser periods: a flow is added up; of a stock the last, first or mean level is taken; a rate is refused, since a
 * year's rate is not a sum or a mean of its months' rates.
 *
 * A period in which a value is missing has none, except the newest while it is unfinished: it is kept and said, left
 * out, or scaled up to its full length by days.
 */
final readonly class ChangeOfPeriod implements Stop
{
    use ReadsSettings;

    public function __construct(
        #[
            Choice(
                'period',
                [
                    'week' => 'weeks',
                    'month' => 'months',
                    'quarter' => 'quarters',
                    'half-year' => 'half-years',
                    'year' => 'years',
                ],
                enum: Frequency::class,
                lead: 'by',
                from: 'coarser periods',
            ),
        ]
        public Frequency $to = Frequency::Year,
        #[
            Choice(
                'level',
                ['last' => 'the last level', 'first' => 'the first level', 'mean' => 'the mean level'],
                lead: 'taking',
                if: 'stock',
                about: 'what is taken of a stock',
            ),
        ]
        public string $level = 'last',
        #[
            Choice(
                'unfinished period',
                ['kept' => 'shown dashed', 'out' => 'left out', 'scaled' => 'scaled up by days'],
                lead: 'the newest, if unfinished,',
            ),
        ]
        public string $unfinished = 'kept',
    ) {}

    public static function type(): string
    {
        return 'period';
    }

    public static function title(): string
    {
        return 'Change of period';
    }

    public static function purpose(): string
    {
        return 'months to quarters, to years …';
    }

    public static function usual(SeriesTable $arriving, Scope $scope): self
    {
        return new self($arriving->axis->frequency === Frequency::Day ? Frequency::Month : Frequency::Year);
    }

    public function label(SeriesTable $arriving, Scope $scope): string
    {
        return "by the {$this->to->value}";
    }

    public function phrase(SeriesTable $arriving, Scope $scope): string
    {
        return $this->label($arriving, $scope);
    }

    public function refusal(SeriesTable $arriving, Scope $scope): ?string
    {
        return match (true) {
            !$arriving->axis->frequency->isFinerThan($this->to) => 'The figures are ' .
                "{$arriving->axis->frequency->adjective()} already and cannot be cut into " .
                "{$this->to->value}s. Choose a coarser period.",
            $arriving->kind === MeasureKind::Rate => "What arrives here ({$arriving->unit->text()}) is a " .
                "quotient; a {$this->to->value}’s is not the sum or mean of its " .
                "{$arriving->axis->frequency->value}s’. Put this stop before " .
                'the division, so that it is worked out from its parts.',
            $arriving->axis->frequency === Frequency::Week && $this->to !== Frequency::Year
                => 'Weeks do not fit into months or quarters. Choose years, in which a week belongs where its ' .
                'Thursday is.',
            default => null,
        };
    }

    public function apply(SeriesTable $arriving, Scope $scope): Outcome
    {
        $axis = $arriving->axis;
        if ($axis->count === 0) {
            return new Outcome($arriving);
        }
        $first = $axis->period(0)->in($this->to);
        $last = $axis->period($axis->count - 1)->in($this->to);
        $target = PeriodAxis::along(PeriodRange::between($first, $last));
        $parts = [];
        for ($i = 0; $i < $axis->count; $i++) {
            $parts[$axis->period($i)->in($this->to)->ordinal - $target->first][] = $i;
        }
        $wholes = [];
        for ($i = 0; $i < $target->count; $i++) {
            $wholes[] = PeriodRange::between($target->period($i), $target->period($i))->at($axis->frequency)->count();
        }
        $unfinished = [];
        $series = [];
        foreach ($arriving->series as $key => $one) {
            $values = [];
            $newest = $one->lastPosition() ?? -1;
            for ($i = 0; $i < $target->count; $i++) {
                [$value, $open] = $this->combined($one->values, $parts[$i] ?? [], $wholes[$i], $newest, $arriving);
                $values[] = $value;
                if ($open) {
                    $unfinished[$i] = $i;
                }
            }
            $series[] = new Series((string) $key, $values);
        }
        $table = new SeriesTable(
            $target,
            $arriving->unit->insteadOf($axis->frequency, $this->to->value),
            $arriving->kind,
            $series,
        );

        $open = $unfinished === [] || $this->unfinished === 'out' ? null : min($unfinished);

        return new Outcome(
            $table,
            $this->remarks(
                array_map(static fn(int $at): string => $target->period($at)->label(), array_values($unfinished)),
            ),
            '',
            $open,
        );
    }

    public function explain(
        SeriesTable $arriving,
        SeriesTable $leaving,
        Scope $scope,
        string $key,
        int $position,
    ): Explanation {
        $range = PeriodRange::between($leaving->axis->period($position), $leaving->axis->period($position));
        [$from, $to] = $arriving->axis->positions($range) ?? [0, -1];
        $inputs = array_values(
            array_filter(
                $from <= $to ? range($from, $to) : [],
                static fn(int $at): bool => !is_nan($arriving->series[$key]->values[$at]),
            ),
        );
        $how = $arriving->kind === MeasureKind::Flow ? 'sum' : "{$this->level} level";
        $scaled =
            $this->unfinished === 'scaled' && count($inputs) < $range->at($arriving->axis->frequency)->count()
                ? ', scaled up to the whole'
                : '';

        return Explanation::of(
            "{$how} of " . count($inputs) . ' values' . $scaled,
            $inputs === [] ? max(0, $from) : end($inputs),
            $inputs,
        );
    }

    /**
     * @param list<float> $values
     * @param list<int> $positions of the parts that the axis has
     * @return array{float, bool} the value, and whether it is of an unfinished period
     */
    private function combined(array $values, array $positions, int $whole, int $newest, SeriesTable $arriving): array
    {
        if ($positions === []) {
            return [NAN, false];
        }
        if ($arriving->kind === MeasureKind::Flow && count($positions) === $whole) {
            $sum = array_sum(array_slice($values, $positions[0], $whole));
            if (!is_nan($sum)) {
                return [$sum, false];
            }
        }
        $present = array_values(array_filter($positions, static fn(int $at): bool => !is_nan($values[$at])));
        if ($present === []) {
            return [NAN, false];
        }
        // Unfinished is what ends with the series' newest value and misses nothing before it.
        $complete = count($present) === $whole;
        $first = $arriving->axis->period($positions[0]);
        $open =
            !$complete &&
            end($present) === $newest &&
            count($present) === $newest - $positions[0] + 1 &&
            $first->plus(-1)->in($this->to)->ordinal !== $first->in($this->to)->ordinal;
        if (!$complete && (!$open || $this->unfinished === 'out')) {
            return [NAN, $open];
        }
        $parts = array_map(static fn(int $at): float => $values[$at], $present);
        if ($arriving->kind === MeasureKind::Stock) {
            return [
                match ($this->level) {
                    'first' => $parts[0],
                    'mean' => array_sum($parts) / count($parts),
                    default => $parts[count($parts) - 1],
                },
                $open,
            ];
        }
        $sum = array_sum($parts);
        if ($open && $this->unfinished === 'scaled') {
            $period = $arriving->axis->period($present[0])->in($this->to);
            $covered = $arriving->axis->period(end($present))->lastDay() - $period->firstDay() + 1;
            $sum *= ($period->lastDay() - $period->firstDay() + 1) / $covered;
        }

        return [$sum, $open];
    }

    /**
     * @param list<string> $unfinished
     * @return list<Remark>
     */
    private function remarks(array $unfinished): array
    {
        if ($unfinished === []) {
            return [];
        }
        $which = Named::few($unfinished) . (count($unfinished) === 1 ? ' is' : ' are');

        return [
            match ($this->unfinished) {
                'kept' => Remark::saying("{$which} not finished; what there is of it is shown dashed.")->withRemedy(
                    'Leave it out',
                    ['unfinished' => 'out'],
                ),
                'scaled' => Remark::saying(
                    "{$which} not finished; it is scaled up to its full length by days.",
                )->withRemedy('Leave it out', ['unfinished' => 'out']),
                default => Remark::saying("{$which} not finished and left out.")->withRemedy('Scale it up', [
                    'unfinished' => 'scaled',
                ]),
            },
        ];
    }
}
