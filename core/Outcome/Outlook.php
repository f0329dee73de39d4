<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Rail\DatedTarget;

/** How a line goes on, and whether it gets to its target. */
final readonly class Outlook
{
    /**
     * @param float $target NAN where there is none
     * @param DatedTarget|null $due the date that it is judged by; null for a target without a date
     * @param ProjectedPath|null $path null where nothing is projected
     * @param int $way that the target is: 1 upwards, −1 downwards
     * @param int|null $arrival position of the first projected value that is at the target or beyond; null for none
     * @param string $reason why nothing is projected; nothing where something is
     */
    public function __construct(
        public Line $line,
        public float $target,
        public ?DatedTarget $due,
        public Pacing $pacing,
        public ?ProjectedPath $path,
        public int $way,
        public ?int $arrival,
        public Prospect $prospect,
        public string $reason,
    ) {}

    public function hasTarget(): bool
    {
        return !is_nan($this->target);
    }

    /** What it leads to by the date, or at the end of what is projected; NAN where nothing is. */
    public function leads(): float
    {
        return $this->path === null ? NAN : $this->path->values[$this->path->end()];
    }

    /** How far that may be off either way. */
    public function reach(): float
    {
        return $this->path === null ? NAN : $this->path->reach[$this->path->end()];
    }

    /** Whether its target is judged by a projection. */
    public function isJudged(): bool
    {
        return in_array($this->prospect, [Prospect::OnCourse, Prospect::Open, Prospect::OffCourse], true);
    }
}
