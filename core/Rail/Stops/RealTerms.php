<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Nature;
use DuskRail\Data\Series;
use DuskRail\Data\SeriesTable;
use DuskRail\Data\ValueType;
use DuskRail\Rail\Explanation;
use DuskRail\Rail\Outcome;
use DuskRail\Rail\Remark;
use DuskRail\Rail\Scope;
use DuskRail\Rail\Stop;
use DuskRail\Rail\StopCategory;
use DuskRail\Settings\InvalidSetting;
use DuskRail\Settings\Kinds\Chosen;
use DuskRail\Settings\Kinds\Parsed;
use DuskRail\Settings\Names;
use DuskRail\Settings\ReadsSettings;
use DuskRail\Time\PeriodRange;

/**
 * Takes price change out: value ÷ price index × price index of a chosen period, so that all is in the prices of then.
 *
 * The index may be finer than the data, and is then averaged over each of their periods, all of which must be there.
 */
final readonly class RealTerms implements Stop
{
    use ReadsSettings;

    public function __construct(
        #[Chosen('price index', of: Names::PriceIndices)] public string $index,
        #[Parsed(
            'prices',
            PeriodRange::class,
            hint: '2019 or 2019-03',
            allowed: 'a period',
            lead: 'Prices of',
            about: 'the period whose prices are used',
        )]
        public PeriodRange $prices,
    ) {}

    public static function type(): string
    {
        return 'real-terms';
    }

    public static function title(): string
    {
        return 'Real terms';
    }

    public static function purpose(): string
    {
        return 'removes price changes from money values';
    }

    public static function category(): StopCategory
    {
        return StopCategory::Compare;
    }

    public static function default(SeriesTable $arriving, Scope $scope): self
    {
        $candidates = self::candidates($scope);
        $key =
            array_key_first($candidates) ??
            throw InvalidSetting::because(self::title(), 'the data set has no price index. Add a file with one.');
        $axis = $scope->table($key)->axis;

        return new self($key, PeriodRange::parse((string) $axis->period(0)->yearNumber()));
    }

    public function label(SeriesTable $arriving, Scope $scope): string
    {
        return "prices of {$this->prices->label()}";
    }

    public function phrase(SeriesTable $arriving, Scope $scope): string
    {
        $axis = isset($scope->measures()[$this->index]) ? $scope->table($this->index)->axis : null;
        $reached = $axis === null ? '' : BasePositions::reached($this->prices, $axis);

        return "in prices of {$this->prices->label()}" . ($reached === '' ? '' : " ({$reached})");
    }

    public function refusal(SeriesTable $arriving, Scope $scope): ?string
    {
        if (!isset($scope->measures()[$this->index])) {
            return "The data set has no price index “{$this->index}”. Add a file with it.";
        }
        $prices = $scope->table($this->index);

        return match (true) {
            !$arriving->unit->isAmount(),
            $arriving->unit->isNoMoney()
                => "The input contains {$arriving->inWords()} and not money. Move this stop directly after a " .
                'measure in money.',
            $arriving->unit->isReal() => 'The input is already at constant prices. Remove one of the two stops.',
            $arriving->nature === Nature::Difference
                => 'A difference between two periods mixes the prices of both. Move this stop earlier.',
            in_array($arriving->nature, [Nature::Total, Nature::Window], true)
                => "The input contains {$arriving->inWords()}, which mix the prices of several periods. Move " .
                'this stop earlier.',
            $scope->measures()[$this->index]->unit->sort === ValueType::Percent
                => "{$scope->measures()[$this->index]->name} is in %: it is a rate of price change, not a price " .
                'level. Choose a price index.',
            $prices->axis->frequency !== $arriving->axis->frequency &&
                !$prices->axis->frequency->isFinerThan($arriving->axis->frequency)
                => 'The price index has longer periods than the values. Add “Aggregate” before this stop.',
            $prices->axis->positions($this->prices) === null
                => "The price index has no value for {$this->prices->label()} (it covers " .
                "{$prices->axis->range()->label()}). Choose a period within it.",
            default => null,
        };
    }

    public function apply(SeriesTable $arriving, Scope $scope): Outcome
    {
        $prices = $scope->table($this->index);
        // A price index holds for all, so the one series there is serves every entity.
        $series = array_values($prices->series)[0] ?? new Series('', []);
        [$from, $to] = $prices->axis->positions($this->prices) ?? [0, -1];
        $then = array_slice($series->values, $from, $to - $from + 1);
        $known = array_filter($then, static fn(float $v): bool => !is_nan($v));
        $level = $known === [] ? NAN : array_sum($known) / count($known);
        [$figures, $places] = Alignment::of(
            new SeriesTable($prices->axis, $prices->unit, MeasureKind::Stock, []),
            $arriving->axis,
            Between::Carried,
            false,
        )->laid($series);
        $factors = array_map(
            static fn(int $place): float => ($figures[$place] ?? NAN) > 0.0 ? $level / $figures[$place] : NAN,
            $places,
        );
        $lacks = false;
        $table = $arriving->map(static function (array $values) use ($factors, &$lacks): array {
            $real = [];
            foreach ($values as $i => $value) {
                $real[] = $value * $factors[$i];
                $lacks = $lacks || (is_nan($factors[$i]) && !is_nan($value));
            }

            return $real;
        }, $arriving->unit->noted("prices of {$this->prices->label()}"));

        $wished = $this->prices->at($prices->axis->frequency)->count();
        $there = count($known);
        $missing = $there === $wished ? '' : "{$there} of {$wished} {$prices->axis->frequency->noun()}s";
        $remarks = [
            ...$lacks ? [Remark::saying('The price index is missing in some periods; no value there.')] : [],
            ...$missing === ''
                ? []
                : [Remark::saying("The prices of {$this->prices->label()} are the mean of {$missing}.")],
        ];

        // Prices change what is above the line alone.
        $table = $arriving->weights === null ? $table : $table->weighedBy($arriving->weights);

        return new Outcome($table, $remarks, $missing === '' ? '' : "prices of {$missing}");
    }

    public function explain(
        SeriesTable $arriving,
        SeriesTable $leaving,
        Scope $scope,
        string $key,
        int $position,
    ): Explanation {
        $value = $arriving->series[$key]->values[$position];
        $factor = $leaving->series[$key]->values[$position] / ($value === 0.0 ? NAN : $value);

        return Explanation::of(
            Explanation::number($value) .
                ' × ' .
                Explanation::number($factor) .
                " (prices of {$this->prices->label()} over prices of {$arriving->axis->period($position)->label()})",
            $position,
        );
    }

    /** @return array<string, Measure> measures that are called a price index, else all rates */
    public static function candidates(Scope $scope): array
    {
        $rates = array_filter(
            $scope->measures(),
            static fn(Measure $m): bool => $m->kind === MeasureKind::Rate && !$m->isTimeless,
        );
        $prices = array_filter(
            $rates,
            static fn(Measure $m): bool => preg_match('/price|deflator|cpi/i', $m->name) === 1,
        );

        return $prices === [] ? $rates : $prices;
    }
}
