<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\Study;

/** Writes the headline, subtitle or source; an empty text lets the program write it again. */
final readonly class SetWords implements Change
{
    private function __construct(private string $part, private string $text) {}

    public static function name(): string
    {
        return 'words';
    }

    public static function from(array $input): self
    {
        $read = new Input($input);

        return new self($read->text('part'), $read->textOr('text', ''));
    }

    public function apply(Study $study, DataSource $data): Study
    {
        return $study->withWords($study->words->with($this->part, $this->text));
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        return "Edit the {$this->part}";
    }
}
