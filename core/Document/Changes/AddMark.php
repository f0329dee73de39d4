<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\Parts\Mark;
use DuskRail\Document\Parts\MarksPart;
use DuskRail\Document\Study;

/** Marks an event, a spell, a value or a point. */
final readonly class AddMark implements Change
{
    /** @param array<string, mixed> $mark */
    private function __construct(private array $mark) {}

    public static function name(): string
    {
        return 'add-mark';
    }

    public static function from(array $input): self
    {
        return new self((new Input($input))->map('settings'));
    }

    public function apply(Study $study, DataSource $data): Study
    {
        return $study->withPart($study->part(MarksPart::class)->adding(Mark::from($this->mark)));
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        $mark = Mark::from($this->mark);

        return $mark->text === '' ? "Add {$mark->kind} {$mark->at}" : "Add annotation “{$mark->text}”";
    }
}
