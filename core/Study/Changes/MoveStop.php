<?php

declare(strict_types=1);

namespace DuskRail\Study\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Study\Study;

/** Moves a stop one place along the rail. */
final readonly class MoveStop implements RailChange
{
    private function __construct(private string $id, private int $by) {}

    public static function name(): string
    {
        return 'move-stop';
    }

    public static function from(array $input): self
    {
        $read = new Input($input);

        return new self($read->text('id'), $read->text('by') === 'earlier' ? -1 : 1);
    }

    public function apply(Study $study, DataSource $data): Study
    {
        return $study->with(['rail' => $study->rail->moving($this->id, $this->by)]);
    }

    public function said(DataSource $data): string
    {
        return 'Move a stop '.($this->by < 0 ? 'earlier' : 'later');
    }
}
