<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\Condition;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Chosen;
use DuskRail\Settings\Kinds\Number;
use DuskRail\Settings\Kinds\Whole;
use DuskRail\Settings\Names;
use DuskRail\Settings\ReadsSettings;

/** Who is in focus: those chosen by hand, or those that a rule finds in the data, and finds again in new ones. */
final readonly class RulePart implements Part
{
    use ReadsSettings;

    private const ENDS = ['by' => ['top', 'bottom']];

    /**
     * @param 'hand'|'top'|'bottom'|'past'|'group' $by
     * @param int $count of those at the top or bottom, at most as many as there are hues
     * @param 'latest'|'change'|'slope'|'rank' $of what top and bottom go by
     * @param float|null $value that those past it have passed, in the direction that is better (upwards where
     *     neither is)
     */
    public function __construct(
        #[Choice(
            'rule',
            [
                'hand' => 'chosen by hand',
                'top' => 'highest',
                'bottom' => 'lowest',
                'past' => 'beyond a value',
                'group' => 'group',
            ],
            lead: 'focus',
            offeredIf: ['group' => Condition::Groups],
        )]
        public string $by = 'hand',
        #[Whole('number of lines', 1, 6, [1 => '1', '2', '3', '4', '5', '6'], when: self::ENDS)] public int $count = 3,
        #[Choice(
            'figure',
            [
                'latest' => 'latest value',
                'change' => 'change over the time shown',
                'slope' => 'slope',
                'rank' => 'rank',
            ],
            lead: 'ranked by',
            when: self::ENDS,
        )]
        public string $of = 'latest',
        #[Number('value', when: ['by' => 'past'])] public ?float $value = null,
        #[Chosen('group', of: Names::Groups, none: 'Choose …', when: ['by' => 'group'])] public string $group = '',
    ) {}

    public static function name(): string
    {
        return 'rule';
    }

    public static function title(): string
    {
        return 'Focus';
    }

    public function isByHand(): bool
    {
        return $this->by === 'hand';
    }

    /** Whether it takes so many from one end. */
    public function takesAnEnd(): bool
    {
        return in_array($this->by, ['top', 'bottom'], true);
    }
}
