<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\Condition;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Number;
use DuskRail\Settings\ReadsSettings;

/** Whole lines coloured by one value of theirs, or by their group. */
final readonly class TonePart implements Part
{
    use ReadsSettings;

    /**
     * @param 'none'|'latest'|'change'|'place'|'target'|'prospect'|'group' $by by its latest value, its change over
     *     what is shown, its place among all, its distance from the target, whether it gets there, or its group
     * @param 'rising'|'about' $scale from pale to strong, or with two arms about a value
     * @param float|null $middle that the two arms part at; the target or the peers' line where none is given
     */
    public function __construct(
        #[Choice(
            'figure',
            [
                'none' => 'focus',
                'latest' => 'latest value',
                'change' => 'change over the time shown',
                'place' => 'rank',
                'target' => 'distance from target',
                'prospect' => 'whether the target is reached',
                'group' => 'group',
            ],
            lead: 'line colour by',
            offeredIf: [
                'target' => Condition::Target,
                'prospect' => Condition::Target,
                'group' => Condition::Groups,
            ],
        )]
        public string $by = 'none',
        #[Choice(
            'scale',
            ['rising' => 'sequential', 'about' => 'diverging'],
            lead: 'colour scale',
            when: ['by' => ['latest', 'change', 'place']],
        )]
        public string $scale = 'rising',
        #[Number(
            'middle',
            hint: 'peer median; 0 for a change',
            lead: 'midpoint',
            when: ['scale' => 'about', 'by' => ['latest', 'change']],
        )]
        public ?float $middle = null,
    ) {}

    public static function name(): string
    {
        return 'tone';
    }

    public static function title(): string
    {
        return 'Colour';
    }
}
