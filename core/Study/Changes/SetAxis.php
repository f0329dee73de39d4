<?php

declare(strict_types=1);

namespace DuskRail\Study\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Study\Study;

/** Starts the vertical axis at zero, or where the values begin. */
final readonly class SetAxis implements Change
{
    private function __construct(private bool $fromZero) {}

    public static function name(): string
    {
        return 'axis';
    }

    public static function from(array $input): self
    {
        return new self((new Input($input))->text('zero') === '1');
    }

    public function apply(Study $study, DataSource $data): Study
    {
        return $study->with(['fromZero' => $this->fromZero]);
    }

    public function said(DataSource $data): string
    {
        return $this->fromZero ? 'Start the axis at zero' : 'Cut the axis';
    }
}
