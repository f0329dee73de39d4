<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\RosterSort;
use DuskRail\Document\Study;

/** Orders the roster. */
final readonly class SortRoster implements Change
{
    private function __construct(private RosterSort $sort) {}

    public static function name(): string
    {
        return 'sort';
    }

    public static function from(array $input): self
    {
        return new self(
            RosterSort::tryFrom((new Input($input))->text('sort')) ??
                throw InvalidStudy::because('Unknown order. Reload the page.'),
        );
    }

    public function apply(Study $study, DataSource $data): Study
    {
        return $study->withSort($this->sort);
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        return "Sort: {$this->sort->label()}";
    }
}
