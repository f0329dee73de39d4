<?php

declare(strict_types=1);

namespace DuskRail\Study\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Study\InvalidStudy;
use DuskRail\Study\Parts\SparksPart;
use DuskRail\Study\Study;

/** Draws one row of the Sparks view, or all of a group, another way than the others; after the last way as all again. */
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
            throw InvalidStudy::because('There is no such row.');
        }
        $sparks = $study->sparks;
        $next = self::NEXT[$sparks->formOf($this->row, $this->group)];
        $forms = $sparks->forms;
        unset($forms[$this->row]);
        $without = SparksPart::read([...$sparks->toArray(), 'forms' => $forms]);
        if ($without->formOf($this->row, $this->group) !== $next) {
            $forms[$this->row] = $next;
        }

        return $study->withPart('sparks', SparksPart::read([...$sparks->toArray(), 'forms' => $forms]));
    }

    public function said(DataSource $data): string
    {
        return 'Draw a row another way';
    }
}
