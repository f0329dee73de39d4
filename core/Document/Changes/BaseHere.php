<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\Study;
use DuskRail\Rail\PlacedStop;
use DuskRail\Rail\Stops\IndexToBase;
use DuskRail\Time\Period;

/** Makes a period the base: of the last index on the rail, or of a new one at its end. */
final readonly class BaseHere implements RailChange
{
    private function __construct(private Period $period) {}

    public static function name(): string
    {
        return 'base-here';
    }

    public static function from(array $input): self
    {
        return new self(Period::parse((new Input($input))->text('period')));
    }

    public function apply(Study $study, DataSource $data): Study
    {
        foreach (array_reverse($study->rail->stops) as $placed) {
            if ($placed->stop instanceof IndexToBase && !$placed->bypassed) {
                $stop = $placed->stop->with(['base' => $this->period->code(), 'at' => 'period']);

                return $study->withRail($study->rail->replacing(new PlacedStop($placed->id, $stop)));
            }
        }

        return $study->withRail($study->rail->with(IndexToBase::at($this->period)));
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        return "Set the base to {$this->period->label()}";
    }
}
