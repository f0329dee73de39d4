<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\MeasureKind;
use DuskRail\Data\Nature;
use DuskRail\Data\SeriesTable;
use DuskRail\Data\Spacing;
use DuskRail\Rail\Explanation;
use DuskRail\Rail\Outcome;
use DuskRail\Rail\Remark;
use DuskRail\Rail\Scope;
use DuskRail\Rail\Stop;
use DuskRail\Rail\StopCategory;
use DuskRail\Settings\Kinds\AllOrWhole;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Whole;
use DuskRail\Settings\ReadsSettings;
use DuskRail\Statistics\RollingExtreme;
use DuskRail\Statistics\RollingMean;
use DuskRail\Time\Frequency;
use DuskRail\Time\PeriodRange;

/**
 * The mean, median, sum, lowest or highest of a window of periods, trailing (the last ones) or centred on its
 * middle. A window with fewer values than needed gives no value, so by default a series
 * starts `window − 1` periods late and a gap stays a gap until it has left the window.
 */
final readonly class Rolling implements Stop
{
    use ReadsSettings;

    private const LONGEST = 10_000;

    /** What is taken of a window, and how it is called on the rail. */
    private const NAMES = [
        'mean' => 'mean',
        'median' => 'median',
        'sum' => 'sum',
        'lowest' => 'low',
        'highest' => 'high',
    ];

    public function __construct(
        #[Choice('statistic', [
            'mean' => 'mean',
            'median' => 'median',
            'sum' => 'sum',
            'lowest' => 'minimum',
            'highest' => 'maximum',
        ])]
        public string $statistic = 'mean',
        #[Choice('place', ['trailing' => 'Trailing', 'centred' => 'Centred'], lead: 'Window')]
        public string $placed = 'trailing',
        #[Whole('window', 2, self::LONGEST, lead: 'Window length, {periods}')] public int $window = 12,
        #[AllOrWhole(
            'values required',
            self::LONGEST,
            lead: 'Values required',
            about: 'how many values a window must have',
        )]
        public int $needed = 0,
    ) {}

    public static function type(): string
    {
        return 'rolling';
    }

    public static function title(): string
    {
        return 'Rolling window';
    }

    public static function purpose(): string
    {
        return 'mean, median or sum of several periods';
    }

    public static function category(): StopCategory
    {
        return StopCategory::Smooth;
    }

    public static function default(SeriesTable $arriving, Scope $scope): self
    {
        return new self(window: $arriving->axis->frequency->usualWindow());
    }

    public function label(SeriesTable $arriving, Scope $scope): string
    {
        $frequency = $arriving->axis->frequency;
        $name = self::NAMES[$this->statistic];

        return ($this->isCentred() ? 'centred ' : '') .
            ($frequency === Frequency::Number || Spacing::of($arriving)->isFree
                ? "{$name} of {$this->window}"
                : "{$this->window}-{$frequency->noun()} {$name}");
    }

    public function phrase(SeriesTable $arriving, Scope $scope): string
    {
        return $this->label($arriving, $scope);
    }

    public function refusal(SeriesTable $arriving, Scope $scope): ?string
    {
        $what = $arriving->nature->plural();

        return match (true) {
            $arriving->nature->isRelative() && $this->statistic === 'mean'
                => "The input contains {$what}; a mean of these says nothing about the values. Move this stop " .
                'earlier.',
            $this->statistic !== 'sum' => null,
            $arriving->nature === Nature::Window
                => 'The input already has rolling windows, which overlap; a sum would count most periods ' .
                'several times. Use one longer window.',
            $arriving->kind === MeasureKind::Stock => 'Levels (stocks) cannot be summed. Use the ' .
                'mean, or change the type in the first stop if it is a flow.',
            $arriving->kind === MeasureKind::Rate
                => "The input contains {$arriving->inWords()}, which cannot be summed. Use the mean, or move " .
                'this stop earlier.',
            default => null,
        };
    }

    public function apply(SeriesTable $arriving, Scope $scope): Outcome
    {
        $window = $this->window;
        // A window counts values: periods at which nobody was measured are none of them.
        $spacing = Spacing::of($arriving);
        if ($this->isWeighted($arriving)) {
            return $this->ofParts($arriving, $spacing);
        }
        $table = $arriving->map(
            fn(array $values): array => $this->rolled($values, $spacing),
            $this->statistic === 'sum' ? $arriving->unit->together($arriving->axis->frequency, $window) : null,
            null,
            in_array($arriving->nature, [Nature::Amount, Nature::Daily], true) ? Nature::Window : null,
        );
        if ($this->statistic === 'sum') {
            $table = $table->map(
                static fn(array $values): array => array_map(static fn(float $v): float => $v * $window, $values),
            );
        }

        $open = $arriving->open();

        return new Outcome(
            $table->reaching(
                $open === null ? $arriving->extent : $arriving->extent?->openFrom(max(0, $open - $this->ahead())),
            ),
            [...$this->shortRemark($arriving), ...$this->meanOfRates($arriving)],
            $this->needed === 0 ? '' : "at least {$this->needed} of {$this->window}",
        );
    }

    /**
     * @param list<float> $values
     * @return list<float>
     */
    private function rolled(array $values, Spacing $spacing): array
    {
        $needed = $this->needed === 0 ? $this->window : $this->needed;
        $window = $this->window;
        $statistic = match ($this->statistic) {
            'median' => RollingExtreme::medians(...),
            'lowest' => RollingExtreme::lowest(...),
            'highest' => RollingExtreme::highest(...),
            default => RollingMean::trailing(...),
        };
        $absent = $spacing->absentIn($values);
        if ($absent === [] && !$this->isCentred()) {
            return $statistic($values, $window, $needed);
        }
        $beyond = array_fill(0, $this->ahead(), NAN);
        $all = $values;
        $values = $absent === [] ? $values : array_values(array_diff_key($values, $absent));

        // Where every value is needed, a window that reaches beyond the data has none, and is not calculated.
        $rolled =
            $needed === $window
                ? array_slice([...$statistic($values, $window, $needed), ...$beyond], $this->ahead())
                : array_slice($statistic([...$values, ...$beyond], $window, $needed), $this->ahead());

        return $absent === [] ? $rolled : self::spread($rolled, array_keys($all), $absent);
    }

    /** Whether what arrives are ratios whose two parts are known: then both are rolled. */
    private function isWeighted(SeriesTable $arriving): bool
    {
        return $this->statistic === 'mean' && $arriving->weights !== null && $arriving->nature === Nature::Quotient;
    }

    /** The ratio of the sums in each window, never the mean of its ratios. */
    private function ofParts(SeriesTable $arriving, Spacing $spacing): Outcome
    {
        $weights = $arriving->weights === null ? [] : ($arriving->weights)();
        $below = array_intersect_key($weights, [Weights::COMMON => true]);
        $table = $arriving->map(function (array $values, string $key) use ($weights, $spacing, &$below): array {
            $needed = $this->needed === 0 ? $this->window : $this->needed;
            $isPlain = !$this->isCentred() && !$spacing->isFree;
            $ratios = $isPlain ? RollingMean::ratios($values, $weights[$key] ?? [], $this->window, $needed) : null;
            if ($ratios !== null) {
                [$own, $below[$key]] = $ratios;

                return $own;
            }
            [$above, $divisors] = Weights::parts($values, $weights[$key] ?? null);
            $below[$key] = $this->rolled($divisors, $spacing);

            return Weights::quotients($this->rolled($above, $spacing), $below[$key]);
        });
        $open = $arriving->open();

        return new Outcome(
            $table
                ->weighedBy(static fn(): array => $below)
                ->reaching(
                    $open === null ? $arriving->extent : $arriving->extent?->openFrom(max(0, $open - $this->ahead())),
                ),
            $this->shortRemark($arriving),
            $this->needed === 0 ? '' : "at least {$this->needed} of {$this->window}",
        );
    }

    /**
     * What was calculated of the data alone, where they are.
     *
     * @param list<float> $rolled
     * @param list<int> $positions all that there are
     * @param array<int, true> $absent those at which nobody was measured
     * @return list<float>
     */
    private static function spread(array $rolled, array $positions, array $absent): array
    {
        $spread = [];
        $next = 0;
        foreach ($positions as $position) {
            $spread[] = isset($absent[$position]) ? NAN : $rolled[$next++];
        }

        return $spread;
    }

    public function explain(
        SeriesTable $arriving,
        SeriesTable $leaving,
        Scope $scope,
        string $key,
        int $position,
    ): Explanation {
        $values = $arriving->series[$key]->values;
        $absent = Spacing::of($arriving)->absentIn($values);
        $measured = array_keys(array_diff_key($values, $absent));
        $last = (int) array_search($position, $measured, true) + $this->ahead();
        $first = $measured[max(0, $last - $this->window + 1)] ?? $position;
        $last = $measured[min($last, count($measured) - 1)] ?? $position;
        $inputs = array_values(array_filter(range($first, $last), static fn(int $at): bool => !is_nan($values[$at])));
        $span = PeriodRange::between($arriving->axis->period($first), $arriving->axis->period($last))->label();

        return Explanation::of(
            ($this->isWeighted($arriving) ? 'ratio of sums' : self::NAMES[$this->statistic]) .
                ' of ' .
                Explanation::values(count($inputs)) .
                ", {$span}",
            $position,
            $inputs,
        );
    }

    /** @return list<Remark> */
    private function meanOfRates(SeriesTable $arriving): array
    {
        return $arriving->nature === Nature::Growth && $this->statistic === 'mean'
            ? [
                Remark::saying(
                    'A mean of rates of change is not the change over the window: 50 % up and 50 % down is 25 % ' .
                        'down. Move “Change” after this stop for that.',
                ),
            ]
            : [];
    }

    /**
     * A window that smooths out the seasons does not where it is cut off by the end of the data.
     *
     * @return list<Remark>
     */
    private function shortRemark(SeriesTable $arriving): array
    {
        $year = $arriving->axis->frequency->perYear() ?? ($arriving->axis->frequency === Frequency::Week ? 52 : 0);
        if ($this->needed === 0 || $year < 2 || $this->window < $year || $this->needed >= $this->window) {
            return [];
        }
        $cut = $this->window - $this->needed;
        $noun = $arriving->axis->frequency->noun();
        $where = $this->isCentred()
            ? "Up to {$cut} values at both ends of each line"
            : "The first {$cut} values of each line";

        return [
            Remark::saying(
                "{$where} use fewer than {$this->window} {$noun}s, so they still contain seasonal effects.",
            )->withRemedy('Leave them empty', ['needed' => 'all']),
        ];
    }

    /** How many periods a window reaches beyond its place; of an even one that is centred one more is before. */
    private function ahead(): int
    {
        return $this->isCentred() ? intdiv($this->window - 1, 2) : 0;
    }

    public function conflict(): ?string
    {
        return match (true) {
            $this->needed !== 0 && $this->needed < $this->window && $this->statistic === 'sum'
                => 'a sum needs all values in the window; otherwise it is too low. Enter “all”, or use the mean.',
            $this->needed > $this->window
                => "a window of {$this->window} cannot have {$this->needed} values. Enter {$this->window} or " .
                'fewer, or “all”.',
            default => null,
        };
    }

    public function normalised(): static
    {
        return $this->needed === $this->window ? new self($this->statistic, $this->placed, $this->window) : $this;
    }

    private function isCentred(): bool
    {
        return $this->placed === 'centred';
    }
}
