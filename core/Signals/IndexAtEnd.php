<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Data\SeriesTable;
use DuskRail\Document\Parts\LinesPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Rail\Stops\IndexToBase;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodRange;

/** The index that a rail ends in, and what its values would be on another base. */
final readonly class IndexAtEnd
{
    private function __construct(public string $stop, public PeriodRange $base, public SeriesTable $arriving) {}

    public static function in(Comparison $comparison): ?self
    {
        $steps = array_values(
            array_filter(
                $comparison->run->steps,
                static fn($step): bool => !$step->placed->bypassed && $step->refusal === null,
            ),
        );
        $last = $steps === [] ? null : $steps[count($steps) - 1];
        $base = $last?->placed->stop instanceof IndexToBase ? $last->placed->stop->base() : null;

        // Measures beside each other are no ranking that a base could turn.
        return $last === null || $base === null || $comparison->study->part(LinesPart::class)->across === 'measures'
            ? null
            : new self($last->placed->id, $base->at($last->arriving->axis->frequency), $last->arriving);
    }

    /**
     * @return list<PeriodRange> the two bases of the same length before this one and the two after, as far as the
     *     data reach
     */
    public function others(): array
    {
        $length = $this->base->count();
        $others = [];
        for ($by = 1; $by <= 2; $by++) {
            foreach ([-$by, $by] as $steps) {
                $other = PeriodRange::between(
                    $this->base->first->plus($steps * $length),
                    $this->base->last->plus($steps * $length),
                );
                $positions = $this->arriving->axis->positions($other);
                if ($positions !== null && $positions[1] - $positions[0] + 1 === $length) {
                    $others[] = $other;
                }
            }
        }

        return $others;
    }

    /**
     * The mean of every line over a base.
     *
     * @return array<string, float> by key; NAN where a value is missing, or the base reaches beyond the data
     */
    public function means(PeriodRange $base): array
    {
        $positions = $this->arriving->axis->positions($base);
        $length = $base->count();
        $reached = $positions !== null && $positions[1] - $positions[0] + 1 === $length;
        $means = [];
        foreach ($this->arriving->series as $key => $series) {
            $means[$key] = $reached ? array_sum(array_slice($series->values, $positions[0], $length)) / $length : NAN;
        }

        return $means;
    }

    /** The base as a user would write it. */
    public static function code(PeriodRange $range): string
    {
        $year = Period::year($range->first->yearNumber());

        return $range->label() === $year->label() ? $year->code() : $range->code();
    }
}
