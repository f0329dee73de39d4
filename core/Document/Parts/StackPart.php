<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Several;
use DuskRail\Settings\Kinds\Whole;
use DuskRail\Settings\ReadsSettings;

/** How the parts of a whole are put on top of each other. */
final readonly class StackPart implements Part
{
    use ReadsSettings;

    private const TOPS = [
        0 => 'all',
        2 => 'the largest 2, and the rest',
        3 => 'the largest 3, and the rest',
        4 => 'the largest 4, and the rest',
        5 => 'the largest 5, and the rest',
        6 => 'the largest 6, and the rest',
        8 => 'the largest 8, and the rest',
        10 => 'the largest 10, and the rest',
        12 => 'the largest 12, and the rest',
    ];

    /**
     * @param 'areas'|'lines'|'shares'|'through' $form stacked areas, stacked lines, areas to 100 %, or overlapping
     *     areas
     *     that can be seen through
     * @param 'size'|'name'|'roster'|'hand' $order from the bottom up
     * @param int $top how many stand by themselves, the others together as the rest; 0 for all
     * @param list<string> $hand keys from the bottom up, as they were put by hand
     */
    public function __construct(
        #[
            Choice(
                'form',
                [
                    'areas' => 'areas on each other',
                    'lines' => 'lines on each other',
                    'shares' => 'areas to 100 %',
                    'through' => 'overlapping, see-through',
                ],
                lead: 'as',
            ),
        ]
        public string $form = 'areas',
        #[
            Choice(
                'order',
                [
                    'size' => 'the largest first',
                    'name' => 'by name',
                    'roster' => 'as in the data',
                    'hand' => 'by hand (Alt ↑ ↓)',
                ],
                lead: 'from the bottom',
            ),
        ]
        public string $order = 'size',
        #[Whole('number of layers', 0, 40, self::TOPS, lead: 'by themselves')] public int $top = 6,
        #[Several('order by hand', ordered: true, shown: false)] public array $hand = [],
    ) {}

    public static function name(): string
    {
        return 'stack';
    }

    public static function title(): string
    {
        return 'Stack';
    }
}
