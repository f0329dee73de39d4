<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\MeasureKind;
use DuskRail\Data\Nature;
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
use DuskRail\Statistics\Decomposition;

/** Takes the seasons out, or shows them: classical decomposition, additive or multiplicative. */
final readonly class Seasonal implements Stop
{
    use ReadsSettings;

    public function __construct(
        #[Choice(
            'result',
            ['adjusted' => 'seasonally adjusted', 'trend' => 'Trend', 'seasonal' => 'Seasonal component'],
            lead: 'show',
        )]
        public string $show = 'adjusted',
        #[Choice('model', [
            'multiplicative' => 'Multiplicative (proportional to the level)',
            'additive' => 'Additive (same size at any level)',
        ])]
        public string $model = 'multiplicative',
    ) {}

    public static function type(): string
    {
        return 'seasonal';
    }

    public static function title(): string
    {
        return 'Seasonal adjustment';
    }

    public static function purpose(): string
    {
        return 'adjusted values, trend or seasonal component';
    }

    public static function category(): StopCategory
    {
        return StopCategory::Smooth;
    }

    public static function default(SeriesTable $arriving, Scope $scope): self
    {
        return $arriving->nature->hasZero() ? new self() : new self(model: 'additive');
    }

    public function label(SeriesTable $arriving, Scope $scope): string
    {
        return match ($this->show) {
            'trend' => 'trend',
            'seasonal' => 'seasons',
            default => 'seasonally adjusted',
        };
    }

    public function phrase(SeriesTable $arriving, Scope $scope): string
    {
        return $this->label($arriving, $scope) .
            ' (' .
            ($this->isMultiplicative() ? 'multiplicative' : 'additive') .
            ')';
    }

    public function refusal(SeriesTable $arriving, Scope $scope): ?string
    {
        $seasons = $arriving->axis->frequency->perYear() ?? 0;

        return match (true) {
            $seasons < 2 => ucfirst($arriving->axis->frequency->adjective()) .
                ' values have no fixed number of seasons per year. Use monthly or quarterly values.',
            $arriving->axis->count < 2 * $seasons => 'Seasonal adjustment needs at least two complete years.',
            $arriving->nature->isRelative()
                => "The input contains {$arriving->inWords()}, which cannot be seasonally adjusted. Move this " .
                'stop earlier.',
            $arriving->nature === Nature::Window && $this->show !== 'trend'
                => '“Rolling window” already removes seasonal effects, in part or whole. Move this stop before ' .
                'it.',
            $arriving->nature === Nature::Total
                => 'A running total mixes the seasonal effects of its periods. Move this stop before “Running ' .
                'total”.',
            $this->isMultiplicative() && !$arriving->nature->hasZero()
                => "The input contains {$arriving->inWords()}; the multiplicative model is not possible. Use " .
                'the additive model.',
            default => null,
        };
    }

    public function apply(SeriesTable $arriving, Scope $scope): Outcome
    {
        $seasons = (int) $arriving->axis->frequency->perYear();
        $unfit = [];
        $table = $arriving->map(
            function (array $values, string $key) use ($seasons, &$unfit): array {
                if ($this->isMultiplicative() && array_filter($values, static fn(float $v): bool => $v <= 0.0) !== []) {
                    $unfit[] = $key;

                    return array_fill(0, count($values), NAN);
                }
                $parts = Decomposition::of($values, $seasons, $this->isMultiplicative());
                if ($this->show !== 'adjusted') {
                    return $this->show === 'trend' ? $parts->trend : $parts->seasonal;
                }
                $adjusted = [];
                foreach ($values as $i => $value) {
                    $adjusted[] = $this->isMultiplicative()
                        ? ($parts->seasonal[$i] === 0.0
                            ? NAN
                            : $value / $parts->seasonal[$i])
                        : $value - $parts->seasonal[$i];
                }

                return $adjusted;
            },
            $this->show === 'seasonal' && $this->isMultiplicative()
                ? Unit::of(ValueType::Score, 'times the trend')
                : null,
            ...$this->meaning($arriving),
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
                            ' zero or below in some periods; the multiplicative model is not possible.',
                    )->withRemedy('Use the additive model', ['model' => 'additive']),
                ],
        );
    }

    public function explain(
        SeriesTable $arriving,
        SeriesTable $leaving,
        Scope $scope,
        string $key,
        int $position,
    ): Explanation {
        $value = $arriving->series[$key]->values[$position];
        $result = $leaving->series[$key]->values[$position];

        return Explanation::of(
            match (true) {
                $this->show === 'trend' => 'centred mean over one year around ' . Explanation::number($value),
                $this->show === 'seasonal' => 'mean of this season’s values against the trend, over all years',
                $this->isMultiplicative() => Explanation::number($value) .
                    ' ÷ ' .
                    Explanation::number($value / ($result === 0.0 ? NAN : $result)) .
                    ' (seasonal component)',
                default => Explanation::number($value) .
                    ' − ' .
                    Explanation::number($value - $result) .
                    ' (seasonal component)',
            },
            $position,
        );
    }

    /**
     * What is adjusted stays what it was: it can be divided and added up. A season is a part of it, or a factor.
     *
     * @return array{MeasureKind, Nature}
     */
    private function meaning(SeriesTable $arriving): array
    {
        return match (true) {
            $this->show === 'adjusted' => [$arriving->kind, $arriving->nature],
            $this->show === 'trend' => [
                $arriving->kind,
                $arriving->nature === Nature::Amount ? Nature::Window : $arriving->nature,
            ],
            default => [MeasureKind::Rate, $this->isMultiplicative() ? Nature::Factor : Nature::Difference],
        };
    }

    private function isMultiplicative(): bool
    {
        return $this->model === 'multiplicative';
    }
}
