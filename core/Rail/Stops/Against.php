<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\Better;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Nature;
use DuskRail\Data\SeriesTable;
use DuskRail\Data\Unit;
use DuskRail\Data\ValueType;
use DuskRail\Peers\PeerFigures;
use DuskRail\Rail\Explanation;
use DuskRail\Rail\Outcome;
use DuskRail\Rail\Remark;
use DuskRail\Rail\Scope;
use DuskRail\Rail\Stop;
use DuskRail\Rail\StopCategory;
use DuskRail\Rail\Targets;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Chosen;
use DuskRail\Settings\Kinds\Parsed;
use DuskRail\Settings\Names;
use DuskRail\Settings\ReadsSettings;

/**
 * Every line as its difference from, or its ratio to, a yardstick: the focus, another entity, the peers' median, mean,
 * weighted mean or best quartile, or a fixed target.
 *
 * The weighted mean weighs ratios by their denominators, which makes it a ratio of sums: all the leakage over all
 * the connections. The plain mean is a mean of ratios, in which the smallest counts as much as the largest.
 */
final readonly class Against implements Stop
{
    use ReadsSettings;

    public function __construct(
        #[Choice(
            'form',
            [
                'difference' => 'Difference',
                'percent' => 'Difference in %',
                'ratio' => 'Ratio',
            ],
            lead: 'result',
        )]
        public string $as = 'difference',
        #[Choice(
            'yardstick',
            [
                'focus' => 'First line in focus',
                'median' => 'the peer median',
                'mean' => 'Peer mean',
                'weighted' => 'Weighted peer mean (ratio of sums)',
                'quartile' => 'Best quartile of peers',
                'target' => 'Target',
                'entity' => 'Another entity or a benchmark',
            ],
            lead: 'compared with',
        )]
        public string $to = 'median',
        #[Parsed(
            'target',
            Targets::class,
            hint: '120; 2024 110; Veldmere 95',
            allowed: 'a value, with a start period or a name before it; several with `;`',
            lead: 'target value',
            when: ['to' => 'target'],
        )]
        public Targets $target = new Targets(),
        #[Chosen('entity', of: Names::Entities, none: 'Choose …', when: ['to' => 'entity'])] public string $entity = '',
    ) {}

    public static function type(): string
    {
        return 'against';
    }

    public static function title(): string
    {
        return 'Difference or ratio';
    }

    public static function purpose(): string
    {
        return 'to the peers, another entity or a target';
    }

    public static function category(): StopCategory
    {
        return StopCategory::Place;
    }

    public static function default(SeriesTable $arriving, Scope $scope): self
    {
        return new self($arriving->allowsPercent() && $arriving->unit->isAmount() ? 'percent' : 'difference');
    }

    public function label(SeriesTable $arriving, Scope $scope): string
    {
        return ($this->as === 'ratio' ? '÷ ' : '− ') . $this->yardstick($scope);
    }

    public function phrase(SeriesTable $arriving, Scope $scope): string
    {
        return ($this->as === 'ratio' ? 'ratio to ' : 'difference from ') . $this->yardstick($scope);
    }

    public function refusal(SeriesTable $arriving, Scope $scope): ?string
    {
        return $this->refusalOfInput($arriving) ?? $this->refusalOfReference($arriving, $scope);
    }

    private function refusalOfInput(SeriesTable $arriving): ?string
    {
        return match (true) {
            $arriving->nature->isRelative()
                => "The input contains {$arriving->nature->plural()}, which cannot be subtracted. Move " .
                'this stop earlier.',
            $this->as !== 'difference' && !$arriving->allowsPercent()
                => "The input contains {$arriving->inWords()}; a difference in % of these is misleading. Use " .
                '“Difference”.',
            default => null,
        };
    }

    private function refusalOfReference(SeriesTable $arriving, Scope $scope): ?string
    {
        return match (true) {
            $this->to === 'focus' && $scope->focus === []
                => 'No line is in focus. Choose one in the roster, or compare with the peer median.',
            $this->to === 'target' && $this->target->isNone()
                => 'Enter a target, for example 120, or 2024 110 for one from a period on.',
            $this->to === 'target' && $this->target->unknownIn($scope->entities()) !== []
                => "No entity is called “{$this->target->unknownIn(
                    $scope->entities(),
                )[0]}” (target). Enter the name as " . 'in the roster, or its first word.',
            $this->to === 'entity' && $this->entity !== '' && !isset($arriving->series[$this->entity])
                => 'This entity has no values here. Choose another.',
            $this->to === 'weighted' && $arriving->weights === null
                => 'A weighted mean needs ratios directly after their division. Move this stop directly after ' .
                '“Divide by measure”, or use the peer mean.',
            $this->to === 'quartile' && $scope->better === Better::Neither
                => 'The best quartile needs a measure that defines whether higher or lower is better. Set it on ' .
                'the data set page, or use the peer median.',
            default => null,
        };
    }

    public function apply(SeriesTable $arriving, Scope $scope): Outcome
    {
        $all = $this->values($arriving, $scope);
        $as = $this->as;
        $unit = match ($as) {
            'difference' => $arriving->unit->difference(),
            'percent' => Unit::of(ValueType::Percent),
            default => Unit::of(ValueType::Score, 'ratio'),
        };

        return new Outcome(
            $arriving->map(
                function (array $values, string $key) use ($all, $as, $arriving, $scope): array {
                    $yardstick = $this->of($key, $all, $arriving, $scope);
                    $gaps = $values;
                    if ($as === 'difference') {
                        foreach ($yardstick as $i => $to) {
                            $gaps[$i] -= $to;
                        }

                        return $gaps;
                    }
                    foreach ($yardstick as $i => $to) {
                        // Beside nothing, or less than nothing, no value is a share of it.
                        $ratio = $to <= 0.0 ? NAN : $values[$i] / $to;
                        $gaps[$i] = $as === 'percent' ? ($ratio - 1.0) * 100.0 : $ratio;
                    }

                    return $gaps;
                },
                $unit,
                MeasureKind::Rate,
                match ($as) {
                    'difference' => Nature::Difference,
                    'percent' => Nature::Growth,
                    default => Nature::Factor,
                },
            ),
            [...$this->remarks($arriving, $scope), ...$this->unfit($all)],
        );
    }

    /**
     * @param list<float> $yardstick
     * @return list<Remark>
     */
    private function unfit(array $yardstick): array
    {
        return $this->as === 'difference' || array_filter($yardstick, static fn(float $v): bool => $v <= 0.0) === []
            ? []
            : [
                Remark::saying(
                    'The compared values are zero or below in some periods; no percentage or ratio there.',
                )->withRemedy('Use the difference', ['as' => 'difference']),
            ];
    }

    /** @return list<Remark> */
    private function remarks(SeriesTable $arriving, Scope $scope): array
    {
        $peers = count($scope->peers($arriving));
        if ($this->to === 'quartile' && $peers < 4) {
            return [
                Remark::saying("{$peers} peers are too few for a quartile; at least 4 are needed.")->withRemedy(
                    'Use the median',
                    [
                        'to' => 'median',
                    ],
                ),
            ];
        }
        if ($this->to === 'mean' && $arriving->weights !== null) {
            $last = $arriving->axis->count - 1;
            $mean = PeerFigures::mean($scope->peers($arriving))[$last] ?? NAN;
            $together = PeerFigures::weightedMean($scope->peers($arriving), ($arriving->weights)())[$last] ?? NAN;

            return [
                Remark::saying(
                    'This mean of ratios (' .
                        Explanation::number($mean) .
                        ' at the end) gives small and large peers the same weight. The ratio of sums is ' .
                        Explanation::number($together) .
                        '.',
                )->withRemedy('Use the ratio of sums', ['to' => 'weighted']),
            ];
        }

        return [];
    }

    public function explain(
        SeriesTable $arriving,
        SeriesTable $leaving,
        Scope $scope,
        string $key,
        int $position,
    ): Explanation {
        $own = $arriving->series[$key]->values[$position];
        $other = $this->of($key, $this->values($arriving, $scope), $arriving, $scope)[$position];
        $value = Explanation::number($own, $other);
        $to = Explanation::number($other, $own) . " ({$this->yardstick($scope)})";

        return Explanation::of(
            match ($this->as) {
                'difference' => "{$value} − {$to}",
                'percent' => "({$value} ÷ {$to} − 1) × 100",
                default => "{$value} ÷ {$to}",
            },
            $position,
        );
    }

    /**
     * What a line is compared with: a target may be its own, and another from a period on.
     *
     * @param list<float> $all what all are compared with
     * @return list<float>
     */
    private function of(string $key, array $all, SeriesTable $arriving, Scope $scope): array
    {
        return $this->to === 'target' && $this->target->isOwn($scope->nameOf($key))
            ? array_values($this->target->along($scope->nameOf($key), $arriving->axis, 0, $arriving->axis->count - 1))
            : $all;
    }

    /** @return list<float> */
    private function values(SeriesTable $arriving, Scope $scope): array
    {
        $peers = $scope->peers($arriving);
        $none = array_fill(0, $arriving->axis->count, NAN);
        $values = match ($this->to) {
            'focus' => $arriving->series[$scope->focus[0] ?? '']->values ?? $none,
            'entity' => $arriving->series[$this->entity]->values ?? $none,
            'target' => array_values($this->target->along('', $arriving->axis, 0, $arriving->axis->count - 1)),
            'mean' => PeerFigures::mean($peers),
            'weighted' => PeerFigures::weightedMean($peers, $arriving->weights === null ? [] : ($arriving->weights)()),
            'quartile' => PeerFigures::quantile(
                $peers,
                $scope->better === Better::Lower ? 0.25 : 0.75,
                $scope->conventions->quantiles,
            ),
            default => PeerFigures::quantile($peers, 0.5),
        };

        return $values === [] ? $none : $values;
    }

    private function yardstick(Scope $scope): string
    {
        return match ($this->to) {
            'focus' => $scope->focus === [] ? 'focus' : $scope->nameOf($scope->focus[0]),
            'entity' => $this->entity === '' ? 'another entity' : $scope->nameOf($this->entity),
            'target' => "target {$this->target->label()}",
            'mean' => 'peer mean',
            'weighted' => 'weighted peer mean',
            'quartile' => 'best quartile',
            default => 'peer median',
        };
    }
}
