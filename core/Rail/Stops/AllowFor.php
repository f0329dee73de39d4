<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\MeasureKind;
use DuskRail\Data\Nature;
use DuskRail\Data\Numerals;
use DuskRail\Data\SeriesTable;
use DuskRail\Data\Unit;
use DuskRail\Data\ValueType;
use DuskRail\Rail\Explanation;
use DuskRail\Rail\Outcome;
use DuskRail\Rail\Pool;
use DuskRail\Rail\Remark;
use DuskRail\Rail\Scope;
use DuskRail\Rail\Stop;
use DuskRail\Rail\StopCategory;
use DuskRail\Settings\InvalidSetting;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Chosen;
use DuskRail\Settings\Names;
use DuskRail\Settings\ReadsSettings;
use DuskRail\Time\Frequency;

/**
 * What each value is beside the value that would be expected of it, given one to three drivers that an entity cannot
 * help: density, mains per connection, tourism nights. What is expected is found by a fit across the peers, in each
 * period or over all of them. Common practice of benchmarking: regression-adjusted comparison.
 */
final readonly class AllowFor implements Stop
{
    use ReadsSettings;

    /** Peers that a driver needs, by a rule of thumb: common practice, no source. */
    public const PEERS_A_DRIVER = 10;

    /** A fit that explains less than this says next to nothing. */
    public const LITTLE = 0.1;

    public function __construct(
        #[Chosen('driver', of: Names::Measures, missing: 'Choose a measure to allow for.', lead: 'allow for')]
        public string $driver,
        #[Chosen('second driver', of: Names::Measures, none: 'None', lead: 'and')] public string $second = '',
        #[Chosen('third driver', of: Names::Measures, none: 'None', lead: 'and')] public string $third = '',
        #[Choice(
            'result',
            ['difference' => 'Difference from expected', 'ratio' => 'Ratio to expected'],
            lead: 'result',
        )]
        public string $as = 'difference',
        #[Choice(
            'fit',
            ['each' => 'In each period', 'all' => 'Over all periods'],
            lead: 'fit',
            about: 'whether each period has a fit of its own',
        )]
        public string $over = 'each',
        #[Choice('method', ['squares' => 'Least squares', 'medians' => 'Theil–Sen (one driver)'], lead: 'method')]
        public string $method = 'squares',
        #[Choice(
            'scale',
            ['automatic' => 'Automatic', 'plain' => 'As measured', 'logs' => 'Logarithms'],
            lead: 'scale',
            about: 'automatic takes logarithms of what spans a factor of ten or more',
        )]
        public string $scale = 'automatic',
    ) {}

    public static function type(): string
    {
        return 'allow-for';
    }

    public static function title(): string
    {
        return 'Allow for';
    }

    public static function purpose(): string
    {
        return 'what is expected, given a driver';
    }

    public static function category(): StopCategory
    {
        return StopCategory::Place;
    }

    /** The driver that explains most of the latest period. */
    public static function default(SeriesTable $arriving, Scope $scope): self
    {
        $best = null;
        $most = -1.0;
        foreach (array_keys($scope->measures()) as $key) {
            $stop = new self((string) $key);
            if ($stop->refusal($arriving, $scope) !== null) {
                continue;
            }
            $fits = new DriverFits($stop);
            $rows = $fits->rows($arriving, $scope, $fits->laid($arriving, $scope));
            [$fit] = DriverFits::newest($rows, $fits->fits($rows));
            // What explains everything is the same thing.
            if ($fit !== null && $fit->rSquared > $most && $fit->rSquared < 0.999) {
                [$best, $most] = [$stop, $fit->rSquared];
            }
        }

        return $best ??
            throw InvalidSetting::because(
                self::title(),
                'no measure can be allowed for here: it needs another measure, and at least ' .
                    self::PEERS_A_DRIVER .
                    ' peers that have both.',
            );
    }

    public function label(SeriesTable $arriving, Scope $scope): string
    {
        return 'allow for ' . implode(', ', (new DriverWords($this))->names($scope));
    }

    public function phrase(SeriesTable $arriving, Scope $scope): string
    {
        return ($this->as === 'ratio' ? 'ratio to' : 'difference from') .
            ' what is expected given ' .
            implode(' and ', (new DriverWords($this))->names($scope));
    }

    public function refusal(SeriesTable $arriving, Scope $scope): ?string
    {
        foreach ($this->drivers() as $key) {
            if (!isset($scope->measures()[$key])) {
                return "The data set has no measure “{$key}” to allow for. Choose another, or add a file with it.";
            }
            $table = $scope->table($key);
            if (
                ($table->axis->frequency === Frequency::Number) !==
                ($arriving->axis->frequency === Frequency::Number)
            ) {
                return "{$scope->measures()[$key]->name} and the input have no periods in common. Choose another " .
                    'measure.';
            }
        }
        if ($arriving->nature->isRelative() || ($this->as === 'ratio' && !$arriving->allowsPercent())) {
            return "The input contains {$arriving->inWords()}, of which there is no " .
                ($this->as === 'ratio'
                    ? 'ratio. Use the difference, or move this stop earlier.'
                    : 'expected value. Move this stop earlier.');
        }
        // Whether there are entities enough; where some have no value, a period has no fit, and it is said.
        $peers = $scope->peers($arriving);
        foreach ($this->drivers() as $key) {
            $peers = array_filter(
                array_intersect_key($peers, $scope->table($key)->series),
                static fn(int|string $peer): bool => $scope->table($key)->series[$peer]->lastPosition() !== null,
                ARRAY_FILTER_USE_KEY,
            );
        }

        return count($peers) >= self::PEERS_A_DRIVER * count($this->drivers())
            ? null
            : count($peers) .
                    ' peers have all values; a fit needs at least ' .
                    self::PEERS_A_DRIVER .
                    ' per driver. Use fewer drivers, or a larger peer set.';
    }

    public function apply(SeriesTable $arriving, Scope $scope): Outcome
    {
        $words = new AllowForWords($this);
        $driverFits = new DriverFits($this);
        $laid = $driverFits->laid($arriving, $scope);
        $rows = $driverFits->rows($arriving, $scope, $laid);
        $fits = $driverFits->fits($rows);
        // What is expected of several together does not follow from their sums.
        $pools = array_flip(array_map(static fn(Pool $pool): string => $pool->key, $scope->pools));
        $as = $this->as;
        $table = $arriving->map(
            static function (array $values, string $key) use ($fits, $laid, $pools, $as): array {
                $own = [];
                foreach ($values as $i => $value) {
                    $fit = isset($pools[$key]) ? null : $fits[$i] ?? null;
                    $expected = $fit === null ? NAN : $fit->at(DriverFits::driversAt($laid, $key, $i));
                    $own[] = match (true) {
                        $as === 'difference' => $value - $expected,
                        is_nan($expected) || $expected <= 0.0 => NAN,
                        default => $value / $expected,
                    };
                }

                return $own;
            },
            $as === 'difference' ? $arriving->unit->difference() : Unit::of(ValueType::Score, 'ratio'),
            MeasureKind::Rate,
            $as === 'difference' ? Nature::Difference : Nature::Factor,
        );
        [$fit, $at, $peers] = DriverFits::newest($rows, $fits);

        return new Outcome(
            $table,
            [
                ...$fit === null
                    ? [Remark::saying('In no period do enough peers have all values, so nothing is expected.')]
                    : $words->remarks($arriving, $scope, $fit, $at, $peers),
                ...$pools === [] ? [] : [Remark::saying('Groups have no expected value.')],
            ],
            $fit === null ? '' : 'R² ' . Numerals::text($fit->rSquared, 2) . ', ' . $words->counted($fit),
        );
    }

    public function explain(
        SeriesTable $arriving,
        SeriesTable $leaving,
        Scope $scope,
        string $key,
        int $position,
    ): Explanation {
        $driverFits = new DriverFits($this);
        $laid = $driverFits->laid($arriving, $scope);
        $rows = $driverFits->rows($arriving, $scope, $laid);
        $fit = $driverFits->fits($rows)[$position] ?? null;
        $value = Explanation::number($arriving->series[$key]->values[$position]);
        if ($fit === null) {
            return Explanation::of("{$value} without a fit: too few peers have all values", $position);
        }
        $drivers = DriverFits::driversAt($laid, $key, $position);
        $names = (new DriverWords($this))->names($scope);
        $terms = Explanation::number($fit->intercept);
        foreach ($fit->slopes as $j => $slope) {
            $driver = Explanation::number($drivers[$j]);
            $terms .=
                ($slope < 0 ? ' − ' : ' + ') .
                Explanation::number(abs($slope)) .
                ' × ' .
                ($fit->logs[$j] ? "ln {$driver}" : $driver) .
                " ({$names[$j]})";
        }
        $expected = $fit->isLog ? "exp({$terms})" : "({$terms})";
        $counted = (new AllowForWords($this))->counted($fit);
        [$least, $most] = $driverFits->withoutOne($rows, $position, $drivers);

        return Explanation::of(
            "{$value} " .
                ($this->as === 'ratio' ? '÷' : '−') .
                " {$expected}; R² " .
                Numerals::text($fit->rSquared, 2) .
                ", {$counted}; without any one peer, expected {$least} to {$most}",
            $position,
            [],
            (new DriverWords($this))->observations($arriving, $scope, $position),
        );
    }

    public function conflict(): ?string
    {
        $drivers = $this->drivers();

        return match (true) {
            count(array_unique($drivers)) < count($drivers) => 'the same driver is chosen twice. Choose another.',
            $this->method === 'medians' && count($drivers) > 1
                => 'Theil–Sen takes one driver. Use least squares for several.',
            default => null,
        };
    }

    /** @return non-empty-list<string> keys of the measures that are allowed for */
    public function drivers(): array
    {
        return [
            $this->driver,
            ...array_values(array_filter([$this->second, $this->third], static fn(string $k): bool => $k !== '')),
        ];
    }
}
