<?php

declare(strict_types=1);

namespace DuskRail\Study\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Study\Parts\RulePart;
use DuskRail\Study\Study;

/** Lets every line in focus go, of those that are seen. */
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
        return $study->withPart('rule', new RulePart())->with(['focus' => array_filter($study->focus, static fn(string $line): bool => Study::dimension($line) !== $study->dimensionShown(), ARRAY_FILTER_USE_KEY)]);
    }

    public function said(DataSource $data): string
    {
        return 'All lines let go';
    }
}
