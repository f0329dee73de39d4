<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Several;
use DuskRail\Settings\ReadsSettings;

/** Which points of the lines in focus have a mark of their own, and what it looks like. */
final readonly class PointsPart implements Part
{
    use ReadsSettings;

    /**
     * @param list<'first'|'highest'|'lowest'|'negative'> $marked
     * @param 'triangles'|'dots'|'rings'|'squares'|'diamonds' $extremes shape of the highest and the lowest; triangles
     *     point up and down
     * @param 'line'|'apart' $colours of the highest and the lowest: that of the line, or one for each
     * @param 'ring'|'dot'|'square'|'diamond' $first shape of the first
     */
    public function __construct(
        #[Several(
            'marked points',
            ['first' => 'first', 'highest' => 'highest', 'lowest' => 'lowest', 'negative' => 'below zero'],
            unknown: 'the points that can be marked are',
            lead: 'marked points',
        )]
        public array $marked = [],
        #[Choice(
            'shape of highest and lowest',
            [
                'triangles' => 'triangles',
                'dots' => 'dots',
                'rings' => 'rings',
                'squares' => 'squares',
                'diamonds' => 'diamonds',
            ],
            lead: 'highest and lowest as',
        )]
        public string $extremes = 'triangles',
        #[Choice(
            'colours of highest and lowest',
            ['line' => 'that of the line', 'apart' => 'one for each'],
            lead: 'their colour',
        )]
        public string $colours = 'line',
        #[Choice(
            'shape of the first point',
            ['ring' => 'ring', 'dot' => 'dot', 'square' => 'square', 'diamond' => 'diamond'],
            lead: 'first as',
        )]
        public string $first = 'ring',
    ) {}

    public static function name(): string
    {
        return 'points';
    }

    public static function title(): string
    {
        return 'Points';
    }
}
