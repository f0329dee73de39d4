<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * Equally long spans of a series before and after an event. Where values have seasons, both hold the same ones: whole
 * years lie next to the event on both sides, and a part of a year is compared with the same part a year or more before.
 */
final readonly class EventSpans
{
    /** Of so many pairs of values, at least this share must be there. */
    private const LEAST = 0.5;

    /**
     * @param int $length periods of each span, 1 or more
     * @param int $season values in a year, 1 without seasons
     * @param int $skip periods from the event on that are neither before nor after
     */
    public function __construct(public int $length, public int $season = 1, public int $skip = 0) {}

    /** First position after an event. */
    public function after(int $event): int
    {
        return $event + $this->skip;
    }

    /** First position of the span before it. */
    public function before(int $event): int
    {
        return $this->length % $this->season === 0 ? $event - $this->length : $this->partner($event, 0);
    }

    /** Whether both spans are within so many values. */
    public function fit(int $event, int $count): bool
    {
        return $this->before($event) >= 0 && $this->after($event) + $this->length <= $count;
    }

    /**
     * Means of both spans, of the values that have a partner in the other one.
     *
     * @param list<float> $values missing ones are NAN
     * @return array{float, float} NAN where fewer than half of the pairs are there
     */
    public function means(array $values, int $event): array
    {
        $before = $after = 0.0;
        $pairs = 0;
        for ($k = 0; $k < $this->length; $k++) {
            $early = $values[$this->partner($event, $k)] ?? NAN;
            $late = $values[$this->after($event) + $k] ?? NAN;
            if (!is_nan($early) && !is_nan($late)) {
                $before += $early;
                $after += $late;
                $pairs++;
            }
        }

        return $pairs === 0 || $pairs < self::LEAST * $this->length ? [NAN, NAN] : [$before / $pairs, $after / $pairs];
    }

    /**
     * By how much the mean after is above that before.
     *
     * @param list<float> $values
     * @param bool $isRelative in per cent of the mean before, which must then be above zero
     */
    public function change(array $values, int $event, bool $isRelative): float
    {
        [$before, $after] = $this->means($values, $event);

        return match (true) {
            !$isRelative => $after - $before,
            is_nan($before) || $before <= 0.0 => NAN,
            default => 100.0 * ($after / $before - 1.0),
        };
    }

    /** The position before an event that a value after it is compared with; both are in the same season. */
    private function partner(int $event, int $k): int
    {
        $far = $this->skip + $k;

        return $this->length % $this->season === 0
            ? $event - $this->length + ($far % $this->length)
            : $event + $far - intdiv($this->skip + $this->length + $this->season - 1, $this->season) * $this->season;
    }
}
