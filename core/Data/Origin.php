<?php

declare(strict_types=1);

namespace DuskRail\Data;

/** The cell of a file that an observation was read from. */
final readonly class Origin
{
    /**
     * @param int $row as a spreadsheet counts: the first line is 1
     * @param int $column likewise
     * @param Status $status what the file says of it
     */
    public function __construct(
        public string $file,
        public int $row,
        public int $column,
        public Status $status = Status::Measured,
    ) {}

    public function text(): string
    {
        return "{$this->file}, row {$this->row}, column {$this->column}" .
            ($this->status === Status::Measured ? '' : ", {$this->status->inWords()}");
    }
}
