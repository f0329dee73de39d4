<?php

declare(strict_types=1);

namespace DuskRail\Proposals;

use DuskRail\Data\SeriesTable;
use DuskRail\Document\LineState;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Rail\Scope;
use DuskRail\Statistics\Quantile;

/** What arrives at the end of a rail, and what ideas look at: levels, how far they differ, how they move in a year. */
final readonly class Arriving
{
    /**
     * @param array<string, list<float>> $values of the lines that take part, as far as they are shown and complete
     * @param list<string> $types of the stops on the rail that are in use
     */
    private function __construct(
        public Comparison $comparison,
        public SeriesTable $table,
        public Scope $scope,
        public array $values,
        public array $types,
    ) {}

    public static function of(Comparison $comparison): self
    {
        $values = [];
        foreach ($comparison->lines as $line) {
            if ($line->state !== LineState::Off && !$line->isGroup()) {
                $until = max($comparison->from, $comparison->reference);
                $values[$line->key] = array_slice($line->values, $comparison->from, $until - $comparison->from + 1);
            }
        }
        $types = [];
        foreach ($comparison->run->steps as $step) {
            if ($step->isInUse()) {
                $types[] = $step->placed->stop::type();
            }
        }

        return new self($comparison, $comparison->run->table(), $comparison->data, $values, $types);
    }

    public function has(string ...$types): bool
    {
        return array_intersect($types, $this->types) !== [];
    }

    /** The first line in focus, or the first line of all. */
    public function focus(): ?Line
    {
        return $this->comparison->focus()[0] ?? ($this->comparison->present()[0] ?? null);
    }

    /**
     * The median of each line's values.
     *
     * @return array<string, float> by key; lines without a value are left out
     */
    public function levels(): array
    {
        $levels = [];
        foreach ($this->values as $key => $values) {
            $level = self::median($values);
            if (!is_nan($level)) {
                $levels[$key] = $level;
            }
        }

        return $levels;
    }

    /** How many times the smallest level the largest is; NAN where one is not above zero, or of less than two lines. */
    public function spread(): float
    {
        $levels = $this->levels();

        return count($levels) < 2 || min($levels) <= 0.0 ? NAN : max($levels) / min($levels);
    }

    /**
     * How far the values swing within a cycle, as a share of their mean, after taking out where they drift to: the
     * median over whole cycles and lines; of the line in focus alone where it has enough of them.
     *
     * @param int $length periods in a cycle
     */
    public function swing(int $length): float
    {
        $focus = $this->focus();
        $own = self::swings($focus === null ? [] : $this->values[$focus->key] ?? [], $length);
        if (count($own) >= 2) {
            return self::median($own);
        }
        $all = array_map(static fn(array $v): float => self::median(self::swings($v, $length)), $this->values);

        return self::median(array_values($all));
    }

    /** @param list<float> $values */
    public static function median(array $values): float
    {
        $known = array_values(array_filter($values, is_finite(...)));

        return Quantile::of($known, 0.5);
    }

    /**
     * @param list<float> $values
     * @return list<float> of each whole cycle
     */
    private static function swings(array $values, int $length): array
    {
        $swings = [];
        for ($at = count($values) - $length; $at >= 1; $at -= $length) {
            $cycle = array_slice($values, $at, $length);
            // From the end of the cycle before to the end of this one: the drift, which is no swing.
            $drift = ($cycle[$length - 1] - $values[$at - 1]) / $length;
            $level = array_sum($cycle) / $length;
            $straight = array_map(static fn(float $v, int $i): float => $v - $i * $drift, $cycle, array_keys($cycle));
            if ($straight !== [] && is_finite($level) && $level > 0.0 && is_finite($drift)) {
                $swings[] = (max($straight) - min($straight)) / $level;
            }
        }

        return $swings;
    }
}
