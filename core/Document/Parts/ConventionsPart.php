<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Rail\Conventions;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\ReadsSettings;

/** How values are calculated where practitioners differ. A house decides it for its new studies. */
final readonly class ConventionsPart implements Part
{
    use ReadsSettings;

    /**
     * @param 'type-6'|'type-7'|'type-8' $quantiles
     * @param 'sample'|'population' $deviation
     * @param 'apart'|'peer' $home
     */
    public function __construct(
        #[Choice(
            'quartiles',
            [
                'type-6' => 'type 6, of n + 1 parts',
                'type-7' => 'type 7, usual in spreadsheets',
                'type-8' => 'type 8, median-unbiased',
            ],
            lead: 'quartiles and deciles',
            about: 'where quartiles and deciles lie between values (Hyndman and Fan, 1996)',
        )]
        public string $quantiles = 'type-7',
        #[Choice(
            'standard deviation',
            ['sample' => 'sample (n − 1)', 'population' => 'population (n)'],
            lead: 'standard deviation',
            about: 'what the squares are divided by',
        )]
        public string $deviation = 'sample',
        #[Choice(
            'home',
            ['apart' => 'not one of the peers', 'peer' => 'one of the peers'],
            lead: 'home',
            about: 'whether peer medians, bands and comparisons include home',
        )]
        public string $home = 'apart',
    ) {}

    public static function name(): string
    {
        return 'conventions';
    }

    public static function title(): string
    {
        return 'Conventions';
    }

    public function conventions(): Conventions
    {
        return Conventions::of($this->quantiles, $this->deviation === 'population', $this->home === 'peer');
    }
}
