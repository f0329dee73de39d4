<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\Nature;
use DuskRail\Data\SeriesTable;
use DuskRail\Rail\Rail;
use DuskRail\Rail\Run;
use DuskRail\Rail\Stops\IndexToBase;
use DuskRail\Rail\Stops\Rolling;
use DuskRail\Rail\Stops\RunningTotal;
use DuskRail\Statistics\Ends;
use DuskRail\Statistics\SharedCourse;
use DuskRail\Statistics\StraightLine;
use DuskRail\Statistics\TheilSen;
use DuskRail\Statistics\Trend;
use DuskRail\Statistics\Turns;
use DuskRail\Time\Frequency;

/**
 * The courses of the lines of a comparison. Change and growth are those of the data that are drawn; the verdict is
 * on what they are made of, since rolling windows share values, and on months where the data are of days or weeks.
 */
final class TrendSummaries
{
    /** Of more lines courses are told from quarters, and turns not looked for by twos, or they would take seconds. */
    private const MANY = 200;

    /** @var array<string, SeriesTable|null> by measure: the rail without its rolling windows */
    private array $plain = [];

    /** @var array<string, array<int, int>> period that each position is in, by its frequency */
    private array $places = [];

    /** Of fewer lines each has what the others have in common; of more it is hardly another without one of them. */
    private const FEW = 12;

    /** From so many lines what they have in common is told. */
    private const ENOUGH = 100;

    /** @var array<string, TrendSummary> by line */
    private array $known = [];

    /** @var array<string, LineTurns|null> by line */
    private array $turns = [];

    /** @var array<string, SharedCourse> by line that is apart, all of them under no name */
    private array $shared = [];

    public function __construct(private readonly Comparison $comparison) {}

    public function course(Line $line): TrendSummary
    {
        return $this->known[$line->key] ??= $this->summed($line);
    }

    private function summed(Line $line): TrendSummary
    {
        $comparison = $this->comparison;
        $season = $comparison->season();
        if ($line->current === null) {
            // What it did until then is not beside what the others did until now.
            $last = Line::lastOf($line->values, $comparison->from, $comparison->reference);
            $ended =
                $last === null
                    ? Trend::withheld('no complete value')
                    : Trend::endedIn($comparison->axis->period($last)->short());

            return new TrendSummary(NAN, NAN, NAN, $ended, null);
        }
        $values = $this->finished($line->values);
        $ends = Ends::of($values, $season);
        $trend = $this->trend($line, $season);
        // On the values themselves the test has worked it out.
        $slope = $this->comparison->isSmoothed() || $this->coarser() !== null || is_nan($trend->slope);

        $turns = $this->turns($line);
        $medianSlope = $slope ? $this->slope($values, $season) : $trend->slope;

        return new TrendSummary(
            $ends->change(),
            $ends->growth($comparison->grows() ? $comparison->perYear() : NAN),
            $medianSlope,
            $turns === null || !$turns->has() ? $trend : $turns->verdict($trend),
            StraightLine::through(array_map(floatval(...), array_keys($values)), $values),
        );
    }

    /**
     * Whether the level of a line changes at all, by itself: what all lines share, and two turns at once, take ten
     * times as long to find.
     */
    public function mayStep(Line $line): bool
    {
        $isTotal = $this->comparison->run->table()->nature === Nature::Total;
        $values = $line->current === null || $isTotal ? [] : $this->tested($line);
        $season = $this->coarser()?->inAYear() ?? $this->comparison->season();

        return array_filter(array_column(Turns::in($values, $season, null, false)->turns, 'step')) !== [];
    }

    /** Where a line turns; null where it is not looked for: a running total, or a line that has ended. */
    public function turns(Line $line): ?LineTurns
    {
        if (!array_key_exists($line->key, $this->turns)) {
            $this->turns[$line->key] = $this->turned($line);
        }

        return $this->turns[$line->key];
    }

    private function turned(Line $line): ?LineTurns
    {
        $comparison = $this->comparison;
        $isTotal = $comparison->run->table()->nature === Nature::Total;
        $values = $line->current === null || $isTotal ? [] : $this->tested($line);
        if ($values === []) {
            return null;
        }
        $coarser = $this->coarser();
        $season = $coarser?->inAYear() ?? $comparison->season();
        $first = $comparison->axis->period($comparison->from);

        return new LineTurns(
            $comparison,
            $line,
            Turns::in($values, $season, $this->shared($line, $season), count($comparison->lines) <= self::MANY),
            $coarser === null ? $first : $first->in($coarser),
            $this->windows(),
        );
    }

    /**
     * What a verdict is given on: the values without windows, of months or quarters where they are many.
     *
     * @return list<float>
     */
    public function tested(Line $line): array
    {
        $coarser = $this->coarser();
        $values = $this->plain($line);

        return $coarser === null ? $values : $this->gathered($values, $coarser);
    }

    /** What lines have in common, as far as it can be told. */
    private function shared(Line $line, int $season): SharedCourse
    {
        $comparison = $this->comparison;
        $isPlace = $comparison->run->table()->nature === Nature::Place;
        if ($comparison->measures->runs !== [] || $isPlace || $line->isGroup()) {
            return SharedCourse::none();
        }
        $others = array_values(
            array_filter(
                $comparison->present(),
                static fn(Line $one): bool => $one->role === LineRole::Compared &&
                    !$one->isGroup() &&
                    $one->current !== null,
            ),
        );
        $isFew = count($others) < self::FEW;
        $key = $isFew ? $line->key : '';
        if (!isset($this->shared[$key])) {
            $others = $isFew
                ? array_values(array_filter($others, static fn(Line $one): bool => $one->key !== $line->key))
                : $others;
            $step = max(1, intdiv(count($others), self::ENOUGH));
            $series = [];
            for ($i = 0; $i < count($others); $i += $step) {
                $series[] = $this->tested($others[$i]);
            }
            $this->shared[$key] = SharedCourse::of(array_values(array_filter($series)), $season);
        }

        return $this->shared[$key];
    }

    /** How many values go into each that is shown; NAN where stops after the windows make something else of them. */
    private function windows(): float
    {
        $times = 1.0;
        foreach ($this->comparison->run->inUse() as $step) {
            $stop = $step->placed->stop;
            $times = match (true) {
                !($stop instanceof Rolling) => $times === 1.0 ? 1.0 : NAN,
                $stop->statistic === 'mean' => $times,
                $stop->statistic === 'sum' => $times * $stop->window,
                default => NAN,
            };
        }

        return $times;
    }

    /**
     * The window that each value shown is made of: how many values, and how often each is in it; an index after it has
     * a scale of its own.
     *
     * @return array{int, float}|null null where values are not made of one trailing window of means or sums
     */
    public function window(): ?array
    {
        $window = [1, 1.0];
        foreach ($this->comparison->run->inUse() as $step) {
            $stop = $step->placed->stop;
            $isScaled = $stop instanceof IndexToBase && $stop->base() !== null;
            if (($window !== [1, 1.0] && !$isScaled) || $stop instanceof RunningTotal) {
                return null;
            }
            if ($stop instanceof Rolling) {
                $isPlain = in_array($stop->statistic, ['mean', 'sum'], true) && $stop->placed === 'trailing';
                if (!$isPlain) {
                    return null;
                }
                $window = [$stop->window, $stop->statistic === 'mean' ? 1.0 / $stop->window : 1.0];
            }
        }

        return $window;
    }

    private function trend(Line $line, int $season): Trend
    {
        if ($this->comparison->run->table()->nature === Nature::Total) {
            return Trend::withheld('a running total always goes in one direction');
        }
        $values = $this->plain($line);
        if ($values === []) {
            return Trend::withheld('neighbouring values overlap');
        }
        $coarser = $this->coarser();

        return $coarser === null
            ? Trend::of($values, $season)
            : Trend::of($this->gathered($values, $coarser), $coarser->inAYear());
    }

    /**
     * The values of a line as far as shown and finished, without the rolling windows of the rail.
     *
     * @return list<float> empty where there are no such
     */
    public function plain(Line $line): array
    {
        if (!$this->comparison->isSmoothed()) {
            return $this->finished($line->values);
        }
        [$run, $measure, $key] = $this->comparison->traced($line->key);
        $this->plain[$measure] ??= self::withoutWindows($run);
        $table = $this->plain[$measure];
        $series = $table?->series[$key] ?? null;
        if ($table === null || $series === null) {
            return [];
        }
        $offset = max(0, $this->comparison->axis->first - $table->axis->first);
        $values = array_slice($series->values, $offset, $this->comparison->axis->count);

        return count($values) === $this->comparison->axis->count ? $this->finished($values) : [];
    }

    /** The same rail on the same values, its rolling windows left out; null where it then ends on another axis. */
    private static function withoutWindows(Run $run): ?SeriesTable
    {
        $arriving = null;
        $rail = Rail::of();
        foreach ($run->inUse() as $step) {
            // What arrives at the first window is there already.
            $arriving ??= $step->placed->stop instanceof Rolling ? $step->arriving : null;
            $rail =
                $arriving === null || $step->placed->stop instanceof Rolling ? $rail : $rail->with($step->placed->stop);
        }
        $table = $rail->run($arriving ?? $run->table(), $run->data)->table();

        return $table->axis == $run->table()->axis ? $table : null;
    }

    /**
     * @param list<float> $values
     * @return list<float> as far as shown and finished
     */
    private function finished(array $values): array
    {
        [$from, $reference] = [$this->comparison->from, $this->comparison->reference];

        return array_slice($values, $from, max(0, $reference - $from + 1));
    }

    /** The periods that a verdict is given on, where they are not those of the values. */
    public function coarser(): ?Frequency
    {
        $frequency = $this->comparison->axis->frequency;
        $short = in_array($frequency, [Frequency::Day, Frequency::Week], true);
        $many = count($this->comparison->lines) > self::MANY;

        return match (true) {
            $many && ($short || $frequency === Frequency::Month) => Frequency::Quarter,
            $short => Frequency::Month,
            default => null,
        };
    }

    /**
     * Median slope for a period of the values.
     *
     * @param list<float> $values
     */
    private function slope(array $values, int $season): float
    {
        $coarser = count($this->comparison->lines) > self::MANY ? $this->coarser() : null;

        return $coarser === null
            ? TheilSen::slope($values, $season)
            : (TheilSen::slope($this->gathered($values, $coarser), $coarser->inAYear()) * $coarser->inAYear()) /
                    $this->comparison->axis->frequency->meanPerYear();
    }

    /**
     * Means of months or quarters, a week in that of its middle.
     *
     * @param list<float> $values from the first that is shown
     * @return list<float>
     */
    private function gathered(array $values, Frequency $to): array
    {
        $sums = $counts = [];
        foreach ($values as $i => $value) {
            $place = $this->places[$to->value][$i] ??= $this->comparison->axis
                ->period($this->comparison->from + $i)
                ->in($to)->ordinal;
            $sums[$place] ??= 0.0;
            $counts[$place] ??= 0;
            if (!is_nan($value)) {
                $sums[$place] += $value;
                $counts[$place]++;
            }
        }

        return array_values(
            array_map(static fn(float $sum, int $count): float => $count === 0 ? NAN : $sum / $count, $sums, $counts),
        );
    }
}
