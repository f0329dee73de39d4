<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Flag;
use DuskRail\Settings\Kinds\Several;
use DuskRail\Settings\Kinds\Whole;
use DuskRail\Settings\ReadsSettings;

/** How a picture is split into small ones, and how those are together. */
final readonly class PanelsPart implements Part
{
    use ReadsSettings;

    private const SPLIT = ['by' => ['entity', 'group', 'measure', 'year', 'month']];

    /**
     * @param 'none'|'entity'|'group'|'measure'|'year'|'month' $by
     * @param int $columns 1 to 8, or 0 to fill the width
     * @param 'same'|'own'|'span' $scale one vertical scale for all, one each, or of the same span about each one's
     *     middle
     * @param 'roster'|'name'|'latest'|'change'|'slope'|'rank'|'hand' $order
     * @param bool $behind draw every other series faintly behind
     * @param list<string> $hand keys of panels in the order in which they were put by hand
     * @param 'edge'|'every'|'range' $axis vertical axis at the left edge, in every panel, or as a range in the heading
     * @param 'above'|'below'|'off' $heading
     * @param 'plain'|'framed'|'striped' $ground
     * @param 'narrow'|'usual'|'wide' $gap
     */
    public function __construct(
        #[Choice(
            'split',
            [
                'none' => 'none: one chart',
                'entity' => 'line',
                'group' => 'group',
                'measure' => 'measure',
                'year' => 'year',
                'month' => 'month or quarter, years on the axis',
            ],
            lead: 'one panel per',
        )]
        public string $by = 'none',
        #[Whole(
            'columns',
            0,
            8,
            ['automatic', '1', '2', '3', '4', '5', '6', '7', '8'],
            lead: 'panels per row',
            when: self::SPLIT,
        )]
        public int $columns = 0,
        #[Choice(
            'scale',
            ['same' => 'shared', 'own' => 'separate', 'span' => 'same range, separate midpoint'],
            when: self::SPLIT,
        )]
        public string $scale = 'same',
        #[Choice(
            'order',
            [
                'roster' => 'as in the roster',
                'name' => 'name',
                'latest' => 'highest first',
                'change' => 'largest rise first',
                'slope' => 'steepest first',
                'rank' => 'best first',
                'hand' => 'by hand',
            ],
            lead: 'order',
            when: self::SPLIT,
        )]
        public string $order = 'roster',
        #[Flag('other lines', 'faint', 'hidden', lead: 'other lines', when: self::SPLIT)] public bool $behind = true,
        #[Several('order by hand', ordered: true, shown: false)] public array $hand = [],
        #[Choice(
            'axis labels',
            ['edge' => 'left edge', 'every' => 'every panel', 'range' => 'range in the title'],
            when: self::SPLIT,
        )]
        public string $axis = 'edge',
        #[Choice('title', ['above' => 'above', 'below' => 'below', 'off' => 'none'], when: self::SPLIT)]
        public string $heading = 'above',
        #[Choice(
            'background',
            ['plain' => 'plain', 'framed' => 'framed', 'striped' => 'alternating'],
            when: self::SPLIT,
        )]
        public string $ground = 'plain',
        #[Choice('spacing', ['narrow' => 'narrow', 'usual' => 'medium', 'wide' => 'wide'], when: self::SPLIT)]
        public string $gap = 'usual',
    ) {}

    public static function name(): string
    {
        return 'panels';
    }

    public static function title(): string
    {
        return 'Panels';
    }
}
