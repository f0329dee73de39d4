<?php

declare(strict_types=1);

namespace DuskRail\Study\Parts;

use DuskRail\Rail\Field;
use DuskRail\Rail\Settings;
use DuskRail\Study\Comparison;

/** The vertical axis. */
final readonly class AxisPart implements Part
{
    /**
     * @param 'cut'|'zero'|'both' $start where the values begin, at zero however far that is, or both side by side
     * @param bool $log in equal steps for equal ratios
     * @param float|null $low limit that was set; null for as the values have it
     * @param string $view the view that the limits were set in; in another they are let go
     */
    public function __construct(
        public string $start = 'cut',
        public bool $log = false,
        public ?float $low = null,
        public ?float $high = null,
        public string $view = '',
    ) {}

    public static function read(array $settings): static
    {
        $read = new Settings('Axis', $settings);
        /** @var 'cut'|'zero'|'both' $start */
        $start = $read->oneOf('start', 'cut', ['cut', 'zero', 'both']);
        [$low, $high] = [$read->number('low'), $read->number('high')];
        if ($low !== null && $high !== null && $low >= $high) {
            throw $read->wrong('the lower limit must be below the upper one.');
        }
        $log = $read->flag('log', false);
        if ($log && (($low ?? 1.0) <= 0.0 || ($high ?? 1.0) <= 0.0)) {
            throw $read->wrong('a logarithmic axis has no zero and nothing below; choose limits above zero, or leave them empty.');
        }

        return new self($start, $log, $low, $high, $low === null && $high === null ? '' : $read->text('view'));
    }

    public function toArray(): array
    {
        return get_object_vars($this);
    }

    /** @param 'cut'|'zero'|'both' $start */
    public function starting(string $start): self
    {
        return new self($start, $this->log, $this->low, $this->high, $this->view);
    }

    public function hasLimits(): bool
    {
        return $this->low !== null || $this->high !== null;
    }

    public function fields(Comparison $comparison): array
    {
        return [
            Field::choice('start', 'starts', $this->start, ['cut' => 'where the values begin', 'zero' => 'at zero', 'both' => 'both ways, side by side']),
            Field::flag('log', 'steps', $this->log, 'equal for equal ratios (logarithmic)', 'equal for equal amounts'),
            Field::limit('low', 'from', $this->low, 'as it comes'),
            Field::limit('high', 'to', $this->high, 'as it comes'),
        ];
    }
}
