<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Data\SeriesTable;

/** What leaves a stop: the figures, and what the reader ought to know about them. */
final readonly class Outcome
{
    /**
     * @param list<Remark> $remarks
     * @param int|null $open first position of values that are of unfinished periods
     * @param string $note a choice made inside the stop that its unit does not show, said beside the unit
     */
    public function __construct(
        public SeriesTable $table,
        public array $remarks = [],
        public string $note = '',
        public ?int $open = null,
    ) {}

    public function withTable(SeriesTable $table): self
    {
        return new self($table, $this->remarks, $this->note, $this->open);
    }
}
