<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Flag;
use DuskRail\Settings\Kinds\Written;
use DuskRail\Settings\ReadsSettings;
use DuskRail\Time\PeriodRange;
use DuskRail\Time\UnknownPeriod;

/** Whether the ordinary variation of the first line in focus is shown, and what counts as beyond it. */
final readonly class VariationPart implements Part
{
    use ReadsSettings;

    /** @param 'hidden'|'shown' $limits */
    public function __construct(
        #[Choice('limits', ['hidden' => 'hidden', 'shown' => 'shown'], lead: 'limits of the first line in focus')]
        public string $limits = 'hidden',
        #[Written(
            'baseline',
            hint: '2019, or 2018 – 2020',
            longest: 40,
            lead: 'baseline',
            when: ['limits' => 'shown'],
            about: 'periods that the limits are calculated from; nothing for all that are shown',
            allowed: 'a period or a range of periods, or nothing',
        )]
        public string $baseline = '',
        #[Flag('outside the limits', 'marked', 'not marked', when: ['limits' => 'shown'])] public bool $outside = true,
        #[Flag('run of 8 on one side of the mean', 'marked', 'not marked', when: ['limits' => 'shown'])]
        public bool $run = true,
        #[Flag('6 rising or falling in a row', 'marked', 'not marked', when: ['limits' => 'shown'])]
        public bool $trend = true,
    ) {}

    public static function name(): string
    {
        return 'variation';
    }

    public static function title(): string
    {
        return 'Ordinary variation';
    }

    public function conflict(): ?string
    {
        if ($this->baseline === '') {
            return null;
        }
        try {
            PeriodRange::parse($this->baseline);

            return null;
        } catch (UnknownPeriod) {
            return "“{$this->baseline}” is no range of periods. Enter a year, or two with a dash: 2018 – 2020.";
        }
    }
}
