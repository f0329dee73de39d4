<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\Better;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Nature;
use DuskRail\Data\SeriesTable;
use DuskRail\Data\Unit;
use DuskRail\Rail\Explanation;
use DuskRail\Rail\Outcome;
use DuskRail\Rail\Remark;
use DuskRail\Rail\Scope;
use DuskRail\Rail\Stop;
use DuskRail\Rail\StopCategory;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\ReadsSettings;
use DuskRail\Statistics\Equality;
use DuskRail\Statistics\Ordering;

/**
 * The place of each line among those that have a value in the same period. Ties share the better place (1, 2, 2, 4).
 * As a percentile: the share of the others that are worse, with half of those that are equal.
 */
final readonly class Rank implements Stop
{
    use ReadsSettings;

    public function __construct(
        #[Choice('form', ['place' => 'Rank (1 is first)', 'percentile' => 'Percentile (100 is best)'], lead: 'result')]
        public string $as = 'place',
        #[Choice('rank 1', ['better' => 'Best', 'highest' => 'Highest', 'lowest' => 'Lowest'], lead: 'Rank 1')]
        public string $first = 'better',
    ) {}

    public static function type(): string
    {
        return 'rank';
    }

    public static function title(): string
    {
        return 'Rank';
    }

    public static function purpose(): string
    {
        return 'position among all lines in each period';
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
        return ($this->as === 'place' ? 'rank' : 'percentile') .
            $scope->among() .
            ($this->lowestFirst($scope) ? ', lowest first' : ', highest first');
    }

    public function phrase(SeriesTable $arriving, Scope $scope): string
    {
        return $this->label($arriving, $scope);
    }

    public function refusal(SeriesTable $arriving, Scope $scope): ?string
    {
        return $arriving->nature->isPlace() ? 'The values are already ranks. Remove this stop.' : null;
    }

    public function apply(SeriesTable $arriving, Scope $scope): Outcome
    {
        $present = $scope->compared($arriving);
        $rows = array_flip(array_map(strval(...), array_keys($present)));
        $places = [];
        for ($i = 0; $i < $arriving->axis->count; $i++) {
            $places[] = $this->places(array_column($present, $i), $this->lowestFirst($scope));
        }
        $outside = array_diff_key($scope->present($arriving), $present);
        $table = $arriving->map(
            function (array $values, string $key) use ($places, $rows, $present, $outside, $scope): array {
                if (isset($outside[$key])) {
                    return $this->beside($values, $present, $scope);
                }
                $row = $rows[$key] ?? -1;
                $own = [];
                foreach ($places as $column) {
                    $own[] = $column[$row] ?? NAN;
                }

                return $own;
            },
            $this->as === 'place' ? Unit::rank() : Unit::percentile(),
            MeasureKind::Rate,
            $this->as === 'place' ? Nature::Place : Nature::Percentile,
        );

        return new Outcome(
            $table,
            $this->first === 'better' && $scope->better === Better::Neither
                ? [
                    Remark::saying(
                        'The measure does not define whether higher or lower is better; the highest value has rank 1.',
                    )->withRemedy('Rank the lowest first', ['first' => 'lowest']),
                ]
                : [],
            better: $this->as === 'place' ? Better::Lower : Better::Higher,
        );
    }

    public function explain(
        SeriesTable $arriving,
        SeriesTable $leaving,
        Scope $scope,
        string $key,
        int $position,
    ): Explanation {
        $compared = $scope->compared($arriving);
        $compared[$key] = $arriving->series[$key]->values;
        $values = array_column($compared, $position);
        $count = count(array_filter($values, static fn(float $v): bool => !is_nan($v)));

        return Explanation::of(
            'rank of ' .
                Explanation::number($arriving->series[$key]->values[$position]) .
                " among {$count} values{$scope->among()}" .
                ($this->lowestFirst($scope) ? ', the lowest first' : ', the highest first'),
            $position,
        );
    }

    /**
     * The places of a line that is not of the set: each among those of the set and its own.
     *
     * @param list<float> $values
     * @param array<string, list<float>> $compared
     * @return list<float>
     */
    private function beside(array $values, array $compared, Scope $scope): array
    {
        $places = [];
        foreach ($values as $i => $value) {
            $places[] = $this->places([$value, ...array_column($compared, $i)], $this->lowestFirst($scope))[0];
        }

        return $places;
    }

    /**
     * @param list<float> $values
     * @return list<float> the place of each, NAN where there is none to have
     */
    private function places(array $values, bool $lowestFirst): array
    {
        $order = Ordering::ascending($values);
        $count = count($order);
        $places = array_fill(0, count($values), NAN);
        for ($first = 0; $first < $count; $first = $next) {
            $value = $values[$order[$first]];
            $next = $first;
            while ($next < $count && Equality::holds($values[$order[$next]], $value)) {
                $next++;
            }
            $better = $lowestFirst ? $first : $count - $next;
            $equal = $next - $first;
            $place = match (true) {
                $this->as === 'place' => $better + 1.0,
                $count < 2 => NAN,
                default => (100.0 * ($count - 1 - $better - ($equal - 1) / 2)) / ($count - 1),
            };
            for ($at = $first; $at < $next; $at++) {
                $places[$order[$at]] = $place;
            }
        }

        return array_values($places);
    }

    private function lowestFirst(Scope $scope): bool
    {
        return $this->first === 'lowest' || ($this->first === 'better' && $scope->better === Better::Lower);
    }
}
