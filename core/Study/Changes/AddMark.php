<?php

declare(strict_types=1);

namespace DuskRail\Study\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Study\Study;

/** Marks an event, a spell, a value or a point. */
final readonly class AddMark implements Change
{
    /** @param array<string, mixed> $mark */
    private function __construct(private array $mark) {}

    public static function name(): string
    {
        return 'add-mark';
    }

    public static function from(array $input): self
    {
        return new self((new Input($input))->map('settings'));
    }

    public function apply(Study $study, DataSource $data): Study
    {
        return $study->withPart('marks', $study->marks->with($this->mark));
    }

    public function said(DataSource $data): string
    {
        return 'Add a mark';
    }
}
