<?php

declare(strict_types=1);

namespace Tests\Own;

use DuskRail\Data\SeriesTable;
use DuskRail\Rail\Explanation;
use DuskRail\Rail\Outcome;
use DuskRail\Rail\Scope;
use DuskRail\Rail\Stop;
use DuskRail\Rail\StopCategory;
use DuskRail\Settings\Kinds\Whole;
use DuskRail\Settings\ReadsSettings;
use DuskRail\Statistics\Quantile;

/** A stop that the program does not have: no value of a line above one of its own percentiles. */
final readonly class CapAtPercentile implements Stop
{
    use ReadsSettings;

    public function __construct(
        #[Whole('percentile', 51, 99, lead: 'capped at percentile', about: 'values above it are taken for it')]
        public int $percentile = 90,
    ) {}

    public static function type(): string
    {
        return 'cap';
    }

    public static function title(): string
    {
        return 'Cap at a percentile';
    }

    public static function purpose(): string
    {
        return 'keeps single high values from ruling the picture';
    }

    public static function category(): StopCategory
    {
        return StopCategory::Smooth;
    }

    public static function default(SeriesTable $arriving, Scope $scope): self
    {
        return new self();
    }

    public function label(SeriesTable $arriving, Scope $scope): string
    {
        return "capped at P{$this->percentile}";
    }

    public function phrase(SeriesTable $arriving, Scope $scope): string
    {
        return $this->label($arriving, $scope);
    }

    public function refusal(SeriesTable $arriving, Scope $scope): ?string
    {
        return null;
    }

    public function apply(SeriesTable $arriving, Scope $scope): Outcome
    {
        return new Outcome(
            $arriving->map(
                function (array $values): array {
                    $cap = Quantile::of($values, $this->percentile / 100);

                    return array_map(static fn(float $v): float => is_nan($v) ? NAN : min($v, $cap), $values);
                },
                $arriving->unit,
                $arriving->kind,
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
        $values = $arriving->series[$key]->values;
        $cap = Explanation::number(Quantile::of($values, $this->percentile / 100));
        $value = Explanation::number($values[$position]);

        return Explanation::of("the lower of {$value} and {$cap}, percentile {$this->percentile}", $position);
    }
}
