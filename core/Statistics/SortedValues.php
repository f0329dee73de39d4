<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/** Values in order, so that the place of another among them is found by halving. */
final readonly class SortedValues
{
    /** @param list<float> $values from the lowest to the highest, none missing */
    private function __construct(private array $values) {}

    /** @param list<float> $values missing ones (NAN) are left out */
    public static function of(array $values): self
    {
        $present = array_values(array_filter($values, static fn(float $v): bool => !is_nan($v)));
        sort($present);

        return new self($present);
    }

    /** @return array{int, int, int} how many are lower than a value, higher, and the same */
    public function around(float $value): array
    {
        $lower = $this->first(static fn(float $v): bool => $v >= $value);
        $within = $this->first(static fn(float $v): bool => $v > $value);

        return [$lower, count($this->values) - $within, $within - $lower];
    }

    /** @param callable(float): bool $holds of every value from some one on */
    private function first(callable $holds): int
    {
        [$from, $to] = [0, count($this->values)];
        while ($from < $to) {
            $middle = intdiv($from + $to, 2);
            if ($holds($this->values[$middle])) {
                $to = $middle;
            } else {
                $from = $middle + 1;
            }
        }

        return $from;
    }
}
