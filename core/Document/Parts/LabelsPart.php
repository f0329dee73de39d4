<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\Kinds\ByKey;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Flag;
use DuskRail\Settings\Kinds\Several;
use DuskRail\Settings\Kinds\Whole;
use DuskRail\Settings\ReadsSettings;

/** What is written beside the lines. */
final readonly class LabelsPart implements Part
{
    use ReadsSettings;

    private const OWN_POINTS = [
        'none' => [],
        'ends' => ['first', 'last'],
        'extremes' => ['highest', 'lowest'],
        'four' => ['first', 'last', 'highest', 'lowest'],
    ];

    /**
     * @param 'both'|'name'|'value'|'none' $end what is at the end of a line
     * @param 'auto'|'fit' $named which lines have it: those in focus and, of up to eight, all; or as many as have room
     * @param list<string> $points of the lines in focus whose values are written
     * @param int $more up to so many further points of each line, the most telling first: its turning points
     * @param 'auto'|'above'|'below'|'left'|'right' $side
     * @param bool $backed on a ground of their own
     * @param array<string, OwnLabels> $own by line
     * @param array<string, Placement> $placed labels that were moved by hand, by line and period (`tarrow@2024-05`), or
     *     by line and `end` for the name at its end
     */
    public function __construct(
        #[Choice(
            'line ends',
            ['both' => 'name and value', 'name' => 'name', 'value' => 'value', 'none' => 'none'],
            lead: 'label at the line end',
        )]
        public string $end = 'both',
        #[Choice(
            'named lines',
            ['auto' => 'focus, or all of up to eight', 'fit' => 'as many as fit'],
            lead: 'lines with a label',
            when: ['end' => ['both', 'name', 'value']],
        )]
        public string $named = 'auto',
        #[Several(
            'labelled points',
            ['first' => 'first', 'last' => 'last', 'highest' => 'highest', 'lowest' => 'lowest'],
            unknown: 'the points that can be labelled are',
            lead: 'labelled points of the focus',
        )]
        public array $points = [],
        #[Whole(
            'turning points',
            0,
            200,
            [0 => 'none', 2 => '2', 5 => '5', 12 => '12', 200 => 'as many as fit'],
            lead: 'more points',
        )]
        public int $more = 0,
        #[Choice(
            'side',
            [
                'auto' => 'automatic',
                'above' => 'above',
                'below' => 'below',
                'left' => 'left',
                'right' => 'right',
            ],
            lead: 'position',
        )]
        public string $side = 'auto',
        #[Flag('label background', 'on', 'off')] public bool $backed = false,
        #[ByKey('labels of single lines', OwnLabels::class)] public array $own = [],
        #[ByKey(
            'positions of labels',
            Placement::class,
            by: 'label (line and period, for example `tarrow@2024-05`, or `@end`)',
            pattern: '/^.*@.+$/s',
            unfit: 'a label has a line and a period, for example tarrow@2024-05.',
        )]
        public array $placed = [],
    ) {}

    public static function name(): string
    {
        return 'labels';
    }

    public static function title(): string
    {
        return 'Labels';
    }

    /** @return 'both'|'name'|'value'|'none' what is at the end of this line */
    public function endOf(string $line): string
    {
        $own = ($this->own[$line] ?? new OwnLabels())->end;

        return $own === '' ? $this->end : $own;
    }

    /** @return list<string> which values of this line are written */
    public function pointsOf(string $line): array
    {
        return self::OWN_POINTS[($this->own[$line] ?? new OwnLabels())->points] ?? $this->points;
    }

    /** With one label at another place, or back where it is by itself. */
    public function moved(string $label, ?Placement $to): self
    {
        $placed = $this->placed;
        unset($placed[$label]);

        return $this->with(['placed' => $to === null ? $placed : [...$placed, $label => $to]]);
    }
}
