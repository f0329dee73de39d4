<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\MeasureKind;
use DuskRail\Data\Nature;
use DuskRail\Data\SeriesTable;
use DuskRail\Data\Spacing;
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
use DuskRail\Statistics\Equality;
use DuskRail\Time\Frequency;

/**
 * The change on the period before, or on the same period a year before.
 *
 * Per cent is (value ÷ earlier − 1) × 100; annualised is ((value ÷ earlier) ^ (periods in a year ÷ periods between) −
 * 1) × 100, the compound annual growth rate. Both need a value above zero to start from: where it is zero or below
 * there is no result, and that is said. A difference of percentages or indices is in points.
 */
final readonly class Change implements Stop
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
            ['difference' => 'Difference', 'percent' => '%', 'annualised' => '% per year'],
            lead: 'result',
        )]
        public string $as = 'percent',
    ) {}

    public static function type(): string
    {
        return 'change';
    }

    public static function title(): string
    {
        return 'Change';
    }

    public static function purpose(): string
    {
        return 'on the previous period or on a year earlier';
    }

    public static function category(): StopCategory
    {
        return StopCategory::Change;
    }

    public static function default(SeriesTable $arriving, Scope $scope): self
    {
        return new self(
            EarlierPeriod::usual($arriving),
            $arriving->allowsPercent() ? 'percent' : 'difference',
        );
    }

    public function label(SeriesTable $arriving, Scope $scope): string
    {
        $change = $this->as === 'annualised' ? 'annualised change' : 'change';

        return "{$change} {$this->earlier($arriving)->inWords()}";
    }

    public function phrase(SeriesTable $arriving, Scope $scope): string
    {
        return $this->label($arriving, $scope);
    }

    public function refusal(SeriesTable $arriving, Scope $scope): ?string
    {
        return $this->earlier($arriving)->refusal() ?? match (true) {
            $this->as !== 'difference' && !$arriving->allowsPercent()
                => "The input contains {$arriving->inWords()}; a change in % of these is misleading. Use the " .
                'difference.',
            $this->as === 'annualised' && $arriving->axis->frequency === Frequency::Number
                => 'These periods are numbers, not dates. Use the change in %.',
            default => null,
        };
    }

    public function apply(SeriesTable $arriving, Scope $scope): Outcome
    {
        $earlier = $this->earlier($arriving)->positions();
        $power = $this->as === 'annualised' ? $this->power($arriving) : 1.0;
        $unfit = [];
        $table = $arriving->map(
            function (array $values, string $key) use ($earlier, $power, &$unfit): array {
                if ($this->as === 'difference') {
                    return self::differences($values, $earlier);
                }
                [$changes, $isFit] = self::growth($values, $earlier, $power);
                if (!$isFit) {
                    $unfit[] = $key;
                }

                return $changes;
            },
            $this->as === 'difference' ? $arriving->unit->difference() : Unit::of(ValueType::Percent),
            MeasureKind::Rate,
            $this->as === 'difference' ? Nature::Difference : Nature::Growth,
        );
        $names = array_map($scope->nameOf(...), $unfit);

        return new Outcome(
            $table,
            $names === []
                ? []
                : [
                    Remark::saying(
                        Named::few($names) .
                            (count($names) === 1 ? ' is' : ' are') .
                            ' zero or below somewhere; there is no per cent of that.',
                        implode(', ', $names),
                    )->withRemedy('Use the difference', ['as' => 'difference']),
                ],
        );
    }

    /**
     * @param list<float> $values
     * @param list<int> $earlier position of the value before, -1 if there is none
     * @return list<float>
     */
    private static function differences(array $values, array $earlier): array
    {
        $changes = [];
        foreach ($earlier as $i => $from) {
            $changes[] = $from < 0 ? NAN : Equality::difference($values[$i], $values[$from]);
        }

        return $changes;
    }

    /**
     * @param list<float> $values
     * @param list<int> $earlier position of the value before, -1 if there is none
     * @return array{list<float>, bool} growth in per cent, and false if a value before is zero or below
     */
    private static function growth(array $values, array $earlier, float $power): array
    {
        $changes = [];
        $isFit = true;
        foreach ($earlier as $i => $from) {
            $base = $from < 0 ? NAN : $values[$from];
            if ($base > 0.0) {
                $ratio = $values[$i] / $base;
                $changes[] = (($power === 1.0 ? $ratio : ($ratio < 0.0 ? NAN : $ratio ** $power)) - 1.0) * 100.0;
            } else {
                $isFit = $isFit && is_nan($base);
                $changes[] = NAN;
            }
        }

        return [$changes, $isFit];
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
        $now = Explanation::number($values[$position], $then);
        $before =
            $from < 0
                ? 'nothing'
                : Explanation::number($then, $values[$position]) . " ({$arriving->axis->period($from)->label()})";

        return Explanation::of(
            match ($this->as) {
                'difference' => "{$now} − {$before}",
                'percent' => "({$now} ÷ {$before} − 1) × 100",
                default => "(({$now} ÷ {$before}) ^ " . Explanation::number($this->power($arriving)) . ' − 1) × 100',
            },
            $position,
            $from < 0 ? [] : [$from, $position],
        );
    }

    private function power(SeriesTable $arriving): float
    {
        return $this->on === 'year' ? 1.0 : $arriving->axis->frequency->meanPerYear() / Spacing::of($arriving)->step;
    }

    private function earlier(SeriesTable $arriving): EarlierPeriod
    {
        return new EarlierPeriod($this->on, $arriving);
    }
}
