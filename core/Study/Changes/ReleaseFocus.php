<?php

declare(strict_types=1);

namespace DuskRail\Study\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Study\Study;

/** Lets every line in focus go. */
final readonly class ReleaseFocus implements Change
{
    public static function name(): string
    {
        return 'release';
    }

    public static function from(array $input): self
    {
        return new self();
    }

    public function apply(Study $study, DataSource $data): Study
    {
        return $study->with(['focus' => []]);
    }

    public function said(DataSource $data): string
    {
        return 'All lines let go';
    }
}
