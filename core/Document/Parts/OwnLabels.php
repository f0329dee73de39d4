<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\HasSettings;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\ReadsSettings;

/** What is written at one line, where that is not as at all others. */
final readonly class OwnLabels implements HasSettings
{
    use ReadsSettings;

    /**
     * @param ''|'both'|'name'|'value'|'none' $end nothing for as all
     * @param ''|'none'|'ends'|'extremes'|'four' $points
     */
    public function __construct(
        #[Choice('end', [
            '' => 'default label',
            'both' => 'name and value',
            'name' => 'name',
            'value' => 'value',
            'none' => 'none',
        ])]
        public string $end = '',
        #[Choice('points', [
            '' => 'default points',
            'none' => 'no points',
            'ends' => 'first and last',
            'extremes' => 'minimum and maximum',
            'four' => 'all four',
        ])]
        public string $points = '',
    ) {}

    public static function title(): string
    {
        return 'Labels of a line';
    }
}
