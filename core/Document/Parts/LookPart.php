<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Data\Numerals;
use DuskRail\Settings\Kinds\ByKey;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Flag;
use DuskRail\Settings\Kinds\Number;
use DuskRail\Settings\Kinds\Written;
use DuskRail\Settings\ReadsSettings;
use DuskRail\Time\Period;
use DuskRail\Time\UnknownPeriod;

/** How lines are drawn. */
final readonly class LookPart implements Part
{
    use ReadsSettings;

    /** Shapes of single points, the last one of a line among them. */
    public const SHAPES = [
        'dot' => 'dot',
        'ring' => 'ring',
        'square' => 'square',
        'diamond' => 'diamond',
        'triangle' => 'triangle',
        'none' => 'none',
    ];

    public const SIZES = ['small' => 0.7, 'usual' => 1.0, 'large' => 1.5];

    /**
     * @param 'straight'|'smooth'|'steps' $course from point to point
     * @param bool $area fill under the lines in focus
     * @param bool $points mark every value of the lines in focus
     * @param key-of<self::SHAPES> $last at the last point of each line in focus
     * @param key-of<self::SIZES> $lastSize
     * @param 'all'|'from'|'above'|'below' $lit which part of a line in focus has colour: from a period on, or while it
     *     is above or below a value, or the peers where no value is given
     * @param string $litAt the period or the value
     * @param float $width of the lines in focus, in pixels
     * @param 'open'|'hair' $gaps how a line goes where a value is missing
     * @param array<string, OwnLook> $own by line
     */
    public function __construct(
        #[Choice(
            'course',
            ['straight' => 'straight', 'smooth' => 'smooth (appearance only)', 'steps' => 'steps'],
            lead: 'line shape',
        )]
        public string $course = 'straight',
        #[Flag('area under the focus', 'filled', 'none', lead: 'area under the focus')] public bool $area = false,
        #[Flag('points', 'all points', 'last point', lead: 'markers')] public bool $points = false,
        #[Choice('last point', self::SHAPES, lead: 'marker at the last point')] public string $last = 'dot',
        #[Choice(
            'size of the last point',
            ['small' => 'small', 'usual' => 'medium', 'large' => 'large'],
            lead: 'marker size',
            when: ['last' => ['dot', 'ring', 'square', 'diamond', 'triangle']],
        )]
        public string $lastSize = 'usual',
        #[Choice(
            'coloured part',
            [
                'all' => 'whole line',
                'from' => 'from a period',
                'above' => 'while above',
                'below' => 'while below',
            ],
            lead: 'coloured part',
        )]
        public string $lit = 'all',
        #[Written(
            'limit of the coloured part',
            hint: 'median, or a value',
            lead: 'threshold',
            when: ['lit' => ['from', 'above', 'below']],
            leads: ['lit=from' => 'from period'],
            hints: ['from period' => '2019 or 2019-03'],
            allowed: 'a period or a value',
        )]
        public string $litAt = '',
        #[Number(
            'line width',
            1.0,
            8.0,
            options: ['2' => 'thin', '3' => 'medium', '4.5' => 'thick'],
            lead: 'line width',
            outside: 'a line can be 1 to 8 pixels wide.',
        )]
        public float $width = 3.0,
        #[Choice(
            'gaps',
            ['open' => 'interrupted', 'hair' => 'joined by a thin dashed line'],
            lead: 'at missing values',
        )]
        public string $gaps = 'open',
        #[ByKey('look of single lines', OwnLook::class)] public array $own = [],
    ) {}

    public static function name(): string
    {
        return 'look';
    }

    public static function title(): string
    {
        return 'Lines';
    }

    public function conflict(): ?string
    {
        if ($this->lit === 'from' && $this->litAt !== '') {
            try {
                Period::parse($this->litAt);
            } catch (UnknownPeriod $problem) {
                return $problem->getMessage();
            }
        }

        return null;
    }

    public function normalised(): static
    {
        $misplaced = $this->lit === 'all' || ($this->lit !== 'from' && Numerals::read($this->litAt) === null);

        return $misplaced && $this->litAt !== '' ? $this->with(['litAt' => '']) : $this;
    }

    /** @return float pixels */
    public function widthOf(string $line): float
    {
        return match (($this->own[$line] ?? new OwnLook())->width) {
            'fine' => 2.0,
            'usual' => 3.0,
            'heavy' => 4.5,
            default => $this->width,
        };
    }

    /** By how much the last point is larger than usual. */
    public function lastSize(): float
    {
        return self::SIZES[$this->lastSize];
    }
}
