<?php

declare(strict_types=1);

namespace DuskRail\Study\Parts;

use DuskRail\Rail\Field;
use DuskRail\Rail\Settings;
use DuskRail\Study\Comparison;

/** How the parts of a whole are put on top of each other. */
final readonly class StackPart implements Part
{
    /**
     * @param 'areas'|'lines'|'shares'|'through' $form stacked areas, stacked lines, areas to 100 %, or overlapping areas that
     *     can be seen through
     * @param 'size'|'name'|'roster'|'hand' $order from the bottom up
     * @param list<string> $hand keys from the bottom up, as they were put by hand
     * @param int $top how many stand by themselves, the others together as the rest; 0 for all
     */
    public function __construct(public string $form = 'areas', public string $order = 'size', public int $top = 6, public array $hand = []) {}

    public static function read(array $settings): static
    {
        $read = new Settings('Stack', $settings);
        /** @var 'areas'|'lines'|'shares'|'through' $form */
        $form = $read->oneOf('form', 'areas', ['areas', 'lines', 'shares', 'through']);
        /** @var 'size'|'name'|'roster'|'hand' $order */
        $order = $read->oneOf('order', 'size', ['size', 'name', 'roster', 'hand']);

        return new self($form, $order, $read->whole('top', 6, 0, 40), $read->texts('hand'));
    }

    public function toArray(): array
    {
        return get_object_vars($this);
    }

    public function fields(Comparison $comparison): array
    {
        $tops = [0, 2, 3, 4, 5, 6, 8, 10, 12];

        return [
            Field::choice('form', 'as', $this->form, ['areas' => 'areas on each other', 'lines' => 'lines on each other', 'shares' => 'areas to 100 %', 'through' => 'overlapping, see-through']),
            Field::choice('order', 'from the bottom', $this->order, ['size' => 'the largest first', 'name' => 'by name', 'roster' => 'as in the data', 'hand' => 'by hand (Alt ↑ ↓)']),
            Field::choice('top', 'by themselves', (string) $this->top, array_combine(array_map(strval(...), $tops), array_map(static fn(int $n): string => $n === 0 ? 'all' : "the largest {$n}, and the rest", $tops))),
        ];
    }
}
