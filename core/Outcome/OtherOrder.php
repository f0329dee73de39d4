<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Rail\Rail;

/** What a comparison would come to if a stop changed places with its neighbour, beside what it comes to now. */
final readonly class OtherOrder
{
    /** Smaller differences than this share of a value come from rounding alone. */
    private const ROUNDING = 1e-9;

    /**
     * @param bool $earlier whether the stop would come before its neighbour, or after
     * @param string $neighbour its label
     * @param string $refusal why the order is not possible, or nothing
     * @param list<float> $values of the line that is looked at, in that order
     */
    private function __construct(
        public bool $earlier,
        public string $neighbour,
        public string $refusal,
        public array $values,
        public bool $differs,
    ) {}

    /**
     * @param Line $line whose values are compared
     * @return list<self> with the neighbour before and the one after, where there are such
     */
    public static function of(Comparison $comparison, string $id, Line $line): array
    {
        $steps = $comparison->run->steps;
        $orders = [];
        foreach ($steps as $at => $step) {
            foreach ($step->placed->id === $id ? [-1, 1] : [] as $by) {
                $neighbour = $steps[$at + $by] ?? null;
                if ($neighbour === null || $neighbour->placed->bypassed || !$step->isInUse()) {
                    continue;
                }
                $orders[] = self::swapped(
                    $comparison,
                    $comparison->study->rail->moving($id, $by),
                    $line,
                    $by < 0,
                    $neighbour->placed->stop->label($neighbour->arriving, $comparison->data),
                );
            }
        }

        return $orders;
    }

    private static function swapped(
        Comparison $comparison,
        Rail $rail,
        Line $line,
        bool $earlier,
        string $neighbour,
    ): self {
        $run = $rail->run($comparison->run->origin, $comparison->data);
        $refused = $run->refused();
        if ($refused !== null && $comparison->run->refused() === null) {
            return new self($earlier, $neighbour, (string) $refused->refusal, [], false);
        }
        // On another axis the values cannot be laid beside each other.
        $values = $run->table()->axis == $comparison->axis ? $run->table()->series[$line->key]->values ?? [] : [];
        $differs = false;
        foreach ($values as $i => $value) {
            $now = $line->values[$i];
            $shown = $i >= $comparison->from && $i <= $comparison->to;
            $differs =
                $differs ||
                ($shown && (is_nan($value) !== is_nan($now) || abs($value - $now) > self::ROUNDING * abs($now)));
        }

        return new self($earlier, $neighbour, '', $values, $differs);
    }

    /** Its value where the line ends now. */
    public function at(?int $position): float
    {
        return $position === null ? NAN : $this->values[$position] ?? NAN;
    }
}
