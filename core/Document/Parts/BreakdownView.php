<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\HasSettings;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Written;
use DuskRail\Settings\ReadsSettings;

/** What a study does with one breakdown of its data. */
final readonly class BreakdownView implements HasSettings
{
    use ReadsSettings;

    /**
     * @param 'one'|'sum'|'lines'|'panels' $show
     * @param string $category key of the one that is held to; nothing for the total, or the first
     */
    public function __construct(
        #[Choice('breakdown', [
            'one' => 'one category',
            'sum' => 'sum of all',
            'lines' => 'one line each',
            'panels' => 'one panel each',
        ])]
        public string $show = 'one',
        #[Written('category')] public string $category = '',
    ) {}

    public static function title(): string
    {
        return 'Breakdown';
    }
}
