<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Document\LineState;
use DuskRail\Statistics\Ends;
use DuskRail\Statistics\TheilSen;

/** One line of a comparison, along the whole axis of the data. */
final readonly class Line
{
    /**
     * @param int $hue 1–6 for a line in focus, else 0
     * @param list<float> $values
     * @param int|null $last position of its last value within the periods shown, up to which it is drawn
     * @param int|null $current position of its value in the reference period, by which it is compared; null where
     *     it has none, since it has ended or is late
     * @param bool $dashed what is before or not yet certain, in the hue of what it belongs to
     * @param array<int, true> $absent positions that this line does not have, which are no gaps: 29 February of
     *     most years
     * @param LineRole $role what it is beside those that are compared
     * @param Tone|null $tone where lines are coloured by a value of theirs
     */
    public function __construct(
        public string $key,
        public string $name,
        public string $group,
        public LineState $state,
        public int $hue,
        public array $values,
        public ?int $last,
        public ?int $current,
        public bool $dashed = false,
        public array $absent = [],
        public ?Tone $tone = null,
        public LineRole $role = LineRole::Compared,
    ) {}

    public function toned(Tone $tone): self
    {
        return $this->with(['tone' => $tone]);
    }

    /** The same as one that is not of the peer set; it is drawn behind the others, or not at all. */
    public function outside(bool $isHidden): self
    {
        $state = $isHidden && $this->state === LineState::Peer ? LineState::Off : $this->state;

        return $this->with(['state' => $state, 'role' => LineRole::Outside]);
    }

    /**
     * The same line with other values, as its rank in each period.
     *
     * @param list<float> $values along the same axis
     */
    public function valued(array $values, int $from, int $to): self
    {
        return $this->with([
            'values' => $values,
            'last' => self::lastOf($values, $from, $to),
            'current' => $this->current === null || is_nan($values[$this->current]) ? null : $this->current,
            'tone' => null,
        ]);
    }

    public function isBenchmark(): bool
    {
        return $this->role === LineRole::Benchmark;
    }

    /** The same over another stretch of its axis. */
    public function until(?int $last, ?int $current): self
    {
        return $this->with(['last' => $last, 'current' => $current]);
    }

    /** @param array<string, mixed> $changes by name of the property */
    private function with(array $changes): self
    {
        // @phpstan-ignore argument.type (the properties are those of the constructor)
        return new self(...[...get_object_vars($this), ...$changes]);
    }

    /** The name of its own colour, or nothing where it is as quiet as all the others. */
    public function ink(): string
    {
        return $this->tone?->ink() ?? ($this->hue > 0 ? "focus-{$this->hue}" : '');
    }

    /** Whether it is a whole group, which is none of the peers. */
    public function isGroup(): bool
    {
        return str_starts_with($this->key, 'g:');
    }

    /** Its value in the reference period, by which it is compared. */
    public function latest(): float
    {
        return $this->current === null ? NAN : $this->values[$this->current];
    }

    /** The value that it is drawn up to, be it of an incomplete period. */
    public function end(): float
    {
        return $this->last === null ? NAN : $this->values[$this->last];
    }

    /**
     * Its two ends within the periods shown, up to the reference period; like is compared with like.
     *
     * @param int $from first position shown
     * @param int $season values in a year, 1 without seasons
     */
    public function ends(int $from, int $season): Ends
    {
        return Ends::of($this->currentValues($from), $season);
    }

    /** Its median slope over the same. */
    public function slope(int $from, int $season): float
    {
        return TheilSen::slope($this->currentValues($from), $season);
    }

    /** @return list<float> */
    private function currentValues(int $from): array
    {
        return $this->current === null ? [] : array_slice($this->values, $from, max(0, $this->current - $from + 1));
    }

    /** The first value within the periods shown. */
    public function first(int $from): ?int
    {
        for ($i = $from; $this->last !== null && $i <= $this->last; $i++) {
            if (!is_nan($this->values[$i])) {
                return $i;
            }
        }

        return null;
    }

    /**
     * @param list<float> $values
     * @return int|null position of the last value that is there
     */
    public static function lastOf(array $values, int $from, int $to): ?int
    {
        for ($i = $to; $i >= $from; $i--) {
            if (!is_nan($values[$i])) {
                return $i;
            }
        }

        return null;
    }
}
