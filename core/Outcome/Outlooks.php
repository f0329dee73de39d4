<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\Nature;
use DuskRail\Document\Parts\ProjectionPart;
use DuskRail\Rail\DatedTarget;
use DuskRail\Statistics\ProjectionChoice;
use DuskRail\Statistics\ProjectionMethod;
use DuskRail\Statistics\Projections;
use DuskRail\Statistics\SeasonsApart;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;

/**
 * How the lines of a comparison go on, and whether they get to their targets: the one place that says so. What is
 * carried on are the values without rolling windows, of months where the data are of days or weeks; windows are put
 * over what is known and what is projected.
 */
final class Outlooks
{
    /** @var array<string, Outlook|null> by line */
    private array $known = [];

    private readonly TargetsOfLines $targets;

    public function __construct(private readonly Comparison $comparison)
    {
        $this->targets = new TargetsOfLines($comparison);
    }

    /** @return array<string, Outlook> by line, of those in focus, where projections are asked for and there are any */
    public static function shown(Comparison $comparison): array
    {
        $shown = [];
        $isShown = $comparison->study->part(ProjectionPart::class)->projection === 'shown';
        foreach ($isShown ? $comparison->focus() : [] as $line) {
            $outlook = $comparison->outlooks->of($line);
            if ($outlook !== null && $outlook->path !== null) {
                $shown[$line->key] = $outlook;
            }
        }

        return $shown;
    }

    /** Whether there is a date by which something is to be reached, for any line. */
    public function hasDates(): bool
    {
        return $this->targets->hasDates();
    }

    /** Null for a line that has no value in the reference period. */
    public function of(Line $line): ?Outlook
    {
        if (!array_key_exists($line->key, $this->known)) {
            $this->known[$line->key] = $line->current === null ? null : $this->outlook($line, $line->current);
        }

        return $this->known[$line->key];
    }

    private function outlook(Line $line, int $current): Outlook
    {
        $comparison = $this->comparison;
        $due = $this->targets->due($line, $current);
        $level = $this->targets->level($line, $current);
        $tested = $this->refusal($line) === '' ? $comparison->courses->tested($line) : [];
        $since = $this->position($comparison->study->part(ProjectionPart::class)->start(), $tested);
        $projections = new Projections($tested, $this->season(), $since);
        $reason = $this->reason($line, $projections);
        // Where nothing is carried on, the way from where the line is can still be told.
        $end = array_key_last(array_filter($tested, static fn(float $v): bool => !is_nan($v)));
        $end ??= $due === null ? 0 : $this->numberOf($current);
        $periods = $due === null ? 0 : max(0, $this->numberOf($due->position) - $end);
        $choice = $reason === '' ? $this->choice($line, $projections, $periods) : null;
        $path = $choice === null ? null : $this->path($line, $current, $tested, $choice);
        $pacing = new Pacing(
            $this->first()->frequency,
            $periods,
            $this->needed([$line->values[$current], $level], $tested, $end, $periods),
            $this->pace($line, $tested, $since === null ? null : $projections->pace()),
            $this->since($line, $since),
        );
        $way = $this->targets->way($line, $level);

        return new Outlook(
            $line,
            $level,
            $due,
            $pacing,
            $path,
            $way,
            is_nan($level) ? null : $path?->arrival($level, $way),
            is_nan($level) ? Prospect::Untold : $this->prospect($line, [$level, $way], $due, $path),
            $reason,
        );
    }

    /** Values in a year of those that are carried on. */
    private function season(): int
    {
        return $this->comparison->courses->coarser()?->inAYear() ?? $this->comparison->season();
    }

    /** The line carried on to the date of its target, or without one as far as it may be. */
    private function choice(Line $line, Projections $projections, int $periods): ?ProjectionChoice
    {
        return $projections->ahead(
            $this->comparison->courses->turns($line)->turns->turns ?? [],
            $periods > 0 ? $periods : $projections->furthest(),
            ProjectionMethod::tryFrom($this->comparison->study->part(ProjectionPart::class)->method),
        );
    }

    /** Why a line is not carried on; nothing where it is. */
    private function reason(Line $line, Projections $projections): string
    {
        $refusal = $this->refusal($line);

        return match (true) {
            $refusal !== '' || $projections->isKnown() => $refusal,
            $this->season() > 1 => 'fewer than three years',
            default => 'fewer than ten values',
        };
    }

    /** Why values of this kind are not carried on; nothing where they are. */
    private function refusal(Line $line): string
    {
        $nature = $this->comparison->run->table()->nature;

        return match (true) {
            $nature === Nature::Total => 'a running total starts again or only rises',
            $nature === Nature::Place => 'ranks depend on the others, and are not projected',
            $this->comparison->axis->frequency === Frequency::Number => 'its axis has no dates',
            $this->comparison->courses->window() === null
                => 'only a trailing window of means or sums at the end of the rail, or its index, is projected',
            $this->comparison->courses->tested($line) === [] => 'its values overlap',
            default => '',
        };
    }

    /**
     * First position of the values that are carried on from a period on; null without one, or before them all.
     *
     * @param list<float> $tested
     */
    private function position(?Period $since, array $tested): ?int
    {
        if ($since === null || $tested === []) {
            return null;
        }
        $first = $this->first();
        $number = Period::holding($first->frequency, $since->firstDay())->ordinal - $first->ordinal;

        return $number <= 0 ? null : $number;
    }

    /** The period of the first value that is carried on. */
    private function first(): Period
    {
        $first = $this->comparison->axis->period($this->comparison->from);
        $coarser = $this->comparison->courses->coarser();

        return $coarser === null ? $first : $first->in($coarser);
    }

    /** The number, among the values that are carried on, of the one that holds a position of the axis. */
    private function numberOf(int $position): int
    {
        $first = $this->first();
        $day = $this->comparison->axis->period($position)->lastDay();

        return Period::holding($first->frequency, $day)->ordinal - $first->ordinal;
    }

    /** Position on the axis of a value that is carried on: of its last period where several are put together. */
    private function positionOf(int $number): int
    {
        $first = $this->first();
        $own = $this->comparison->axis;
        $period = Period::at($first->frequency, $first->ordinal + $number);

        return $period->frequency === $own->frequency
            ? $period->ordinal - $own->first
            : Period::holding($own->frequency, $period->lastDay())->ordinal - $own->first;
    }

    /**
     * What would be shown: windows over known and projected values, from where the line is.
     *
     * @param list<float> $tested
     */
    private function path(Line $line, int $current, array $tested, ProjectionChoice $choice): ?ProjectedPath
    {
        [$size, $each] = $this->comparison->courses->window() ?? [1, 1.0];
        $last = $choice->chosen->last;
        $known = self::latest($tested, $last, $size);
        // A gap counts as the mean of the others in the window.
        $mean = self::mean($known);
        $each *= $this->scale($line, $tested, $last);
        // Windows of weighted ratios are not quite means; they go on from where they are.
        $off = $size === 1 ? 0.0 : $line->values[$current] - $mean * $size * $each;
        $values = [$current => $line->values[$current]];
        $reach = [$current => 0.0];
        foreach (array_keys($choice->chosen->values) as $h) {
            $sum = 0.0;
            $weights = [];
            for ($k = $h - $size + 1; $k <= $h; $k++) {
                $own = $k < 0 ? $known[$last + 1 + $k] ?? NAN : $choice->chosen->values[$k];
                $sum += $each * (is_nan($own) ? $mean : $own);
                $weights += $k < 0 ? [] : [$k => $each];
            }
            $position = $this->positionOf($last + 1 + $h);
            if ($position > $current) {
                $values[$position] = $sum + $off;
                $reach[$position] = $choice->chosen->reach($weights);
            }
        }

        return count($values) < 2 ? null : new ProjectedPath($values, $reach, $choice);
    }

    /**
     * The values of the last window.
     *
     * @param list<float> $tested
     * @return array<int, float> by position; NAN for a gap
     */
    private static function latest(array $tested, int $last, int $size): array
    {
        $known = [];
        for ($i = $last - $size + 1; $i <= $last; $i++) {
            $known[$i] = $tested[$i] ?? NAN;
        }

        return $known;
    }

    /** @param array<int, float> $values of which those that are missing count as the others */
    private static function mean(array $values): float
    {
        $there = array_filter($values, static fn(float $v): bool => !is_nan($v));

        return array_sum($there) / max(1, count($there));
    }

    /**
     * How many times as large a value shown is as its window of the values that are carried on: an index that follows
     * the window has its base in windows.
     *
     * @param list<float> $tested
     */
    private function scale(Line $line, array $tested, int $last): float
    {
        [$size, $each] = $this->comparison->courses->window() ?? [1, 1.0];
        $window = self::mean(self::latest($tested, $last, $size)) * $size * $each;
        $shown = $line->latest();

        return $size === 1 || $this->comparison->indexed() === null || $window === 0.0 ? 1.0 : $shown / $window;
    }

    /**
     * By how much it must go up in a period from now on, without seasons where they are in the values.
     *
     * @param array{float, float} $ends where it is, and where it is to be
     * @param list<float> $tested
     */
    private function needed(array $ends, array $tested, int $end, int $periods): float
    {
        if ($periods < 1) {
            return NAN;
        }
        [$now, $target] = $ends;
        $season = $this->comparison->courses->coarser() === null ? $this->comparison->seasonLeft() : 1;
        if ($season > 1 && !$this->comparison->isSmoothed()) {
            $seasons = SeasonsApart::in($tested, $season);
            $now = $seasons->apart($now, $end);
            $target = $seasons->apart($target, $end + $periods);
        }

        return ($target - $now) / $periods;
    }

    /**
     * By how much what is shown goes up in a period.
     *
     * @param list<float> $tested
     * @param float|null $slope of these since a period that was chosen; null for that since the last turn
     */
    private function pace(Line $line, array $tested, ?float $slope): float
    {
        $courses = $this->comparison->courses;
        [$size, $each] = $courses->window() ?? [0, NAN];
        $each *= $tested === [] ? NAN : $this->scale($line, $tested, count($tested) - 1);

        return ($slope ?? $courses->turns($line)->turns->slope ?? NAN) * $size * $each;
    }

    private function since(Line $line, ?int $position): ?Period
    {
        $turns = $this->comparison->courses->turns($line);
        $last = $turns?->last();

        return match (true) {
            $position !== null => $this->first()->plus($position),
            // A step alone changes no pace.
            $turns === null || $last === null || !$last->bends() => null,
            default => $turns->period($last),
        };
    }

    /**
     * @param array{float, int} $to what is to be reached, and which way that is
     * @param DatedTarget|null $due by when
     */
    private function prospect(Line $line, array $to, ?DatedTarget $due, ?ProjectedPath $path): Prospect
    {
        [$target, $way] = $to;
        $isThere = static fn(float $value): bool => $way * ($value - $target) >= 0.0;
        $current = (int) $line->current;
        if ($due !== null && $due->position <= $current) {
            $then = $line->values[$due->position] ?? NAN;

            return is_nan($then) ? Prospect::Untold : ($isThere($then) ? Prospect::Met : Prospect::Missed);
        }
        if ($due === null) {
            return match (true) {
                $isThere($line->values[$current]) => Prospect::Reached,
                $path === null => Prospect::Untold,
                $path->arrival($target, $way) !== null => Prospect::InSight,
                default => Prospect::NotInSight,
            };
        }
        if ($path === null) {
            return Prospect::Untold;
        }
        $value = $path->values[$path->end()];

        return match (true) {
            $this->numberOf($path->end()) < $this->numberOf($due->position) => Prospect::TooFar,
            abs($value - $target) < $path->reach[$path->end()] => Prospect::Open,
            $isThere($value) => Prospect::OnCourse,
            default => Prospect::OffCourse,
        };
    }
}
