<?php

declare(strict_types=1);

namespace DuskRail\Study\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Study\Study;

/** Takes a mark away. */
final readonly class RemoveMark implements Change
{
    private function __construct(private int $number) {}

    public static function name(): string
    {
        return 'remove-mark';
    }

    public static function from(array $input): self
    {
        return new self((int) (new Input($input))->text('number'));
    }

    public function apply(Study $study, DataSource $data): Study
    {
        return $study->withPart('marks', $study->marks->without($this->number));
    }

    public function said(DataSource $data): string
    {
        return 'Remove a mark';
    }
}
