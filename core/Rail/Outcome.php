<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Data\Better;
use DuskRail\Data\SeriesTable;

/** What leaves a stop: the data, and what the reader ought to know about them. */
final readonly class Outcome
{
    /**
     * @param list<Remark> $remarks
     * @param string $note a choice made inside the stop that its unit does not show, said beside the unit
     * @param Better|null $better which way is good, where what leaves has a way of its own: of places it is down
     */
    public function __construct(
        public SeriesTable $table,
        public array $remarks = [],
        public string $note = '',
        public ?Better $better = null,
    ) {}

    public function withTable(SeriesTable $table): self
    {
        return new self($table, $this->remarks, $this->note, $this->better);
    }
}
