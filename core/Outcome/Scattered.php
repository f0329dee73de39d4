<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\Better;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Nature;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Parts\LinesPart;
use DuskRail\Document\Parts\ScatterPart;
use DuskRail\Document\Study;
use DuskRail\Rail\PlacedStop;
use DuskRail\Rail\Rail;
use DuskRail\Rail\Stops\ChangeOfPeriod;
use DuskRail\Rail\Stops\PerDenominator;
use DuskRail\Statistics\Quantile;
use DuskRail\Statistics\StraightLine;
use DuskRail\Time\Frequency;
use DuskRail\Time\PeriodRange;

/** Two measures of the same entities set against each other: the study's own upwards, another one along. */
final readonly class Scattered
{
    /**
     * @param list<ScatterPoint> $points those within the limits
     * @param list<ScatterPoint> $leftOut those outside the limits that the user set
     * @param array{float, float} $cut where the axes are cut in two, x and y; NAN for not
     * @param array{float, float} $cutWithAll the same with what is left out
     * @param array<string, StraightLine> $fits by group
     * @param array<string, StraightLine> $fitsWithAll
     * @param list<string> $without names of entities that lack one of the two values
     */
    private function __construct(
        public Comparison $vertical,
        public Comparison $horizontal,
        public string $when,
        public array $points,
        public array $leftOut,
        public array $cut,
        public array $cutWithAll,
        public array $fits,
        public array $fitsWithAll,
        public array $without,
    ) {}

    /** @throws InvalidStudy when there is no second measure that shares time with the first */
    public static function of(Comparison $vertical): self
    {
        $study = $vertical->study;
        $part = $study->part(ScatterPart::class);
        $horizontal = self::horizontal(self::turned($study, $vertical), $vertical);
        if (
            ($horizontal->axis->frequency === Frequency::Number) !==
            ($vertical->axis->frequency === Frequency::Number)
        ) {
            throw InvalidStudy::because(
                "{$horizontal->measure->name} and {$vertical->measure->name} have no periods in common. " .
                    'Choose another measure for the horizontal axis.',
            );
        }
        $sizes = ScatterFits::sizes($vertical, $part);
        $paths = [];
        foreach ($vertical->present() as $line) {
            $other = $horizontal->line($line->key);
            $paths[$line->key] = $other === null ? [] : ScatterFits::path($vertical, $horizontal, $line, $other);
        }
        $latest = ScatterFits::newest($paths);
        $weights = array_map(
            static fn(Comparison $of): ?array => $of->weights(),
            $part->at === 'mean' ? [$horizontal, $vertical] : [],
        );
        $points = $leftOut = $without = [];
        foreach ($vertical->present() as $line) {
            $size = $sizes[$line->key] ?? ($sizes === [] ? 1.0 : 0.0);
            $point = self::point($line, $paths[$line->key], $part->at, $latest, $size, $weights);
            if ($point === null) {
                $without[] = $line->name;
            } elseif ($part->bounds->hold($point->x, $point->y)) {
                $points[] = $point;
            } else {
                $leftOut[] = $point;
            }
        }
        $all = [...$points, ...$leftOut];

        return new self(
            $vertical,
            $horizontal,
            self::when($vertical, $latest, $weights),
            $points,
            $leftOut,
            ScatterFits::cut(self::ofPeers($vertical, $points), $part, $sizes),
            ScatterFits::cut(self::ofPeers($vertical, $all), $part, $sizes),
            $part->fits ? ScatterFits::fits($points) : [],
            $part->fits ? ScatterFits::fits($all) : [],
            $without,
        );
    }

    /** @param list<array<string, list<float>>|null> $weights of x and y, for their means */
    private static function when(Comparison $vertical, ?int $latest, array $weights): string
    {
        $axis = $vertical->axis;
        $shown = PeriodRange::between($axis->period($vertical->from), $axis->period($vertical->to))->label();

        return match ($vertical->study->part(ScatterPart::class)->at) {
            'latest' => $axis->period(max(0, $latest ?? $vertical->to))->label(),
            'mean' => ($weights[1] ?? null) === null ? "mean over {$shown}" : "ratio of sums over {$shown}",
            default => $shown,
        };
    }

    /**
     * The points of the peers; home is compared with the lines that cut the axes, and is no part of them.
     *
     * @param list<ScatterPoint> $points
     * @return list<ScatterPoint> all where none is of a peer
     */
    private static function ofPeers(Comparison $comparison, array $points): array
    {
        $peers = array_filter($points, static fn(ScatterPoint $p): bool => $comparison->peers->has($p->line));

        return $peers === [] ? $points : array_values($peers);
    }

    /**
     * The limits between which rates are by chance alone, where the horizontal axis is what the counts are per.
     *
     * @return array{Chance, int, float}|null with the position that is looked at, and what a place along the axis is
     *     multiplied by to be an exposure
     */
    public function funnel(): ?array
    {
        $at = $this->vertical->study->part(ScatterPart::class)->at;
        $until = $this->vertical->reference;
        $chance = match (true) {
            $at === 'latest' => Chance::of($this->vertical),
            $at === 'mean' && $until >= $this->vertical->from => Chance::over(
                $this->vertical,
                range($this->vertical->from, $until),
            ),
            default => null,
        };
        if ($chance === null) {
            return null;
        }
        $position = $at === 'mean' ? 0 : null;
        $ratios = [];
        foreach ($this->points as $point) {
            $position ??= self::positionOf($point, $this->vertical);
            $exposure = $position === null ? NAN : $chance->exposure($point->line->key, $position);
            if (!is_nan($exposure) && $point->x > 0.0) {
                $ratios[] = $exposure / $point->x / $point->periods;
            }
        }
        if ($position === null || count($ratios) < 2) {
            return null;
        }
        $usual = Quantile::of($ratios, 0.5);
        $periods = max(array_map(static fn(ScatterPoint $p): int => $p->periods, $this->points));

        // Of values of the same time they would be alike; a year's level beside a month's is nearly so.
        $isAlike = max($ratios) <= 1.1 * $usual && min($ratios) >= 0.9 * $usual;

        return $isAlike ? [$chance, $position, $usual * $periods] : null;
    }

    /** @return list<string>|null names of those outside the 99.8 % limits; null where there are no limits */
    public function beyondChance(): ?array
    {
        $funnel = $this->funnel();
        if ($funnel === null) {
            return null;
        }
        [$chance, $at] = $funnel;
        $beyond = [];
        foreach ($this->points as $point) {
            $limits = $chance->limits($at, $chance->exposure($point->line->key, $at), $point->line->key);
            if (!is_nan($limits[0]) && ($point->y < $limits[0] || $point->y > $limits[3])) {
                $beyond[] = $point->line->name;
            }
        }

        return $beyond;
    }

    /** Where a point's value is in its line. */
    private static function positionOf(ScatterPoint $point, Comparison $vertical): ?int
    {
        for ($at = $vertical->to; $at >= $vertical->from; $at--) {
            if ($point->line->values[$at] === $point->y) {
                return $at;
            }
        }

        return null;
    }

    /** Along the horizontal axis; what flows in shorter periods is added up to those of the vertical one. */
    private static function horizontal(Study $turned, Comparison $vertical): Comparison
    {
        $horizontal = Comparison::of($turned, $vertical->data->source());
        $table = $horizontal->run->table();
        $to = $vertical->axis->frequency;
        if (
            $table->kind !== MeasureKind::Flow ||
            $table->nature !== Nature::Amount ||
            $to === Frequency::Number ||
            !$table->axis->frequency->isFinerThan($to)
        ) {
            return $horizontal;
        }
        $added = new ChangeOfPeriod($to);

        return $added->refusal($table, $horizontal->data) === null
            ? Comparison::of($turned->withRail($turned->rail->with($added)), $vertical->data->source())
            : $horizontal;
    }

    /**
     * @param list<array{float, float, int, int}> $path
     * @param int|null $latest position that is looked at when it is the latest one
     * @param list<array<string, list<float>>|null> $weights of x and y, for their means
     */
    private static function point(
        Line $line,
        array $path,
        string $at,
        ?int $latest,
        float $size,
        array $weights,
    ): ?ScatterPoint {
        $chosen =
            $at === 'latest'
                ? array_values(array_filter($path, static fn(array $p): bool => $p[2] === $latest))
                : $path;
        if ($chosen === []) {
            return null;
        }
        $isMean = $at === 'mean';
        [$x, $y] = $chosen[count($chosen) - 1];
        if ($isMean) {
            [$x, $y] = ScatterFits::means($line->key, $chosen, ...$weights);
        }

        $steps = $at === 'path' ? array_map(static fn(array $p): array => [$p[0], $p[1], $p[2]], $path) : [];

        return is_nan($x) || is_nan($y)
            ? null
            : new ScatterPoint($line, $x, $y, $size, $steps, $isMean ? count($chosen) : 1);
    }

    /** The study with the measure and the rail of the horizontal axis in the place of its own. */
    public static function turned(Study $study, Comparison $vertical): Study
    {
        $part = $study->part(ScatterPart::class);
        $plain = $study->withView('lines')->withPart(new LinesPart());
        if ($part->measure !== '' && isset($vertical->data->measures()[$part->measure])) {
            return $plain->withMeasure($part->measure)->withRail($part->rail ?? Rail::of());
        }
        // Until another is chosen: the next measure, and the same done to it as far as it is possible.
        $keys = array_values(
            array_diff(array_map(strval(...), array_keys($vertical->data->measures())), [$study->measure]),
        );
        foreach ([$study->rail, Rail::of()] as $rail) {
            foreach ($keys as $key) {
                $run = $rail->run($vertical->data->table($key), $vertical->data);
                if (
                    !self::isDividedByItself($rail, $key) &&
                    $run->refused() === null &&
                    count(array_intersect_key($run->table()->series, $vertical->run->table()->series)) > 1
                ) {
                    return $plain->withMeasure($key)->withRail($rail);
                }
            }
        }
        throw InvalidStudy::because(
            'A scatter needs two measures of the same entities. Import a file with a second one.',
        );
    }

    /** Whether a measure would come to nothing but one and the same number. */
    private static function isDividedByItself(Rail $rail, string $measure): bool
    {
        $own = array_filter(
            $rail->stops,
            static fn(PlacedStop $s): bool => $s->stop instanceof PerDenominator && $s->stop->measure === $measure,
        );

        return $own !== [];
    }

    /**
     * Which corner is the good one: 0 upper left, 1 upper right, 2 lower left, 3 lower right; null where one of the
     * measures does not say.
     */
    public function goodCorner(): ?int
    {
        [$up, $along] = [$this->vertical->measure->better, $this->horizontal->measure->better];

        return $up === Better::Neither || $along === Better::Neither
            ? null
            : ($up === Better::Higher ? 0 : 2) + ($along === Better::Higher ? 1 : 0);
    }

    /**
     * What a point says.
     *
     * @return array{name: string, points: array<int, array{string, string, string}>}
     */
    public function readout(ScatterPoint $point): array
    {
        $both = fn(float $x, float $y): string => trim("{$this->vertical->format($y)} {$this->vertical->unit()}") .
            ' · ' .
            trim("{$this->horizontal->format($x)} {$this->horizontal->unit()}");
        $rest = $point->line->group;
        $points = [];
        foreach ($point->path as $i => [$x, $y, $position]) {
            $points[$i] = [$this->vertical->axis->period($position)->label(), $both($x, $y), $rest];
        }

        return [
            'name' => $point->line->name,
            'points' => $points === [] ? [[$this->when, $both($point->x, $point->y), $rest]] : $points,
        ];
    }
}
