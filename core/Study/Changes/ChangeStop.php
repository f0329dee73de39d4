<?php

declare(strict_types=1);

namespace DuskRail\Study\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Rail\PlacedStop;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Study\InvalidStudy;
use DuskRail\Study\Study;

/** Changes some of a stop's settings; the others stay. */
final readonly class ChangeStop implements RailChange
{
    /** @param array<string, mixed> $settings */
    private function __construct(private string $id, private array $settings) {}

    public static function name(): string
    {
        return 'change-stop';
    }

    public static function from(array $input): self
    {
        $read = new Input($input);

        return new self($read->text('id'), $read->map('settings'));
    }

    public function apply(Study $study, DataSource $data): Study
    {
        $placed = $study->rail->stop($this->id) ?? throw InvalidStudy::because('That stop is no longer on the rail. Undo brings it back.');
        $stop = StopCatalogue::make($placed->stop::type(), [...$placed->stop->settings(), ...$this->settings]);

        return $study->with(['rail' => $study->rail->replacing(new PlacedStop($placed->id, $stop, $placed->bypassed))]);
    }

    public function said(DataSource $data): string
    {
        return 'Change a stop';
    }
}
