<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\Condition;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Chosen;
use DuskRail\Settings\Kinds\Whole;
use DuskRail\Settings\Names;
use DuskRail\Settings\ReadsSettings;

/** How the change of a whole is parted into what its members contribute. */
final readonly class ContributionsPart implements Part
{
    use ReadsSettings;

    private const TOPS = [
        0 => 'all',
        3 => 'largest 3, rest combined',
        5 => 'largest 5, rest combined',
        6 => 'largest 6, rest combined',
        8 => 'largest 8, rest combined',
        10 => 'largest 10, rest combined',
        15 => 'largest 15, rest combined',
        20 => 'largest 20, rest combined',
    ];

    /**
     * @param 'lines'|'groups' $of what the whole is made of
     * @param 'years'|'periods' $ends the first and the last whole year where there are seasons, or single periods
     * @param 'midpoint'|'base' $weights
     * @param string $factor key of a measure whose change is taken apart from that per unit of it; nothing for none
     * @param string $second key of a measure that the first one is in turn taken per
     * @param string $beside key of another entity, compared at one time across a breakdown; nothing for two times
     * @param int $top how many stand by themselves, the others together; 0 for all
     */
    public function __construct(
        #[Choice(
            'members',
            ['lines' => 'the lines', 'groups' => 'their groups'],
            lead: 'contributions of',
            if: Condition::Groups,
        )]
        public string $of = 'lines',
        #[Choice(
            'compared times',
            ['years' => 'whole years', 'periods' => 'first and last period'],
            lead: 'from and to',
            about: 'what is compared where values have seasons: the first and the last whole year, or single periods',
        )]
        public string $ends = 'years',
        #[Choice(
            'weights',
            ['midpoint' => 'means of both ends', 'base' => 'those of the beginning'],
            lead: 'weights of ratios',
            about: 'what rates and their mix are weighed by',
        )]
        public string $weights = 'midpoint',
        #[Chosen('factor', of: Names::Sizes, none: 'nothing', lead: 'take apart the change of')]
        public string $factor = '',
        #[Chosen('second factor', of: Names::Sizes, none: 'nothing', lead: 'and of')] public string $second = '',
        #[Chosen(
            'other entity',
            of: Names::Entities,
            none: 'an earlier time',
            lead: 'compared with',
            if: Condition::Categories,
        )]
        public string $beside = '',
        #[Whole('number of bars', 0, 40, self::TOPS, lead: 'separate bars')] public int $top = 8,
    ) {}

    public static function name(): string
    {
        return 'contributions';
    }

    public static function title(): string
    {
        return 'Contributions';
    }
}
