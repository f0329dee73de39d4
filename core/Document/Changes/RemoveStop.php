<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\Study;

/** Takes a stop off the rail. */
final readonly class RemoveStop implements RailChange
{
    private function __construct(private string $id) {}

    public static function name(): string
    {
        return 'remove-stop';
    }

    public static function from(array $input): self
    {
        return new self((new Input($input))->text('id'));
    }

    public function apply(Study $study, DataSource $data): Study
    {
        return $study->withRail($study->rail->without($this->id));
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        $stop = $before->rail->stop($this->id)?->stop;

        return 'Remove ' . ($stop === null ? 'a stop' : mb_strtolower($stop::title()));
    }
}
