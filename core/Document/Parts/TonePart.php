<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Number;
use DuskRail\Settings\ReadsSettings;

/** Whole lines coloured by one figure of theirs. */
final readonly class TonePart implements Part
{
    use ReadsSettings;

    /**
     * @param 'none'|'latest'|'change'|'place'|'target' $by its latest value, its change over what is shown, its place
     *     among all, or its distance from the target
     * @param 'rising'|'about' $scale from pale to strong, or with two arms about a value
     * @param float|null $middle that the two arms part at; the target or the peers' line where none is given
     */
    public function __construct(
        #[
            Choice(
                'figure',
                [
                    'none' => 'who is in focus',
                    'latest' => 'their latest value',
                    'change' => 'their change over what is shown',
                    'place' => 'their place',
                    'target' => 'their distance from the target',
                ],
                lead: 'lines coloured by',
                offeredIf: ['target' => 'target'],
            ),
        ]
        public string $by = 'none',
        #[
            Choice(
                'scale',
                ['rising' => 'from pale to strong', 'about' => 'with two arms'],
                lead: 'on a scale',
                when: ['by' => ['latest', 'change', 'place']],
            ),
        ]
        public string $scale = 'rising',
        #[
            Number(
                'middle',
                hint: 'the peers; of a change 0',
                lead: 'about',
                when: ['scale' => 'about', 'by' => ['latest', 'change']],
            ),
        ]
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
