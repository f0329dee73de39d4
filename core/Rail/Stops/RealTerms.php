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
use DuskRail\Settings\InvalidSetting;
use DuskRail\Settings\Kinds\Chosen;
use DuskRail\Settings\Kinds\Parsed;
use DuskRail\Settings\ReadsSettings;
use DuskRail\Time\PeriodRange;

/**
 * Takes price change out: value ÷ price index × price index of a chosen period, so that all is in the prices of then.
 *
 * The index may be finer than the figures, and is then averaged over each of their periods, all of which must be there.
 */
final readonly class RealTerms implements Stop
{
    use ReadsSettings;

    public function __construct(
        #[Chosen('price index', of: 'price indices', lead: 'by')] public string $index,
        #[
            Parsed(
                'prices',
                PeriodRange::class,
                hint: 'a year or a period',
                allowed: 'a period',
                lead: 'to prices of',
                about: 'the period whose prices all is in',
            ),
        ]
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
        return 'takes price change out of money';
    }

    public static function usual(SeriesTable $arriving, Scope $scope): self
    {
        $candidates = self::candidates($scope);
        $key =
            array_key_first($candidates) ??
            throw InvalidSetting::because(
                self::title(),
                'the data set has no price index. Add the file that holds one.',
            );
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
        $reached = $axis === null ? '' : IndexToBase::reached($this->prices, $axis);

        return "in prices of {$this->prices->label()}" . ($reached === '' ? '' : " ({$reached})");
    }

    public function refusal(SeriesTable $arriving, Scope $scope): ?string
    {
        if (!isset($scope->measures()[$this->index])) {
            return "The data set has no price index “{$this->index}”. Add the file that holds it.";
        }
        $prices = $scope->table($this->index);

        return match (true) {
            !$arriving->unit->isAmount(),
            $arriving->unit->isNoMoney()
                => "What arrives here are {$arriving->inWords()}, and no money. Put this stop right after a " .
                'measure in money.',
            $arriving->unit->isReal()
                => 'What arrives here is at the prices of one time already. Remove one of the two stops.',
            $arriving->nature === Nature::Difference
                => 'A difference of two times is in the prices of both. Put this stop before it.',
            in_array($arriving->nature, [Nature::Total, Nature::Window], true)
                => "What arrives here are {$arriving->inWords()}, in the prices of several times at once. Put " .
                'this stop before it.',
            $scope->measures()[$this->index]->unit->sort === ValueType::Percent
                => "{$scope->measures()[$this->index]->name} is in per cent: a rate at which prices rise, and no " .
                'level of prices. Choose a price index.',
            $prices->axis->frequency !== $arriving->axis->frequency &&
                !$prices->axis->frequency->isFinerThan($arriving->axis->frequency)
                => 'The price index is coarser than the figures. Change the figures to its periods first.',
            $prices->axis->positions($this->prices) === null => 'The price index does not reach ' .
                "{$this->prices->label()}; it runs from {$prices->axis->range()->label()}.",
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
            ...$lacks
                ? [Remark::saying('The price index is missing for some periods; there is no value in them.')]
                : [],
            ...$missing === ''
                ? []
                : [Remark::saying("The prices of {$this->prices->label()} are those of {$missing} that there are.")],
        ];

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
        $rates = array_filter($scope->measures(), static fn(Measure $m): bool => $m->kind === MeasureKind::Rate);
        $prices = array_filter(
            $rates,
            static fn(Measure $m): bool => preg_match('/price|deflator|cpi/i', $m->name) === 1,
        );

        return $prices === [] ? $rates : $prices;
    }
}
