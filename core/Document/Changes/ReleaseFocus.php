<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\Parts\RulePart;
use DuskRail\Document\Study;
use DuskRail\Document\ViewCatalogue;

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
        $shown = ViewCatalogue::of($study)->dimension($study);
        $others = array_filter(
            $study->focus,
            static fn(string $line): bool => Study::dimension($line) !== $shown,
            ARRAY_FILTER_USE_KEY,
        );

        return $study->withPart(new RulePart())->withFocus($others);
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        return 'Clear focus';
    }
}
