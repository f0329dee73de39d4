<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\IncompleteSum;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Members;
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
 * A period in which the value of a part is lacking has no total, unless shares in the total of the others are asked
 * for. A negative part has no share.
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
        #[Choice(
            'incomplete sums',
            enum: IncompleteSum::class,
            lead: 'total with a missing value',
            about: 'what the total is where a part that goes on has no value',
        )]
        public IncompleteSum $incomplete = IncompleteSum::Blank,
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
        $parts = [];
        foreach ($scope->present($arriving) as $key => $values) {
            $whole = $this->wholeOf($key, $scope);
            if ($whole !== null) {
                $parts[$whole][$key] = $values;
            }
        }
        $wholes = $lacking = $negative = [];
        foreach ($parts as $whole => $values) {
            [$wholes[$whole], $missing, $below] = $this->totals($values, $arriving);
            $lacking += $missing;
            $negative += $below;
        }
        $table = $arriving->map(
            function (array $values, string $key) use ($wholes, $lacking, $scope): array {
                $isOut = $this->incomplete === IncompleteSum::Same && isset($lacking[$key]);
                $total = $isOut ? null : $wholes[$this->wholeOf($key, $scope) ?? ''] ?? null;
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
            ...$this->lackingRemark($lacking, $scope),
            ...self::remark($negative, $scope, 'negative in some periods; no shares there'),
        ]);
    }

    /**
     * The total of some parts, along the axis, who is lacking in it, and who is below zero.
     *
     * @param array<string, list<float>> $parts
     * @return array{list<float>, array<string, string>, array<string, string>} NAN where there is no total
     */
    private function totals(array $parts, SeriesTable $arriving): array
    {
        $members = Members::of($parts, $arriving->axis->frequency);
        $lacking = $members->lacking();
        $kept = $this->incomplete === IncompleteSum::Same ? array_flip($members->throughout()) : $parts;
        $totals = array_fill(0, $arriving->axis->count, 0.0);
        $negative = [];
        foreach (array_intersect_key($parts, $kept) as $key => $values) {
            foreach ($values as $i => $value) {
                if ($value >= 0.0) {
                    $totals[$i] += $value;
                } elseif (!is_nan($value)) {
                    $totals[$i] = NAN;
                    $negative[$key] = $key;
                }
            }
        }
        foreach ($this->incomplete === IncompleteSum::Blank ? $lacking : [] as $i => $_) {
            $totals[$i] = NAN;
        }
        $keys =
            $this->incomplete === IncompleteSum::Same
                ? array_keys(array_diff_key($parts, $kept))
                : array_values(array_unique(array_merge(...array_values($lacking))));

        return [array_values($totals), array_combine($keys, $keys), $negative];
    }

    /**
     * @param array<string, string> $keys
     * @return list<Remark>
     */
    private function lackingRemark(array $keys, Scope $scope): array
    {
        return match ($this->incomplete) {
            IncompleteSum::Blank => array_map(
                static fn(Remark $remark): Remark => $remark->withRemedy('Use the total of the others', [
                    'incomplete' => IncompleteSum::There->value,
                ]),
                self::remark($keys, $scope, 'no value in some periods, so there are no shares in these'),
            ),
            IncompleteSum::There => self::remark($keys, $scope, 'no value in some periods; the total excludes them'),
            IncompleteSum::Same => self::remark($keys, $scope, 'not in the total, since values are missing'),
        };
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
