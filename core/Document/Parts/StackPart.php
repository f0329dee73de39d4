<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Data\IncompleteSum;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Flag;
use DuskRail\Settings\Kinds\Several;
use DuskRail\Settings\Kinds\Whole;
use DuskRail\Settings\ReadsSettings;

/** How the parts of a whole are put on top of each other. */
final readonly class StackPart implements Part
{
    use ReadsSettings;

    private const TOPS = [
        0 => 'all',
        2 => 'largest 2, rest combined',
        3 => 'largest 3, rest combined',
        4 => 'largest 4, rest combined',
        5 => 'largest 5, rest combined',
        6 => 'largest 6, rest combined',
        8 => 'largest 8, rest combined',
        10 => 'largest 10, rest combined',
        12 => 'largest 12, rest combined',
    ];

    /**
     * @param 'areas'|'lines'|'shares'|'through' $form stacked areas, stacked lines, areas to 100 %, or overlapping
     *     areas
     *     that can be seen through
     * @param 'size'|'name'|'roster'|'hand' $order from the bottom up
     * @param int $top how many stand by themselves, the others together as the rest; 0 for all
     * @param 'none'|'last'|'fit' $values written within the layers
     * @param bool $total whether it is written on top of them
     * @param list<string> $hand keys from the bottom up, as they were put by hand
     */
    public function __construct(
        #[Choice(
            'form',
            [
                'areas' => 'stacked areas',
                'lines' => 'stacked lines',
                'shares' => '100 % areas',
                'through' => 'overlapping areas',
            ],
            lead: 'form',
        )]
        public string $form = 'areas',
        #[Choice(
            'order',
            [
                'size' => 'largest first',
                'name' => 'name',
                'roster' => 'as in the data',
                'hand' => 'by hand (Alt ↑ ↓)',
            ],
            lead: 'order from the bottom',
        )]
        public string $order = 'size',
        #[Whole('number of layers', 0, 40, self::TOPS, lead: 'separate parts')] public int $top = 6,
        #[Several('order by hand', ordered: true, shown: false)] public array $hand = [],
        #[Choice(
            'incomplete sums',
            enum: IncompleteSum::class,
            lead: 'total with a missing value',
            about: 'what the total is where a part that goes on has no value',
        )]
        public IncompleteSum $incomplete = IncompleteSum::Blank,
        #[Choice(
            'values in the layers',
            ['none' => 'none', 'last' => 'latest', 'fit' => 'as many as fit'],
            lead: 'values in the layers',
            when: ['form' => ['areas', 'lines', 'shares']],
        )]
        public string $values = 'none',
        #[Flag('total', 'written on top', 'not written', lead: 'total', when: ['values' => ['last', 'fit']])]
        public bool $total = false,
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
