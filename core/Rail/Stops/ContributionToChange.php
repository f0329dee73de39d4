<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\MeasureKind;
use DuskRail\Data\Members;
use DuskRail\Data\Nature;
use DuskRail\Data\Presence;
use DuskRail\Data\SeriesTable;
use DuskRail\Data\Unit;
use DuskRail\Data\ValueType;
use DuskRail\Rail\Explanation;
use DuskRail\Rail\Outcome;
use DuskRail\Rail\Remark;
use DuskRail\Rail\Scope;
use DuskRail\Rail\Stop;
use DuskRail\Rail\StopCategory;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\ReadsSettings;

/**
 * What each line adds to the change of all lines together, period by period: its own change, or that as a share of the
 * whole before, which is the contribution to growth in percentage points. Those of all lines add up to the change, or
 * to the growth, of the whole.
 *
 * A member that comes in or has ended counts with all it has; where a value of one that goes on is missing, at either
 * of the two periods, there is no change of the whole and no contribution.
 */
final readonly class ContributionToChange implements Stop
{
    use ReadsSettings;

    public function __construct(
        #[Choice(
            'comparison',
            ['previous' => 'Previous period', 'year' => 'Same period a year earlier'],
            lead: 'Compared with',
        )]
        public string $on = 'year',
        #[Choice(
            'form',
            ['points' => 'Percentage points of growth', 'difference' => 'Difference'],
            lead: 'result',
        )]
        public string $as = 'points',
    ) {}

    public static function type(): string
    {
        return 'contribution';
    }

    public static function title(): string
    {
        return 'Contribution to change';
    }

    public static function purpose(): string
    {
        return 'what each line adds to the growth of all';
    }

    public static function category(): StopCategory
    {
        return StopCategory::Place;
    }

    public static function default(SeriesTable $arriving, Scope $scope): self
    {
        return new self(EarlierPeriod::usual($arriving));
    }

    public function label(SeriesTable $arriving, Scope $scope): string
    {
        $to = $this->as === 'points' ? 'growth' : 'the change';

        return "contribution to {$to}{$scope->among()} {$this->earlier($arriving)->inWords()}";
    }

    public function phrase(SeriesTable $arriving, Scope $scope): string
    {
        return $this->label($arriving, $scope);
    }

    public function refusal(SeriesTable $arriving, Scope $scope): ?string
    {
        return $arriving->nature->isDivisible()
            ? $this->earlier($arriving)->refusal()
            : "The input contains {$arriving->inWords()}, which cannot be summed, so no line contributes to a total. " .
                    'Move this stop directly after the measure, or use the view Contributions for ratios.';
    }

    public function apply(SeriesTable $arriving, Scope $scope): Outcome
    {
        $earlier = $this->earlier($arriving)->positions();
        $parts = $scope->compared($arriving);
        $members = Members::of($parts, $arriving->axis->frequency);
        $lacking = $members->lacking();
        $wholes = self::wholes($parts, $arriving->axis->count);
        $isPoints = $this->as === 'points';
        $table = $arriving->map(
            static function (array $values, string $key) use (
                $earlier,
                $parts,
                $members,
                $lacking,
                $wholes,
                $isPoints,
            ): array {
                $own = $values;
                foreach ($earlier as $i => $from) {
                    $before = $from < 0 ? NAN : $wholes[$from];
                    $isWhole = !isset($lacking[$i]) && !isset($lacking[$from]) && !is_nan($before);
                    $change = $isWhole
                        ? self::change($values, $i, $from, isset($parts[$key]) ? $members : null, $key)
                        : NAN;
                    $own[$i] = match (true) {
                        !$isPoints => $change,
                        $before > 0.0 => ($change / $before) * 100.0,
                        default => NAN,
                    };
                }

                return $own;
            },
            $isPoints ? Unit::of(ValueType::Percent)->difference() : $arriving->unit->difference(),
            MeasureKind::Rate,
            Nature::Difference,
        );
        $names = array_map($scope->nameOf(...), array_values(array_unique(array_merge(...array_values($lacking)))));

        return new Outcome(
            $table,
            $names === []
                ? []
                : [
                    Remark::saying(
                        Named::few($names) . ': no value in some periods, so there are no contributions in these.',
                        implode(', ', $names),
                    ),
                ],
        );
    }

    /**
     * @param list<float> $values
     * @param Members|null $members null for a line that is no member, which has a change where it has both values
     */
    private static function change(array $values, int $at, int $from, ?Members $members, string $key): float
    {
        [$now, $before] = [$values[$at], $values[$from]];
        if ($members === null || (!is_nan($now) && !is_nan($before))) {
            return $now - $before;
        }
        if (is_nan($now) && is_nan($before)) {
            return NAN;
        }

        // Nothing is missing here: it has come in, or has ended.
        return is_nan($now)
            ? ($members->presence($key, $at) === Presence::Ended ? -$before : NAN)
            : ($members->presence($key, $from) === Presence::NotBegun ? $now : NAN);
    }

    /**
     * @param array<string, list<float>> $parts
     * @return list<float> NAN where nobody has a value
     */
    private static function wholes(array $parts, int $count): array
    {
        $wholes = array_fill(0, $count, NAN);
        foreach ($parts as $values) {
            foreach ($values as $i => $value) {
                if (!is_nan($value)) {
                    $wholes[$i] = is_nan($wholes[$i]) ? $value : $wholes[$i] + $value;
                }
            }
        }

        return array_values($wholes);
    }

    public function explain(
        SeriesTable $arriving,
        SeriesTable $leaving,
        Scope $scope,
        string $key,
        int $position,
    ): Explanation {
        $from = $this->earlier($arriving)->positions()[$position];
        $values = $arriving->series[$key]->values;
        $then = $from < 0 ? NAN : $values[$from];
        $number = static fn(float $value, float $beside): string => is_nan($value)
            ? '0'
            : Explanation::number($value, $beside);
        $change = "{$number($values[$position], $then)} − {$number($then, $values[$position])}";
        $inputs = $from < 0 ? [] : [$from, $position];
        if ($this->as === 'difference' || $from < 0) {
            return Explanation::of($change, $position, $inputs);
        }
        $whole = self::wholes($scope->compared($arriving), $arriving->axis->count)[$from];

        return Explanation::of(
            "({$change}) ÷ " .
                Explanation::number($whole) .
                " (all{$scope->among()}, {$arriving->axis->period($from)->label()}) × 100",
            $position,
            $inputs,
        );
    }

    private function earlier(SeriesTable $arriving): EarlierPeriod
    {
        return new EarlierPeriod($this->on, $arriving);
    }
}
