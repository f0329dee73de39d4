<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Flag;
use DuskRail\Settings\Kinds\Written;
use DuskRail\Settings\ReadsSettings;

/** How the data are in their table. */
final readonly class FiguresPart implements Part
{
    use ReadsSettings;

    /**
     * @param 'periods'|'lines'|'years' $down what the rows are
     * @param string $sort key of the column that the rows are in the order of; nothing for as they come
     */
    public function __construct(
        #[Choice(
            'rows',
            [
                'periods' => 'periods, latest first',
                'lines' => 'lines',
                'years' => 'years of one line',
            ],
            lead: 'rows',
        )]
        public string $down = 'periods',
        #[Flag('cells', 'shaded by value', 'plain')] public bool $shaded = false,
        #[Written('sorted column', allowed: 'key of a column, or nothing', shown: false)] public string $sort = '',
        #[Flag('order', 'highest first', 'lowest first', shown: false)] public bool $downward = true,
    ) {}

    public static function name(): string
    {
        return 'figures';
    }

    public static function title(): string
    {
        return 'Figures';
    }
}
