<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Flag;
use DuskRail\Settings\Kinds\Written;
use DuskRail\Settings\ReadsSettings;
use DuskRail\Time\Period;
use DuskRail\Time\UnknownPeriod;

/** Whether lines are carried on beyond their values, to judge targets, and how. */
final readonly class ProjectionPart implements Part
{
    use ReadsSettings;

    /** @param 'hidden'|'shown' $projection */
    public function __construct(
        #[Choice(
            'projection',
            ['hidden' => 'hidden', 'shown' => 'shown'],
            lead: 'projection of the lines in focus',
        )]
        public string $projection = 'hidden',
        #[Flag('95 % prediction interval', 'shaded', 'not shaded', when: ['projection' => 'shown'])]
        public bool $interval = true,
        #[Written(
            'pace since',
            hint: 'the last turn',
            longest: 40,
            lead: 'pace since',
            about: 'period from which the pace is measured; nothing for the last turn',
            allowed: 'a period, or nothing',
        )]
        public string $since = '',
        #[Choice(
            'method',
            [
                'automatic' => 'automatic',
                'straight' => 'straight on',
                'damped' => 'damped trend',
                'naive' => 'seasonal naive with drift',
            ],
            lead: 'method',
            about: 'how lines are carried on; automatic is straight on, and with seasons the method that errs ' .
                'least on values held back',
        )]
        public string $method = 'automatic',
    ) {}

    public static function name(): string
    {
        return 'projection';
    }

    public static function title(): string
    {
        return 'Projection';
    }

    /** The period from which the pace is measured; null for the last turn. */
    public function start(): ?Period
    {
        try {
            return $this->since === '' ? null : Period::parse($this->since);
        } catch (UnknownPeriod) {
            return null;
        }
    }

    public function conflict(): ?string
    {
        return $this->since === '' || $this->start() !== null
            ? null
            : "“{$this->since}” is no period. Enter a year or a month, as 2019 or 2019-03, or nothing for the " .
                'last turn.';
    }
}
