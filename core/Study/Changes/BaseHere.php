<?php

declare(strict_types=1);

namespace DuskRail\Study\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Rail\PlacedStop;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Rail\Stops\IndexToBase;
use DuskRail\Study\Study;
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
            if ($placed->stop instanceof IndexToBase && ! $placed->bypassed) {
                $stop = StopCatalogue::make('index', [...$placed->stop->settings(), 'base' => $this->period->code(), 'at' => 'period']);

                return $study->with(['rail' => $study->rail->replacing(new PlacedStop($placed->id, $stop))]);
            }
        }

        return $study->with(['rail' => $study->rail->with(IndexToBase::at($this->period))]);
    }

    public function said(DataSource $data): string
    {
        return "Base in {$this->period->label()}";
    }
}
