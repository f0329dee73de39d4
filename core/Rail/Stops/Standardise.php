<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\MeasureKind;
use DuskRail\Data\Nature;
use DuskRail\Data\SeriesTable;
use DuskRail\Data\Unit;
use DuskRail\Data\ValueType;
use DuskRail\Peers\PeerFigures;
use DuskRail\Rail\Explanation;
use DuskRail\Rail\Outcome;
use DuskRail\Rail\Scope;
use DuskRail\Rail\Stop;
use DuskRail\Rail\StopCategory;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\ReadsSettings;
use DuskRail\Statistics\Quantile;

/**
 * How far each line is from the middle of all in the same period: in standard deviations from the mean (the sample's,
 * divided by n − 1, unless the conventions say otherwise), or in interquartile ranges from the median, which an
 * outlier cannot stretch.
 */
final readonly class Standardise implements Stop
{
    use ReadsSettings;

    /** Spreads up to this share of the middle come from rounding. */
    private const ROUNDING = 1e-12;

    public function __construct(
        #[Choice(
            'scale',
            [
                'deviations' => 'standard deviations from the mean',
                'quartiles' => 'interquartile ranges from the median',
            ],
            lead: 'unit',
            about: 'unit of the distance from the mean or median',
        )]
        public string $by = 'deviations',
    ) {}

    public static function type(): string
    {
        return 'standardise';
    }

    public static function title(): string
    {
        return 'Standardise';
    }

    public static function purpose(): string
    {
        return 'distance from the mean or median of all lines';
    }

    public static function category(): StopCategory
    {
        return StopCategory::Place;
    }

    public static function default(SeriesTable $arriving, Scope $scope): self
    {
        return new self();
    }

    public function label(SeriesTable $arriving, Scope $scope): string
    {
        return $this->by === 'deviations' ? 'z-score' : 'quartile distance';
    }

    public function phrase(SeriesTable $arriving, Scope $scope): string
    {
        return $this->by === 'deviations'
            ? 'standard deviations from the mean'
            : 'interquartile ranges from the median';
    }

    public function refusal(SeriesTable $arriving, Scope $scope): ?string
    {
        return $arriving->nature->isRelative()
            ? "The input contains {$arriving->inWords()}, which cannot be standardised. Move this stop " . 'earlier.'
            : null;
    }

    public function apply(SeriesTable $arriving, Scope $scope): Outcome
    {
        $present = $scope->compared($arriving);
        $deviations = $this->by === 'deviations';
        [$middles, $spreads] = $deviations
            ? PeerFigures::moments($present, $scope->conventions->ofAll)
            : [
                PeerFigures::quantile($present, 0.5),
                PeerFigures::each($present, static fn(array $values): float => self::quartileRange($values, $scope)),
            ];

        return new Outcome(
            $arriving->map(
                static function (array $values) use ($middles, $spreads): array {
                    $scores = [];
                    foreach ($values as $i => $value) {
                        // Values that differ by rounding alone are the same, and are nowhere.
                        $middle = $middles[$i] ?? NAN;
                        $spread = $spreads[$i] ?? NAN;
                        $scores[] = $spread > self::ROUNDING * abs($middle) ? ($value - $middle) / $spread : NAN;
                    }

                    return $scores;
                },
                Unit::of(ValueType::Score, $deviations ? 'standard deviations' : 'interquartile ranges'),
                MeasureKind::Rate,
                Nature::Score,
            ),
        );
    }

    public function explain(
        SeriesTable $arriving,
        SeriesTable $leaving,
        Scope $scope,
        string $key,
        int $position,
    ): Explanation {
        $present = $scope->compared($arriving);
        $deviations = $this->by === 'deviations';
        $values = array_column($present, $position);
        [$means, $spreads] = $deviations ? PeerFigures::moments($present, $scope->conventions->ofAll) : [[], []];
        $middle = $means[$position] ?? Quantile::of($values, 0.5);
        $spread = $spreads[$position] ?? self::quartileRange($values, $scope);

        return Explanation::of(
            '(' .
                Explanation::number($arriving->series[$key]->values[$position], $middle) .
                ' − ' .
                Explanation::number($middle, $arriving->series[$key]->values[$position]) .
                ') ÷ ' .
                Explanation::number($spread) .
                match (true) {
                    !$deviations => " (median and interquartile range of all{$scope->among()})",
                    $scope->conventions->ofAll => " (mean and population standard deviation of all{$scope->among()})",
                    default => " (mean and standard deviation of all{$scope->among()})",
                },
            $position,
        );
    }

    /** @param list<float> $values */
    private static function quartileRange(array $values, Scope $scope): float
    {
        $type = $scope->conventions->quantiles;

        return Quantile::of($values, 0.75, $type) - Quantile::of($values, 0.25, $type);
    }
}
