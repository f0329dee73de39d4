<?php

declare(strict_types=1);

namespace DuskRail\Study\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Study\Study;

/** Takes a stop off the rail. */
final readonly class RemoveStop implements RailChange
{
    private function __construct(private string $id) {}

    public static function name(): string
    {
        return 'remove-stop';
    }

    public static function from(array $input): self
    {
        return new self((new Input($input))->text('id'));
    }

    public function apply(Study $study, DataSource $data): Study
    {
        return $study->with(['rail' => $study->rail->without($this->id)]);
    }

    public function said(DataSource $data): string
    {
        return 'Remove a stop';
    }
}
