<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\Parts\Mark;
use DuskRail\Document\Parts\MarksPart;
use DuskRail\Document\Study;

/** Adds an annotation, or puts it in the place of one that is there. */
final readonly class AddMark implements Change
{
    /**
     * @param array<string, mixed> $mark
     * @param int|null $number of the one that is changed
     */
    private function __construct(private array $mark, private ?int $number) {}

    public static function name(): string
    {
        return 'add-mark';
    }

    public static function from(array $input): self
    {
        $read = new Input($input);
        $number = $input['number'] ?? '';

        return new self($read->map('settings'), is_numeric($number) ? (int) $number : null);
    }

    public function apply(Study $study, DataSource $data): Study
    {
        $part = $study->part(MarksPart::class);
        $mark = Mark::from($this->mark);

        return $study->withPart($this->number === null ? $part->adding($mark) : $part->replacing($this->number, $mark));
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        $mark = Mark::from($this->mark);

        $verb = $this->number === null ? 'Add' : 'Change';

        return "{$verb} annotation" . ($mark->text === '' ? " {$mark->label()}" : " “{$mark->text}”");
    }
}
