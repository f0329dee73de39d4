<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Rail\EventDates;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Chosen;
use DuskRail\Settings\Kinds\Parsed;
use DuskRail\Settings\Kinds\Whole;
use DuskRail\Settings\Kinds\Written;
use DuskRail\Settings\Names;
use DuskRail\Settings\ReadsSettings;

/** What happened, when and to whom, and how before and after are compared. */
final readonly class BeforeAfterPart implements Part
{
    use ReadsSettings;

    /**
     * @param string $with who had the event: nothing for the lines in focus, else a key that Outcome\MemberSet knows:
     *     `group:` and a group, `set:` and a peer set, `is:` with an attribute and its value, `dates:` and an attribute
     *     that holds dates
     * @param string $without likewise; nothing for all others
     * @param int $span periods before and as many after; 0 for as many as there are, within limits
     * @param 'automatic'|'after' $start
     * @param 'automatic'|'percent'|'difference' $change
     */
    public function __construct(
        #[Parsed(
            'event',
            EventDates::class,
            hint: '2022-03; or Veldmere 2019; Tarrow 2020',
            allowed: 'a date, or names with a date each: `Veldmere 2019; Tarrow 2020`; nothing for the first event ' .
                'among the annotations',
            lead: 'event',
        )]
        public EventDates $event = new EventDates(),
        #[Written('name of the event', hint: 'for example: online appeals', longest: 60, lead: 'called')]
        public string $called = '',
        #[Chosen('members with it', of: Names::MemberSets, none: 'the lines in focus', lead: 'with it')]
        public string $with = '',
        #[Chosen('members without it', of: Names::MemberSets, none: 'all others', lead: 'without it')]
        public string $without = '',
        #[Whole(
            'periods before and after',
            0,
            1200,
            lead: 'each span, {periods} (0: automatic)',
            about: 'periods before and as many after; 0 for as many as there are, up to three years with seasons, ' .
                'five periods without',
        )]
        public int $span = 0,
        #[Choice(
            'period of the event',
            ['automatic' => 'excluded if only part of it is after', 'after' => 'counted as after'],
            lead: 'period of the event',
        )]
        public string $start = 'automatic',
        #[Whole('transition', 0, 120, lead: 'further {periods} excluded')] public int $transition = 0,
        #[Choice(
            'change',
            ['automatic' => 'automatic', 'percent' => 'per cent', 'difference' => 'difference'],
            lead: 'change in',
            about: 'changes in per cent of the mean before, or as differences in the unit; automatic is per cent ' .
                'where values are above zero and no percentages',
        )]
        public string $change = 'automatic',
        #[Choice('band', ['quartiles' => 'middle half', 'none' => 'none'], lead: 'band of those without it')]
        public string $band = 'quartiles',
    ) {}

    public static function name(): string
    {
        return 'event';
    }

    public static function title(): string
    {
        return 'Event';
    }
}
