<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\Study;

/** Moves a stop one place along the rail. */
final readonly class MoveStop implements RailChange
{
    use FindsStop;

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
        return $study->withRail($study->rail->moving($this->id, $this->by));
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        $title = self::placed($after, $this->id)->stop::title();

        return 'Move ' . mb_strtolower($title) . ($this->by < 0 ? ' earlier' : ' later');
    }
}
