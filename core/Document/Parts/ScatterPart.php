<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Rail\Rail;
use DuskRail\Rail\RailSetting;
use DuskRail\Settings\Embedded;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Chosen;
use DuskRail\Settings\Kinds\Flag;
use DuskRail\Settings\Kinds\Number;
use DuskRail\Settings\Kinds\Several;
use DuskRail\Settings\Names;
use DuskRail\Settings\ReadsSettings;

/** How two measures are set against each other. */
final readonly class ScatterPart implements Part
{
    use ReadsSettings;

    /**
     * @param string $measure of the horizontal axis; nothing for the first that is not the study's own
     * @param Rail|null $rail of the horizontal axis; null for none of its own
     * @param 'latest'|'mean'|'path' $at the latest period, the mean over what is shown, or a path through the periods
     * @param 'none'|'mean'|'median'|'weighted'|'value' $line where each axis is cut in two
     * @param string $size key of the measure that the points are as large as; nothing for all alike
     * @param bool $fits a straight line through each group
     * @param list<string> $corners names of the four corners: upper left, upper right, lower left, lower right
     * @param Likeness $likeness who is taken for alike
     * @param Bounds $bounds what is outside is left out
     * @param 'y'|'x' $editing which of the two rails is shown to be changed
     */
    public function __construct(
        #[Chosen('horizontal measure', of: Names::Measures, none: 'the next measure', shown: false)]
        public string $measure = '',
        #[RailSetting('horizontal rail')] public ?Rail $rail = null,
        #[Choice('points', [
            'latest' => 'latest period',
            'mean' => 'mean over the time shown',
            'path' => 'paths over time',
        ])]
        public string $at = 'latest',
        #[Choice(
            'quadrant lines',
            [
                'none' => 'none',
                'mean' => 'means',
                'median' => 'medians',
                'weighted' => 'weighted means',
                'value' => 'own values',
            ],
            lead: 'quadrant lines',
        )]
        public string $line = 'median',
        #[Number('horizontal quadrant line', hint: 'none', lead: 'vertical axis', when: ['line' => 'value'])]
        public ?float $lineY = null,
        #[Number('vertical quadrant line', hint: 'none', lead: 'horizontal axis', when: ['line' => 'value'])]
        public ?float $lineX = null,
        #[Chosen('size', of: Names::Sizes, none: 'Equal', lead: 'point size')] public string $size = '',
        #[Flag('trend lines', 'one per group', 'none')] public bool $fits = false,
        #[Several(
            'quadrant names',
            ordered: true,
            longest: 60,
            hint: 'upper left, upper right, lower left, lower right',
        )]
        public array $corners = ['', '', '', ''],
        #[Embedded] public Likeness $likeness = new Likeness(),
        #[Embedded] public Bounds $bounds = new Bounds(),
        #[Choice('rail being edited', ['y' => 'vertical axis', 'x' => 'horizontal axis'], shown: false)]
        public string $editing = 'y',
    ) {}

    public static function name(): string
    {
        return 'scatter';
    }

    public static function title(): string
    {
        return 'Scatter';
    }

    public function normalised(): static
    {
        $four = array_slice([...$this->corners, '', '', '', ''], 0, 4);

        return $four === $this->corners ? $this : $this->with(['corners' => $four]);
    }
}
