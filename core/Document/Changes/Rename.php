<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Study;

/** Gives the study another name. */
final readonly class Rename implements Change
{
    private function __construct(private string $name) {}

    public static function name(): string
    {
        return 'rename';
    }

    public static function from(array $input): self
    {
        $name = trim((new Input($input))->textOr('name', ''));

        return new self(
            $name === '' || mb_strlen($name) > 120
                ? throw InvalidStudy::because('Enter a name of 1 to 120 characters.')
                : $name,
        );
    }

    public function apply(Study $study, DataSource $data): Study
    {
        return $study->withName($this->name);
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        return "Rename to {$this->name}";
    }
}
