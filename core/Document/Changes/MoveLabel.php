<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Data\DataSource;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Parts\LabelsPart;
use DuskRail\Document\Parts\Placement;
use DuskRail\Document\Study;

/** Moves one label by hand, or puts it back where it is by itself. */
final readonly class MoveLabel implements Change
{
    private function __construct(private string $label, private ?float $x, private float $y) {}

    public static function name(): string
    {
        return 'move-label';
    }

    public static function from(array $input): self
    {
        $read = new Input($input);
        [$x, $y] = [$read->textOr('x', ''), $read->textOr('y', '0')];
        if (($x !== '' && !is_numeric($x)) || !is_numeric($y)) {
            throw InvalidStudy::because('A label is moved by a number of pixels.');
        }

        return new self($read->text('label'), $x === '' ? null : round((float) $x, 1), round((float) $y, 1));
    }

    public function apply(Study $study, DataSource $data): Study
    {
        $labels = $study->part(LabelsPart::class);
        $to = $this->x === null ? null : Placement::from(['x' => $this->x, 'y' => $this->y]);

        return $study->withPart($labels->moved($this->label, $to));
    }

    public function inWords(Study $before, Study $after, DataSource $data): string
    {
        return $this->x === null ? 'Reset a label' : 'Move a label';
    }
}
