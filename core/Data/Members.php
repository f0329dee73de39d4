<?php

declare(strict_types=1);

namespace DuskRail\Data;

use DuskRail\Time\Frequency;

/**
 * Who is in a whole, period by period. Sums, stacks, shares and groups ask here who belongs and whose value is lacking;
 * a sum with a part that is lacking is not the sum.
 *
 * A member goes on for as long as its last value is at most a year before the latest that anybody has (common practice,
 * no source). Positions are those of the axis.
 */
final readonly class Members
{
    /** @var array<array-key, int> position of the first value by key, of those that have any */
    private array $firsts;

    /** @var array<array-key, int> position of the last value by key */
    private array $lasts;

    /** Position of the latest value that anybody has; -1 without any. */
    public int $latest;

    /** How many periods after its last value a member still goes on. */
    private int $patience;

    /**
     * @param array<array-key, list<float>> $rows values along one axis, by key
     * @param int|null $latest position of the latest value, if others than these have later ones
     */
    private function __construct(private array $rows, Frequency $frequency, ?int $latest)
    {
        $firsts = $lasts = [];
        foreach ($rows as $key => $values) {
            $last = self::lastOf($values);
            if ($last !== null) {
                $first = 0;
                while (is_nan($values[$first])) {
                    $first++;
                }
                [$firsts[$key], $lasts[$key]] = [$first, $last];
            }
        }
        $this->firsts = $firsts;
        $this->lasts = $lasts;
        $this->latest = max($latest ?? -1, ...$lasts === [] ? [-1] : array_values($lasts));
        // Along plain numbers each ends where it ends.
        $this->patience = $frequency === Frequency::Number ? 0 : self::patience($frequency);
    }

    /** @param array<array-key, list<float>> $rows values along one axis, by key */
    public static function of(array $rows, Frequency $frequency, ?int $latest = null): self
    {
        return new self($rows, $frequency, $latest);
    }

    /** Periods by which a last value may be before the latest of all, and the line still goes on. */
    public static function patience(Frequency $frequency): int
    {
        return $frequency->inAYear();
    }

    /** @param list<float> $values */
    private static function lastOf(array $values): ?int
    {
        for ($i = count($values) - 1; $i >= 0; $i--) {
            if (!is_nan($values[$i])) {
                return $i;
            }
        }

        return null;
    }

    public function presence(string $key, int $position): Presence
    {
        return match (true) {
            !isset($this->lasts[$key]), $position < $this->firsts[$key] => Presence::NotBegun,
            !is_nan($this->rows[$key][$position]) => Presence::There,
            $position < $this->lasts[$key] => Presence::Missing,
            $this->lasts[$key] < $this->latest - $this->patience => Presence::Ended,
            default => $this->patience === 0 ? Presence::Ended : Presence::Late,
        };
    }

    /** Last position at which a member belongs to the whole, with a value or without; -1 if it never does. */
    private function until(string|int $key): int
    {
        $last = $this->lasts[$key] ?? -1;

        return $this->patience > 0 && $last >= $this->latest - $this->patience ? $this->latest : $last;
    }

    /**
     * Whose value is lacking where others have one.
     *
     * @return array<int, list<string>> keys by position, of those positions alone that lack one
     */
    public function lacking(): array
    {
        $lacking = [];
        foreach ($this->firsts as $key => $first) {
            $until = $this->until($key);
            // A sum is a number exactly when every value is, and asking it is far cheaper than asking each of them.
            if (!is_nan(array_sum(array_slice($this->rows[$key], $first, $until - $first + 1)))) {
                continue;
            }
            for ($i = $first; $i <= $until; $i++) {
                if ($this->presence((string) $key, $i)->isLacking()) {
                    $lacking[$i][] = (string) $key;
                }
            }
        }
        ksort($lacking);

        // Where nobody has a value there is no whole that could lack one.
        return array_filter($lacking, $this->isHeld(...), ARRAY_FILTER_USE_KEY);
    }

    /** @return array<int, list<string>> the same of values between others, without those that are late */
    public function missing(): array
    {
        $missing = [];
        foreach ($this->lacking() as $position => $keys) {
            foreach ($keys as $key) {
                if ($this->presence($key, $position) === Presence::Missing) {
                    $missing[$position][] = $key;
                }
            }
        }

        return $missing;
    }

    private function isHeld(int $position): bool
    {
        foreach ($this->rows as $values) {
            if (!is_nan($values[$position])) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> keys of those that have a value wherever anybody has one */
    public function throughout(): array
    {
        $held = [];
        foreach ($this->rows as $values) {
            foreach ($values as $i => $value) {
                if (!is_nan($value)) {
                    $held[$i] = true;
                }
            }
        }
        $throughout = [];
        foreach (array_keys($this->firsts) as $key) {
            $missing = array_filter(array_keys($held), fn(int $i): bool => is_nan($this->rows[$key][$i]));
            if ($missing === []) {
                $throughout[] = (string) $key;
            }
        }

        return $throughout;
    }
}
