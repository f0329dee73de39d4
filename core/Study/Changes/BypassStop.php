<?php

declare(strict_types=1);

namespace DuskRail\Study\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Rail\PlacedStop;
use DuskRail\Study\InvalidStudy;
use DuskRail\Study\Study;

/** Passes a stop by, or uses it again. */
final readonly class BypassStop implements RailChange
{
    private function __construct(private string $id, private bool $bypassed) {}

    public static function name(): string
    {
        return 'bypass-stop';
    }

    public static function from(array $input): self
    {
        $read = new Input($input);

        return new self($read->text('id'), $read->text('bypassed') === '1');
    }

    public function apply(Study $study, DataSource $data): Study
    {
        $placed = $study->rail->stop($this->id) ?? throw InvalidStudy::because('That stop is no longer on the rail. Undo brings it back.');

        return $study->with(['rail' => $study->rail->replacing(new PlacedStop($placed->id, $placed->stop, $this->bypassed))]);
    }

    public function said(DataSource $data): string
    {
        return $this->bypassed ? 'Pass a stop by' : 'Use a stop again';
    }
}
