<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Study;
use DuskRail\Time\PeriodRange;

/** Shows a part of the time, or (with an empty range) all of it. */
final readonly class SetRange implements Change
{
    private function __construct(private ?PeriodRange $range) {}

    public static function name(): string
    {
        return 'range';
    }

    public static function from(array $input): self
    {
        $text = (new Input($input))->textOr('range', '');

        return new self($text === '' ? null : PeriodRange::parse($text));
    }

    public function apply(Study $study, DataSource $data): Study
    {
        $axis = $data->table($study->measure)->axis;
        if ($this->range !== null && $axis->positions($this->range) === null) {
            throw InvalidStudy::because(
                "{$this->range->label()} is outside the data ({$axis->range()->label()}). Choose periods " .
                    'within them.',
            );
        }

        return $study->withRange($this->range);
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        return $this->range === null ? 'Show all periods' : "Show {$this->range->label()}";
    }
}
