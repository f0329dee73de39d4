<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\Study;
use DuskRail\Rail\PlacedStop;

/** Passes a stop by, or uses it again. */
final readonly class BypassStop implements RailChange
{
    use FindsStop;

    private function __construct(private string $id, private bool $bypassed) {}

    public static function name(): string
    {
        return 'bypass-stop';
    }

    public static function from(array $input): self
    {
        $read = new Input($input);

        return new self($read->text('id'), $read->text('bypassed') === '1');
    }

    public function apply(Study $study, DataSource $data): Study
    {
        $placed = self::placed($study, $this->id);

        return $study->withRail($study->rail->replacing(new PlacedStop($placed->id, $placed->stop, $this->bypassed)));
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        $title = self::placed($after, $this->id)->stop::title();

        return ($this->bypassed ? 'Turn off ' : 'Turn on ') . mb_strtolower($title);
    }
}
