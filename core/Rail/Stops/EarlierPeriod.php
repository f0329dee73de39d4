<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\SeriesTable;
use DuskRail\Data\Spacing;
use DuskRail\Time\Frequency;
use DuskRail\Time\Lag;

/** The period that each value of a table is compared with: the one before, or the same one a year before. */
final readonly class EarlierPeriod
{
    /** @param string $on `previous` or `year` */
    public function __construct(private string $on, private SeriesTable $arriving) {}

    /** @return string what is compared with as a rule: a year before, of yearly values the one before */
    public static function usual(SeriesTable $arriving): string
    {
        $frequency = $arriving->axis->frequency;

        return $frequency === Frequency::Number || $frequency->isYearly() ? 'previous' : 'year';
    }

    /** `on a year earlier`, `on the previous month`, `on 5 years earlier` */
    public function inWords(): string
    {
        $frequency = $this->arriving->axis->frequency;
        $noun = $frequency === Frequency::Number ? 'period' : $frequency->noun();
        $step = Spacing::of($this->arriving)->step;

        return match (true) {
            $this->on === 'year' => 'on a year earlier',
            $step > 1 && $noun !== 'period' => "on {$step} {$noun}s earlier",
            default => "on the previous {$noun}",
        };
    }

    /** Why there is no such period, and what to do instead; null where there is. */
    public function refusal(): ?string
    {
        return match (true) {
            $this->on === 'previous' && Spacing::of($this->arriving)->isIrregular
                => 'The dates do not follow one another, so there is no previous period. Add “Aggregate” before ' .
                'this stop, for example by year.',
            $this->on === 'year' && $this->arriving->axis->frequency === Frequency::Number
                => 'These periods are numbers, not dates. Use the change on the previous period.',
            default => null,
        };
    }

    /** @return list<int> position of what each value is compared with; below 0 for none */
    public function positions(): array
    {
        $step = $this->on === 'year' ? 1 : Spacing::of($this->arriving)->step;

        return $step === 1
            ? Lag::positions($this->arriving->axis, $this->on === 'year')
            : range(-$step, $this->arriving->axis->count - $step - 1);
    }
}
