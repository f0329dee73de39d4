<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Data\IncompleteSum;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Chosen;
use DuskRail\Settings\Kinds\Several;
use DuskRail\Settings\Names;
use DuskRail\Settings\ReadsSettings;

/** What the lines of a study run across. */
final readonly class LinesPart implements Part
{
    use ReadsSettings;

    /**
     * @param 'entities'|'measures' $across
     * @param string $of key of the entity whose measures or years are compared; nothing for the first in focus
     * @param list<string> $groups groups that are a line of their own
     * @param 'sum'|'mean' $together what a group of amounts is
     */
    public function __construct(
        #[Choice('lines', ['entities' => 'entity', 'measures' => 'measure of one entity'], lead: 'one line per')]
        public string $across = 'entities',
        #[Chosen(
            'entity',
            of: Names::Entities,
            none: 'First in focus',
            lead: 'entity for years and measures',
            leads: ['across=measures' => 'entity'],
        )]
        public string $of = '',
        #[Several('groups as lines', of: Names::Groups, lead: 'groups shown as lines')] public array $groups = [],
        #[Choice(
            'groups together',
            ['sum' => 'sum of its members', 'mean' => 'mean of its members'],
            lead: 'a group is the',
            about: 'what a group of amounts is; of ratios it is their ratio of sums, or without weights their mean',
        )]
        public string $together = 'sum',
        #[Choice(
            'incomplete sums',
            enum: IncompleteSum::class,
            lead: 'sum with a missing value',
            about: 'what the sum of a group is where a member that goes on has no value',
        )]
        public IncompleteSum $incomplete = IncompleteSum::Blank,
    ) {}

    public static function name(): string
    {
        return 'lines';
    }

    public static function title(): string
    {
        return 'Lines';
    }
}
