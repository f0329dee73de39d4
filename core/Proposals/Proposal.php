<?php

declare(strict_types=1);

namespace DuskRail\Proposals;

use DuskRail\Rail\Stop;

/** A stop that fits what arrives at the end of the rail, and why. */
final readonly class Proposal
{
    /**
     * @param string $label as it would be on the rail: `÷ connections`
     * @param string $reason from the values: `24 lines differ 40-fold in size, mostly as their people do`
     * @param list<float> $values what the line in focus would become, along the axis after the stop
     * @param int $from first position shown of that axis
     * @param int $to last position shown
     */
    private function __construct(
        public Stop $stop,
        public string $label,
        public string $reason,
        public array $values = [],
        public int $from = 0,
        public int $to = 0,
    ) {}

    public static function because(string $reason, Stop $stop, Arriving $at): self
    {
        return new self($stop, $stop->label($at->table, $at->scope), $reason);
    }

    /** @param list<float> $values */
    public function showing(array $values, int $from, int $to): self
    {
        return new self($this->stop, $this->label, $this->reason, $values, $from, $to);
    }

    /** @return array<string, mixed> all settings of the stop, as a change that adds it takes them */
    public function settings(): array
    {
        return $this->stop->settings();
    }
}
