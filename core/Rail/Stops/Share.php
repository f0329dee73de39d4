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

/**
 * The share in a total, in per cent: of all that take part, of those in focus, or of the entity's own group.
 *
 * A period in which somebody is missing has a total of the others, and that is said. A negative part has no share.
 */
final readonly class Share implements Stop
{
    use ReadsSettings;

    public function __construct(
        #[Choice(
            'whole',
            ['all' => 'All lines', 'focus' => 'Lines in focus', 'group' => 'Own group'],
            lead: 'Share of',
            about: 'what each value is a share of',
        )]
        public string $of = 'all',
    ) {}

    public static function type(): string
    {
        return 'share';
    }

    public static function title(): string
    {
        return 'Share';
    }

    public static function purpose(): string
    {
        return 'of all lines, the focus or the group';
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
        return match ($this->of) {
            'focus' => 'share of focus',
            'group' => 'share of group',
            default => "share of all{$scope->among()}",
        };
    }

    public function phrase(SeriesTable $arriving, Scope $scope): string
    {
        return $this->label($arriving, $scope);
    }

    public function refusal(SeriesTable $arriving, Scope $scope): ?string
    {
        return match (true) {
            !$arriving->nature->isDivisible()
                => "The input contains {$arriving->inWords()}, which cannot be summed, so there are no shares. " .
                'Move this stop directly after the measure.',
            $this->of === 'focus' && $scope->focus === []
                => 'No line is in focus. Choose some in the roster, or use the share of all lines.',
            default => null,
        };
    }

    public function apply(SeriesTable $arriving, Scope $scope): Outcome
    {
        $wholes = [];
        $missing = $negative = [];
        foreach ($scope->present($arriving) as $key => $values) {
            $whole = $this->wholeOf($key, $scope);
            if ($whole === null) {
                continue;
            }
            $wholes[$whole] ??= array_fill(0, $arriving->axis->count, 0.0);
            foreach ($values as $i => $value) {
                if (is_nan($value)) {
                    $missing[$key] = $key;
                } elseif ($value < 0.0) {
                    $negative[$key] = $key;
                    $wholes[$whole][$i] = NAN;
                } else {
                    $wholes[$whole][$i] += $value;
                }
            }
        }
        $table = $arriving->map(
            function (array $values, string $key) use ($wholes, $scope): array {
                $total = $wholes[$this->wholeOf($key, $scope) ?? ''] ?? null;
                $shares = $values;
                foreach ($values as $i => $value) {
                    $whole = $total[$i] ?? NAN;
                    $shares[$i] = $whole > 0.0 ? ($value / $whole) * 100.0 : NAN;
                }

                return $shares;
            },
            Unit::of(ValueType::Percent),
            MeasureKind::Rate,
            Nature::Share,
        );

        return new Outcome($table, [
            ...self::remark($this->outside($arriving, $scope), $scope, 'not in the peer set, so without a share of it'),
            ...self::remark($missing, $scope, 'no value in some periods; the total excludes them'),
            ...self::remark($negative, $scope, 'negative in some periods; no shares there'),
        ]);
    }

    public function explain(
        SeriesTable $arriving,
        SeriesTable $leaving,
        Scope $scope,
        string $key,
        int $position,
    ): Explanation {
        $value = $arriving->series[$key]->values[$position];
        $share = $leaving->series[$key]->values[$position];
        $whole = match ($this->of) {
            'focus' => 'lines in focus',
            'group' => 'its group',
            default => "all{$scope->among()}",
        };

        return Explanation::of(
            Explanation::number($value) .
                ' ÷ ' .
                Explanation::number($share === 0.0 ? NAN : ($value / $share) * 100.0) .
                " ({$whole}) × 100",
            $position,
        );
    }

    /** @return array<string, string> keys of those in focus that have no share */
    private function outside(SeriesTable $arriving, Scope $scope): array
    {
        $outside = [];
        foreach ($scope->focus as $key) {
            if ($this->of === 'all' && isset($arriving->series[$key]) && !$scope->isCompared($key)) {
                $outside[$key] = $key;
            }
        }

        return $outside;
    }

    /** Which whole an entity is part of, or null when of none. */
    private function wholeOf(string $key, Scope $scope): ?string
    {
        return match ($this->of) {
            'focus' => in_array($key, $scope->focus, true) ? 'focus' : null,
            'group' => $scope->groupOf($key),
            default => $scope->isCompared($key) ? 'all' : null,
        };
    }

    /**
     * @param array<string, string> $keys
     * @return list<Remark>
     */
    private static function remark(array $keys, Scope $scope, string $what): array
    {
        $names = array_map($scope->nameOf(...), array_values($keys));

        return $names === [] ? [] : [Remark::saying(Named::few($names) . ": {$what}.", implode(', ', $names))];
    }
}
