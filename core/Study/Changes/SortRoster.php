<?php

declare(strict_types=1);

namespace DuskRail\Study\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Study\InvalidStudy;
use DuskRail\Study\RosterSort;
use DuskRail\Study\Study;

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
        return new self(RosterSort::tryFrom((new Input($input))->text('sort')) ?? throw InvalidStudy::because('The roster cannot be sorted that way.'));
    }

    public function apply(Study $study, DataSource $data): Study
    {
        return $study->with(['sort' => $this->sort]);
    }

    public function said(DataSource $data): string
    {
        return "Sort {$this->sort->label()}";
    }
}
