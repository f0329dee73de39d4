<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\Parts\MarksPart;
use DuskRail\Document\Study;

/** Takes a mark away. */
final readonly class RemoveMark implements Change
{
    private function __construct(private int $number) {}

    public static function name(): string
    {
        return 'remove-mark';
    }

    public static function from(array $input): self
    {
        return new self((int) (new Input($input))->text('number'));
    }

    public function apply(Study $study, DataSource $data): Study
    {
        return $study->withPart($study->part(MarksPart::class)->without($this->number));
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        $mark = $before->part(MarksPart::class)->marks[$this->number] ?? null;

        return $mark === null || $mark->text === '' ? 'Remove an annotation' : "Remove annotation “{$mark->text}”";
    }
}
