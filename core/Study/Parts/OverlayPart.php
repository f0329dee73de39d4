<?php

declare(strict_types=1);

namespace DuskRail\Study\Parts;

use DuskRail\Rail\Field;
use DuskRail\Rail\Settings;
use DuskRail\Study\Comparison;
use DuskRail\Time\Cycle;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;

/** How years (or months, or weeks) are laid over each other. */
final readonly class OverlayPart implements Part
{
    /**
     * @param int $start month in which years start, 1 to 12
     * @param bool $band shade from the lowest to the highest of the earlier years, and draw their median
     */
    public function __construct(public Cycle $cycle = Cycle::Year, public int $start = 1, public bool $band = false) {}

    public static function read(array $settings): static
    {
        $read = new Settings('Overlay', $settings);

        return new self($read->case('cycle', Cycle::Year), $read->whole('start', 1, 1, 12), $read->flag('band', false));
    }

    public function toArray(): array
    {
        return ['cycle' => $this->cycle->value, 'start' => $this->start, 'band' => $this->band];
    }

    public function fields(Comparison $comparison): array
    {
        $days = Cycle::Week->divides($comparison->axis->frequency);
        $months = array_map(Period::monthShort(...), array_combine(range(1, 12), range(1, 12)));

        return [
            ...($days ? [Field::choice('cycle', 'lay over each other', $this->cycle->value, ['year' => 'years', 'month' => 'months', 'week' => 'weeks'])] : []),
            ...($this->cycle === Cycle::Year && $comparison->axis->frequency !== Frequency::Week ? [Field::choice('start', $days ? 'that start in' : 'years that start in', (string) $this->start, $months)] : []),
            Field::flag('band', 'earlier ones', $this->band, 'as a band with their median', 'as quiet lines'),
        ];
    }
}
