<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Statistics\ProjectionChoice;

/** What would be shown of a line if it goes on as it does, in the rail's last unit. */
final readonly class ProjectedPath
{
    /**
     * @param array<int, float> $values by position of the axis; the first is the latest value that is known
     * @param array<int, float> $reach how far each may be off either way, with 95 % confidence
     * @param ProjectionChoice $by what it was projected by
     */
    public function __construct(public array $values, public array $reach, public ProjectionChoice $by) {}

    /** Position of its end. */
    public function end(): int
    {
        return (int) array_key_last($this->values);
    }

    public function start(): int
    {
        return (int) array_key_first($this->values);
    }

    /** Position of the first projected value that is at a level or beyond; null for none. */
    public function arrival(float $level, int $way): ?int
    {
        foreach ($this->values as $position => $value) {
            if ($position !== $this->start() && $way * ($value - $level) >= 0.0) {
                return $position;
            }
        }

        return null;
    }
}
