<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Parts\SparksPart;
use DuskRail\Document\Study;

/**
 * Draws one row of the Sparks view, or all of a group, another way than the others; after the last way as all again.
 */
final readonly class DrawRow implements Change
{
    private const NEXT = ['line' => 'columns', 'columns' => 'signs', 'signs' => 'line'];

    private function __construct(private string $row, private string $group) {}

    public static function name(): string
    {
        return 'draw-row';
    }

    public static function from(array $input): self
    {
        $read = new Input($input);
        $row = $read->text('row');

        return new self($row, str_starts_with($row, 'g:') ? substr($row, 2) : $read->textOr('group', ''));
    }

    public function apply(Study $study, DataSource $data): Study
    {
        if ($this->row === '' || mb_strlen($this->row) > 300) {
            throw InvalidStudy::because('Unknown row. Reload the page.');
        }
        $sparks = $study->part(SparksPart::class);
        $next = self::NEXT[$sparks->formOf($this->row, $this->group)];
        $forms = $sparks->forms;
        unset($forms[$this->row]);
        if ($sparks->with(['forms' => $forms])->formOf($this->row, $this->group) !== $next) {
            $forms[$this->row] = $next;
        }

        return $study->withPart($sparks->with(['forms' => $forms]));
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        return 'Change the form of a row';
    }
}
