<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Nature;
use DuskRail\Data\Numerals;
use DuskRail\Data\SeriesTable;
use DuskRail\Data\Unit;
use DuskRail\Data\ValueType;
use DuskRail\Peers\Expectation;
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
    private const PEERS_A_DRIVER = 10;

    /** A fit that explains less than this says next to nothing. */
    private const LITTLE = 0.1;

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
            $rows = $stop->rows($arriving, $scope, $stop->laid($arriving, $scope));
            [$fit] = self::newest($rows, $stop->fits($rows));
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
        return 'allow for ' . implode(', ', $this->names($scope));
    }

    public function phrase(SeriesTable $arriving, Scope $scope): string
    {
        return ($this->as === 'ratio' ? 'ratio to' : 'difference from') .
            ' what is expected given ' .
            implode(' and ', $this->names($scope));
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
        $laid = $this->laid($arriving, $scope);
        $rows = $this->rows($arriving, $scope, $laid);
        $fits = $this->fits($rows);
        // What is expected of several together does not follow from their sums.
        $pools = array_flip(array_map(static fn(Pool $pool): string => $pool->key, $scope->pools));
        $as = $this->as;
        $table = $arriving->map(
            static function (array $values, string $key) use ($fits, $laid, $pools, $as): array {
                $own = [];
                foreach ($values as $i => $value) {
                    $fit = isset($pools[$key]) ? null : $fits[$i] ?? null;
                    $expected = $fit === null ? NAN : $fit->at(self::driversAt($laid, $key, $i));
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
        [$fit, $at, $peers] = self::newest($rows, $fits);

        return new Outcome(
            $table,
            [
                ...$fit === null
                    ? [Remark::saying('In no period do enough peers have all values, so nothing is expected.')]
                    : $this->remarks($arriving, $scope, $fit, $at, $peers),
                ...$pools === [] ? [] : [Remark::saying('Groups have no expected value.')],
            ],
            $fit === null ? '' : 'R² ' . Numerals::text($fit->rSquared, 2) . ", {$this->counted($fit)}",
        );
    }

    public function explain(
        SeriesTable $arriving,
        SeriesTable $leaving,
        Scope $scope,
        string $key,
        int $position,
    ): Explanation {
        $laid = $this->laid($arriving, $scope);
        $rows = $this->rows($arriving, $scope, $laid);
        $fit = $this->fits($rows)[$position] ?? null;
        $value = Explanation::number($arriving->series[$key]->values[$position]);
        if ($fit === null) {
            return Explanation::of("{$value} without a fit: too few peers have all values", $position);
        }
        $drivers = self::driversAt($laid, $key, $position);
        $names = $this->names($scope);
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
        [$least, $most] = $this->withoutOne($rows, $position, $drivers);

        return Explanation::of(
            "{$value} " .
                ($this->as === 'ratio' ? '÷' : '−') .
                " {$expected}; R² " .
                Numerals::text($fit->rSquared, 2) .
                ", {$this->counted($fit)}; without any one peer, expected {$least} to {$most}",
            $position,
            [],
            $this->observations($arriving, $scope, $position),
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
    private function drivers(): array
    {
        return [
            $this->driver,
            ...array_values(array_filter([$this->second, $this->third], static fn(string $k): bool => $k !== '')),
        ];
    }

    /** @return list<string> */
    private function names(Scope $scope): array
    {
        return array_map(
            static fn(string $key): string => mb_strtolower($scope->measures()[$key]->name ?? $key),
            $this->drivers(),
        );
    }

    /** @return list<array<array-key, list<float>>> the drivers along the axis that arrives, by entity */
    private function laid(SeriesTable $arriving, Scope $scope): array
    {
        return array_map(static function (string $key) use ($arriving, $scope): array {
            $table = $scope->table($key);

            return Weights::laid($table, Alignment::of($table, $arriving->axis, Between::Carried, true));
        }, $this->drivers());
    }

    /** How many the fit is made of: over all periods each peer comes again. */
    private function counted(Expectation $fit): string
    {
        return $this->over === 'all' ? Explanation::values($fit->count) . ' of the peers' : "{$fit->count} peers";
    }

    /**
     * The peers that have their value and all drivers, by position.
     *
     * @param list<array<array-key, list<float>>> $laid the drivers, as laid() has them
     * @return list<array<array-key, list<float>>> rows by entity: the value, then the drivers
     */
    private function rows(SeriesTable $arriving, Scope $scope, array $laid): array
    {
        $rows = array_fill(0, $arriving->axis->count, []);
        foreach ($scope->peers($arriving) as $key => $values) {
            foreach ($values as $i => $value) {
                $row = [$value, ...self::driversAt($laid, (string) $key, $i)];
                if (is_finite(array_sum($row))) {
                    $rows[$i][$key] = $row;
                }
            }
        }

        return array_values($rows);
    }

    /**
     * @param list<array<array-key, list<float>>> $laid
     * @return list<float>
     */
    private static function driversAt(array $laid, string $key, int $position): array
    {
        return array_map(static fn(array $driver): float => $driver[$key][$position] ?? NAN, $laid);
    }

    /**
     * @param list<array<array-key, list<float>>> $rows
     * @return array<int, Expectation> by position, where there are peers enough
     */
    private function fits(array $rows): array
    {
        $needed = self::PEERS_A_DRIVER * count($this->drivers());
        $all = array_merge(...array_map(array_values(...), $rows));
        // One scale for all periods, so that they compare.
        [$isLog, $logs] = $this->scales($all);
        $fits = [];
        $one = $this->over === 'all' ? $this->fit($all, $logs, $isLog) : null;
        foreach ($rows as $i => $own) {
            $fit =
                $this->over === 'all'
                    ? $one
                    : (count($own) < $needed
                        ? null
                        : $this->fit(array_values($own), $logs, $isLog));
            if ($fit !== null) {
                $fits[$i] = $fit;
            }
        }

        return $fits;
    }

    /**
     * @param list<list<float>> $rows
     * @return array{bool, list<bool>}
     */
    private function scales(array $rows): array
    {
        $columns = [];
        for ($j = 0; $j <= count($this->drivers()); $j++) {
            $columns[] = array_column($rows, $j);
        }
        $asked = Expectation::scales($columns);
        if ($this->scale === 'logs') {
            $asked = array_map(static fn(array $c): bool => $c !== [] && min($c) > 0.0, $columns);
        }
        $asked = $this->scale === 'plain' ? array_fill(0, count($columns), false) : $asked;

        return [$asked[0], array_slice($asked, 1)];
    }

    /**
     * @param list<list<float>> $rows
     * @param list<bool> $logs
     */
    private function fit(array $rows, array $logs, bool $isLog): ?Expectation
    {
        $drivers = [];
        foreach (array_keys($this->drivers()) as $j) {
            $drivers[] = array_column($rows, $j + 1);
        }

        return Expectation::fit($drivers, array_column($rows, 0), $logs, $isLog, $this->method === 'medians');
    }

    /**
     * The fit of the latest period that has one.
     *
     * @param list<array<array-key, list<float>>> $rows
     * @param array<int, Expectation> $fits
     * @return array{Expectation|null, int, array<array-key, list<float>>} with its position, and the peers it is of
     */
    private static function newest(array $rows, array $fits): array
    {
        $at = count($rows) - 1;
        while ($at >= 0 && (!isset($fits[$at]) || $rows[$at] === [])) {
            $at--;
        }

        return [$fits[$at] ?? null, $at, $rows[$at] ?? []];
    }

    /**
     * @param array<array-key, list<float>> $peers
     * @return list<Remark>
     */
    private function remarks(SeriesTable $arriving, Scope $scope, Expectation $fit, int $at, array $peers): array
    {
        $when = $this->over === 'all' ? '' : " in {$arriving->axis->period($at)->label()}";
        $remarks = [];
        if (is_nan($fit->rSquared) || $fit->rSquared < self::LITTLE) {
            $remarks[] = Remark::saying(
                ucfirst(implode(' and ', $this->names($scope))) .
                    " explain next to nothing{$when} (R² " .
                    Numerals::text($fit->rSquared, 2) .
                    '), so what is expected is close to the mean of the peers.',
            );
        }
        $laid = $this->laid($arriving, $scope);
        foreach ($scope->focus as $key) {
            foreach ($this->drivers() as $j => $driver) {
                $own = self::driversAt($laid, $key, $at)[$j];
                $column = array_column($peers, $j + 1);
                if ($column !== [] && ($own > max($column) || $own < min($column))) {
                    $remarks[] = Remark::saying(
                        self::beyond($scope->nameOf($key), $scope->measures()[$driver], $own, $column) . $when,
                    );
                }
            }
        }

        return $remarks;
    }

    /** @param non-empty-list<float> $column */
    private static function beyond(string $name, Measure $driver, float $own, array $column): string
    {
        [$edge, $which] =
            $own > max($column) ? [max($column), 'above the highest'] : [min($column), 'below the lowest'];
        $far = $edge > 0.0 ? Numerals::text(abs($own / $edge - 1.0) * 100.0, 0) . ' % ' : '';

        return "{$name} lies {$far}{$which} peer in {$driver->name}; what is expected of it is extrapolated";
    }

    /**
     * What is expected when each peer in turn is left out.
     *
     * @param list<array<array-key, list<float>>> $rows
     * @param list<float> $drivers
     * @return array{string, string} the least and the most
     */
    private function withoutOne(array $rows, int $position, array $drivers): array
    {
        $all = array_merge(...array_map(array_values(...), $rows));
        [$isLog, $logs] = $this->scales($all);
        $expected = [];
        foreach (array_keys($rows[$position]) as $left) {
            $others =
                $this->over === 'all'
                    ? array_merge(
                        ...array_map(
                            static fn(array $r): array => array_values(array_diff_key($r, [$left => 1])),
                            $rows,
                        ),
                    )
                    : array_values(array_diff_key($rows[$position], [$left => 1]));
            $value = $this->fit($others, $logs, $isLog)?->at($drivers) ?? NAN;
            if (!is_nan($value)) {
                $expected[] = $value;
            }
        }

        return $expected === []
            ? ['nothing', 'nothing']
            : [Explanation::number(min($expected)), Explanation::number(max($expected))];
    }

    /** @return list<array{measure: string, ordinal: int}> of the drivers */
    private function observations(SeriesTable $arriving, Scope $scope, int $position): array
    {
        $observations = [];
        foreach ($this->drivers() as $key) {
            $axis = $scope->table($key)->axis;
            if (!$axis->frequency->isFinerThan($arriving->axis->frequency)) {
                $observations[] = [
                    'measure' => $key,
                    'ordinal' => $arriving->axis->period($position)->in($axis->frequency)->ordinal,
                ];
            }
        }

        return $observations;
    }
}
