<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Nature;
use DuskRail\Data\Series;
use DuskRail\Data\SeriesTable;
use DuskRail\Rail\Explanation;
use DuskRail\Rail\Formula\Expression;
use DuskRail\Rail\Formula\InvalidFormula;
use DuskRail\Rail\Formula\Quantity;
use DuskRail\Rail\Formula\Renaming;
use DuskRail\Rail\Outcome;
use DuskRail\Rail\Remark;
use DuskRail\Rail\Scope;
use DuskRail\Rail\Stop;
use DuskRail\Rail\StopCategory;
use DuskRail\Settings\Kinds\Written;
use DuskRail\Settings\Names;
use DuskRail\Settings\ReadsSettings;
use DuskRail\Time\Frequency;

/**
 * Works measures out from each other: `here ÷ Water supplied × 100`, where `here` is what arrives at the stop.
 *
 * Measures of other periods are laid along those that arrive: coarser ones carried through their periods, finer ones
 * added up (flows) or averaged. A measure that has one line only, such as a price index, holds for all.
 */
final readonly class Formula implements Stop
{
    use ReadsSettings;

    public const HERE = 'here';

    private const LONGEST = 300;

    public function __construct(
        #[Written(
            'formula',
            hint: 'here, numbers, + − × ÷ ( ), and:',
            listed: Names::Measures,
            long: true,
            longest: self::LONGEST + 1,
            lead: 'Formula',
            allowed: 'measures by name, numbers, `+ − × ÷ ( )`; `here` is the input',
        )]
        public string $text = self::HERE,
    ) {}

    public static function type(): string
    {
        return 'formula';
    }

    public static function title(): string
    {
        return 'Formula';
    }

    public static function purpose(): string
    {
        return 'combines several measures';
    }

    public static function category(): StopCategory
    {
        return StopCategory::Calculate;
    }

    /** As a percentage of another measure in the same unit; where there is none, what arrives as it is. */
    public static function default(SeriesTable $arriving, Scope $scope): self
    {
        foreach ($scope->measures() as $measure) {
            if (
                !$measure->isTimeless &&
                $measure->unitEach()->text() !== '' &&
                $measure->unitEach()->text() === $arriving->unit->text() &&
                $scope->table($measure->key)->series != $arriving->series
            ) {
                // What is first put in is never refused: the same amounts by the day cannot be beside months.
                $share = new self(self::HERE . " ÷ {$measure->name} × 100");
                if ($share->refusal($arriving, $scope) === null) {
                    return $share;
                }
            }
        }

        return new self(self::HERE);
    }

    public function label(SeriesTable $arriving, Scope $scope): string
    {
        return mb_strimwidth($this->written($scope) ?? $this->text, 0, 34, '…');
    }

    public function phrase(SeriesTable $arriving, Scope $scope): string
    {
        return $this->written($scope) ?? $this->text;
    }

    public function refusal(SeriesTable $arriving, Scope $scope): ?string
    {
        try {
            $this->quantity($this->read($scope), $arriving, $scope)->unit();

            return null;
        } catch (InvalidFormula $problem) {
            return $problem->getMessage();
        }
    }

    public function apply(SeriesTable $arriving, Scope $scope): Outcome
    {
        $expression = $this->read($scope);
        $quantity = $this->quantity($expression, $arriving, $scope);
        $laid = FormulaTables::laid($expression, $arriving, $scope);
        $twice =
            $expression->divisions() +
                (in_array(self::HERE, $expression->measures(), true) && $arriving->nature === Nature::Quotient
                    ? 1
                    : 0) >
            1;
        [$arriving, $laid] = FormulaTables::pooled($expression, $arriving, $laid, $scope, $twice);
        $zero = [];
        $table = $arriving->map(
            static function (array $values, string $key) use ($expression, $laid, $scope, &$zero): array {
                $worked = FormulaTables::worked($expression, $values, $key, $laid, $divided);
                if ($divided) {
                    $zero[] = $scope->nameOf($key);
                }

                return $worked;
            },
            $quantity->unit(),
            $quantity->kind,
            Nature::ofMeasure($quantity->kind, $quantity->unit()),
        );
        $divisor = $expression->divisor();
        // What is divided twice has no one thing that it is weighed by.
        if ($divisor !== null && !$twice) {
            $series = $arriving->series;
            $table = $table->weighedBy(
                static fn(): array => array_map(
                    static fn(Series $s): array => FormulaTables::worked(
                        $divisor,
                        $s->values,
                        $s->key,
                        $laid,
                        $divided,
                    ),
                    $series,
                ),
            );
        } elseif (FormulaTables::keepsWeights($expression, $arriving, $scope) && $arriving->weights !== null) {
            $table = $table->weighedBy($arriving->weights);
        }

        return new Outcome($table, [
            ...$zero === []
                ? []
                : [
                    Remark::saying(
                        Named::few($zero) . ': the formula divides by zero in some periods; no value there.',
                        implode(', ', $zero),
                    ),
                ],
            ...$twice && $scope->pools !== []
                ? [Remark::saying('A formula that divides twice has no value for groups.')]
                : [],
        ]);
    }

    public function explain(
        SeriesTable $arriving,
        SeriesTable $leaving,
        Scope $scope,
        string $key,
        int $position,
    ): Explanation {
        $expression = $this->read($scope);
        $laid = FormulaTables::laid($expression, $arriving, $scope);
        $observations = [];
        $text = $expression->written(static function (string $measure) use (
            $arriving,
            $laid,
            $scope,
            $key,
            $position,
            &$observations,
        ): string {
            if ($measure === self::HERE) {
                return Explanation::number($arriving->series[$key]->values[$position]);
            }
            $about = $scope->measures()[$measure];
            $axis = $scope->table($measure)->axis;
            if (!$axis->frequency->isFinerThan($arriving->axis->frequency)) {
                $observations[] = [
                    'measure' => $measure,
                    'ordinal' => $arriving->axis->period($position)->in($axis->frequency)->ordinal,
                ];
            }

            return Explanation::number(($laid[$measure][$key] ?? ($laid[$measure][''] ?? []))[$position] ?? NAN) .
                " ({$about->name})";
        });

        return Explanation::of($text, $position, [], $observations);
    }

    /** @throws InvalidFormula */
    private function read(Scope $scope): Expression
    {
        return Expression::parse(
            $this->text,
            [self::HERE => self::HERE] + array_map(static fn(Measure $m): string => $m->name, $scope->measures()),
        );
    }

    /** The formula with proper signs and the measures' own names, or null while it cannot be read. */
    private function written(Scope $scope): ?string
    {
        try {
            return $this->read($scope)->written(
                static fn(string $key): string => $key === self::HERE ? self::HERE : $scope->measures()[$key]->name,
            );
        } catch (InvalidFormula) {
            return null;
        }
    }

    /** @throws InvalidFormula */
    private function quantity(Expression $expression, SeriesTable $arriving, Scope $scope): Quantity
    {
        return $expression->fold(
            Quantity::number(...),
            static function (string $key) use ($arriving, $scope): Quantity {
                if ($key === self::HERE) {
                    return Quantity::of($arriving->unit, $arriving->kind);
                }
                $measure = $scope->measures()[$key];
                $frequency = $arriving->axis->frequency;
                if (($frequency === Frequency::Number) !== ($measure->frequency === Frequency::Number)) {
                    throw InvalidFormula::because(
                        "{$measure->name} and the input have no periods in common. Choose another measure.",
                    );
                }
                if ($measure->kind === MeasureKind::Flow && $frequency->isFinerThan($measure->frequency)) {
                    throw InvalidFormula::because(
                        "{$measure->name} is a total per {$measure->frequency->noun()}, but the input is " .
                            "{$frequency->adjective()}. Add “Aggregate” before this stop.",
                    );
                }
                if ($measure->kind === MeasureKind::Rate && $measure->frequency->isFinerThan($frequency)) {
                    throw InvalidFormula::because(
                        "{$measure->name} is a {$measure->frequency->adjective()} ratio; it can be neither summed " .
                            "nor averaged over a {$frequency->noun()}. Use the measures that it is calculated from.",
                    );
                }

                return $measure->frequency === $frequency || $measure->kind !== MeasureKind::Flow
                    ? Quantity::measure($measure)
                    : Quantity::of($measure->unit->each($frequency), MeasureKind::Flow);
            },
            static fn(string $sign, Quantity $a, Quantity $b): Quantity => $a->join($sign, $b),
        );
    }

    public function conflict(): ?string
    {
        return $this->text === '' || mb_strlen($this->text) > self::LONGEST
            ? 'enter 1 to ' . self::LONGEST . ' characters, for example “here ÷ 2”. “here” is the input.'
            : null;
    }

    /**
     * The same formula where measures have other names now.
     *
     * @param array<array-key, string> $names new name by old one, of all measures
     */
    public function renamed(array $names): self
    {
        return new self(Renaming::in($this->text, $names));
    }
}
