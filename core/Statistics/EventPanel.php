<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * Series of members with an event and of members without, along one time: what changed about it, whether it would have
 * changed anyway, and how it went from period to period.
 */
final readonly class EventPanel
{
    /** Spans of so many years, or periods without seasons, are long enough where nobody asks for others. */
    private const YEARS = 3;

    private const PERIODS = 5;

    /** A span is usual if at least this share of those with the event has values for it. */
    private const MOST = 0.8;

    /** A course before is told from so many periods, with seasons from so many years. */
    private const COURSE = 5;

    private const COURSE_YEARS = 2;

    /** @var array<array-key, list<float>> values without their seasons */
    private array $calm;

    /**
     * @param array<array-key, list<float>> $with values by member; missing ones are NAN
     * @param array<array-key, int> $events position of the event by the same members
     * @param array<array-key, list<float>> $without values of those without it, along the same time
     * @param int $season values in a year, 1 without seasons
     * @param int $skip periods from the event on that are neither before nor after
     * @param bool $isRelative whether changes are in per cent of the mean before
     */
    public function __construct(
        public array $with,
        public array $events,
        public array $without,
        public int $season,
        public int $skip,
        public bool $isRelative,
    ) {
        $this->calm = array_map(
            static fn(array $values): array => SeasonsApart::of($values, $season),
            $with + $without,
        );
    }

    /** The spans before and after that most of those with the event have values for; null where none has. */
    public function usualSpans(): ?EventSpans
    {
        $lengths = $this->season > 1
            ? array_map(fn(int $years): int => $years * $this->season, range(self::YEARS, 1))
            : range(self::PERIODS, 1);
        foreach ([(int) ceil(self::MOST * count($this->with)), 1] as $needed) {
            foreach ($lengths as $length) {
                $spans = $this->spans($length);
                if (count($this->fitting($spans)) >= max(1, $needed)) {
                    return $spans;
                }
            }
        }
        // Of less than a year, as many periods as there are after it.
        for ($length = $this->season - 1; $length > 0; $length--) {
            if ($this->fitting($this->spans($length)) !== []) {
                return $this->spans($length);
            }
        }

        return null;
    }

    public function spans(int $length): EventSpans
    {
        return new EventSpans($length, $this->season, $this->skip);
    }

    /** @return list<array-key> those with the event whose values reach over both spans */
    public function fitting(EventSpans $spans): array
    {
        return array_keys(
            array_filter(
                $this->events,
                fn(int $event, int|string $key): bool => $spans->fit($event, count($this->with[$key])),
                ARRAY_FILTER_USE_BOTH,
            ),
        );
    }

    /**
     * @param int $earlier how many periods before the event one is supposed
     * @return list<Cohort> those with the event and without it that have a change, by its time; times at which nobody
     *     is left on one side are not among them
     */
    public function cohorts(EventSpans $spans, int $earlier = 0): array
    {
        return $this->gathered(
            fn(array $values, int $event): float => $spans->fit($event - $earlier, count($values))
                ? $spans->change($values, $event - $earlier, $this->isRelative)
                : NAN,
        );
    }

    public function difference(EventSpans $spans, int $earlier = 0): ?DifferenceInDifferences
    {
        $cohorts = $this->cohorts($spans, $earlier);

        return $cohorts === [] ? null : DifferenceInDifferences::of($cohorts);
    }

    /**
     * The same difference about times at which nothing was, both spans before the event.
     *
     * @return array<int, float> by how many periods before it; of all that have as many members as the true one
     */
    public function placeboDates(EventSpans $spans): array
    {
        $members = $this->difference($spans)->countWith ?? 0;
        $found = [];
        for ($earlier = $spans->skip + $spans->length; ; $earlier++) {
            $difference = $this->difference($spans, $earlier);
            if ($difference === null || $difference->countWith < $members) {
                return $found;
            }
            $found[$earlier] = $difference->effect();
        }
    }

    public function placeboMembers(EventSpans $spans): ?PlaceboMembers
    {
        $sizes = $members = [];
        foreach ($this->times() as $event) {
            $own = array_keys($this->events, $event, true);
            $own = array_values(array_intersect($own, $this->fitting($spans)));
            if ($own !== []) {
                $sizes[$event] = count($own);
                array_push($members, ...$own);
            }
        }
        if ($sizes === []) {
            return null;
        }
        $changes = [];
        $all = $this->with + $this->without;
        foreach ([...$members, ...array_keys($this->without)] as $key) {
            foreach (array_keys($sizes) as $event) {
                $changes[$key][] = $spans->fit($event, count($all[$key]))
                    ? $spans->change($all[$key], $event, $this->isRelative)
                    : NAN;
            }
        }

        return PlaceboMembers::of(array_values($sizes), $changes);
    }

    /**
     * By how much more those with the event went up in each period before it than those without: the difference of the
     * slopes of their values without seasons, in the unit of the changes. Null where too little is before it.
     */
    public function courseBefore(EventSpans $spans): ?DifferenceInDifferences
    {
        $least = $this->season > 1 ? self::COURSE_YEARS * $this->season : self::COURSE;
        $cohorts = $this->gathered(function (array $values, int $event) use ($spans, $least): float {
            // Seasons of what was before alone, so that nothing of the event is in them.
            $before = SeasonsApart::of(array_slice($values, 0, max(0, $event)), $this->season);
            $there = array_filter($before, static fn(float $v): bool => !is_nan($v));
            $level = $this->isRelative ? $spans->means($values, $event)[0] / 100.0 : 1.0;
            if (count($there) < $least || is_nan($level) || $level <= 0.0) {
                return NAN;
            }

            return (StraightLine::through(array_map(floatval(...), array_keys($before)), $before)->slope ?? NAN) /
                $level;
        });

        return $cohorts === [] ? null : DifferenceInDifferences::of($cohorts);
    }

    /**
     * How those with the event went, from so many periods before it to so many after, beside those without.
     *
     * @return array{list<float>, list<float>, list<list<float>>} distances from the mean before, without seasons: of
     *     those with it, of those without it over the same times, and of each of these
     */
    public function courses(EventSpans $spans, int $before, int $after): array
    {
        $own = $theirs = $weights = [];
        foreach ($this->times() as $event) {
            $with = array_intersect(array_keys($this->events, $event, true), $this->fitting($spans));
            foreach ($with as $key) {
                $own[] = $this->course($key, $spans, $event, $before, $after);
            }
            $weights[] = (float) count($with);
            foreach ($with === [] ? [] : array_keys($this->without) as $other) {
                $theirs[$other][count($weights) - 1] = $this->course($other, $spans, $event, $before, $after);
            }
        }
        $each = array_values(
            array_map(static fn(array $courses): array => self::mean($courses, $weights), $theirs),
        );

        return [self::mean($own), self::mean($each), $each];
    }

    /** @return list<int> the times at which the event was */
    public function times(): array
    {
        $times = array_values(array_unique($this->events));
        sort($times);

        return $times;
    }

    /**
     * @param callable(list<float>, int): float $of what is compared of a member about a time; NAN for nothing
     * @return list<Cohort>
     */
    private function gathered(callable $of): array
    {
        $cohorts = [];
        $known = static fn(float $v): bool => !is_nan($v);
        foreach ($this->times() as $event) {
            $with = $without = [];
            foreach (array_keys($this->events, $event, true) as $key) {
                $with[$key] = $of($this->with[$key], $event);
            }
            $with = array_filter($with, $known);
            foreach ($with === [] ? [] : $this->without as $key => $values) {
                $without[$key] = $of($values, $event);
            }
            $without = array_filter($without, $known);
            if ($with !== [] && $without !== []) {
                $cohorts[] = new Cohort($with, $without);
            }
        }

        return $cohorts;
    }

    /** @return list<float> */
    private function course(int|string $key, EventSpans $spans, int $event, int $before, int $after): array
    {
        $values = $this->calm[$key];
        $level = $spans->means($values, $event)[0];
        $course = [];
        for ($i = $event - $before; $i <= $event + $after; $i++) {
            $value = $values[$i] ?? NAN;
            $course[] = match (true) {
                !$this->isRelative => $value - $level,
                is_nan($level) || $level <= 0.0 => NAN,
                default => 100.0 * ($value / $level - 1.0),
            };
        }

        return $course;
    }

    /**
     * @param array<int, list<float>> $courses of one length
     * @param array<int, float> $weights of the same; none where all count the same
     * @return list<float> mean of those that are there
     */
    private static function mean(array $courses, array $weights = []): array
    {
        $mean = [];
        foreach (array_keys($courses === [] ? [] : $courses[array_key_first($courses)]) as $i) {
            $sum = $count = 0.0;
            foreach ($courses as $k => $course) {
                if (!is_nan($course[$i])) {
                    $weight = $weights[$k] ?? 1.0;
                    $sum += $weight * $course[$i];
                    $count += $weight;
                }
            }
            $mean[] = $count === 0.0 ? NAN : $sum / $count;
        }

        return $mean;
    }
}
