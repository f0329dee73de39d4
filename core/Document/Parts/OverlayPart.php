<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\Condition;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Flag;
use DuskRail\Settings\Kinds\Whole;
use DuskRail\Settings\ReadsSettings;
use DuskRail\Time\Cycle;

/** How years (or months, or weeks) are merged into each other. */
final readonly class OverlayPart implements Part
{
    use ReadsSettings;

    /**
     * @param int $start month in which years start, 1 to 12
     * @param 'latest'|'chosen' $coloured which of them are in colour: the latest and the one before, with those in
     *     focus; or only those in focus
     * @param bool $band shade from the lowest to the highest of the earlier years, and draw their median
     */
    public function __construct(
        #[Choice(
            'cycle',
            ['year' => 'years', 'month' => 'months', 'week' => 'weeks'],
            enum: Cycle::class,
            lead: 'overlay',
            if: Condition::Days,
        )]
        public Cycle $cycle = Cycle::Year,
        #[Whole(
            'first month',
            1,
            12,
            [1 => 'Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'],
            lead: 'start of year',
            when: ['cycle' => 'year'],
            about: 'month in which years start',
        )]
        public int $start = 1,
        #[Flag('earlier ones', 'band with median', 'grey lines')] public bool $band = false,
        #[Choice(
            'coloured ones',
            ['latest' => 'the latest two, and chosen ones', 'chosen' => 'chosen ones only'],
            lead: 'in colour',
        )]
        public string $coloured = 'latest',
    ) {}

    public static function name(): string
    {
        return 'overlay';
    }

    public static function title(): string
    {
        return 'Overlay';
    }
}
