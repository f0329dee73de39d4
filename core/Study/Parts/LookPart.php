<?php

declare(strict_types=1);

namespace DuskRail\Study\Parts;

use DuskRail\Rail\Field;
use DuskRail\Rail\Settings;
use DuskRail\Study\Comparison;
use DuskRail\Time\Period;

/** How lines are drawn. */
final readonly class LookPart implements Part
{
    /** What single lines can have for themselves, by what it is about, with how it is called. */
    public const OWN = [
        'width' => ['' => 'width as all', 'fine' => 'fine', 'usual' => 'usual', 'heavy' => 'heavy'],
        'dash' => ['' => 'dash as all', 'solid' => 'solid', 'dashed' => 'dashed', 'dotted' => 'dotted'],
        'marker' => ['' => 'marker as all', 'dots' => 'dots', 'squares' => 'squares', 'diamonds' => 'diamonds', 'triangles' => 'triangles', 'rings' => 'rings'],
    ];

    /** Shapes of single points, the last one of a line among them. */
    public const SHAPES = ['dot', 'ring', 'square', 'diamond', 'triangle', 'none'];

    public const SIZES = ['small' => 0.7, 'usual' => 1.0, 'large' => 1.5];

    /**
     * @param 'straight'|'smooth'|'steps' $course from point to point
     * @param bool $area fill under the lines in focus
     * @param float $width of the lines in focus, in pixels
     * @param bool $points mark every value of the lines in focus
     * @param 'all'|'from'|'above'|'below' $lit which part of a line in focus has colour: from a period on, or while it is above or
     *     below a value, or the peers where no value is given
     * @param string $litAt the period or the value
     * @param array<string, array{width: string, dash: string, marker: string}> $own by line, what it has for itself; empty for as all
     * @param string $last one of SHAPES, at the last point of each line in focus
     * @param 'small'|'usual'|'large' $lastSize
     */
    public function __construct(public string $course = 'straight', public bool $area = false, public float $width = 3.0, public bool $points = false, public string $lit = 'all', public string $litAt = '', public array $own = [], public string $last = 'dot', public string $lastSize = 'usual') {}

    public static function read(array $settings): static
    {
        $read = new Settings('Lines', $settings);
        /** @var 'straight'|'smooth'|'steps' $course */
        $course = $read->oneOf('course', 'straight', ['straight', 'smooth', 'steps']);
        $width = $read->number('width') ?? 3.0;
        /** @var 'all'|'from'|'above'|'below' $lit */
        $lit = $read->oneOf('lit', 'all', ['all', 'from', 'above', 'below']);
        $at = $lit === 'all' ? '' : $read->text('litAt');
        if ($lit === 'from' && $at !== '') {
            Period::parse($at);
        } elseif ($at !== '' && ! is_numeric($at)) {
            $at = '';
        }
        /** @var 'small'|'usual'|'large' $lastSize */
        $lastSize = $read->oneOf('lastSize', 'usual', array_keys(self::SIZES));
        if ($width < 1.0 || $width > 8.0) {
            throw $read->wrong('a line can be 1 to 8 pixels wide.');
        }

        return new self($course, $read->flag('area', false), $width, $read->flag('points', false), $lit, $at, self::own($settings['own'] ?? [], $read), $read->oneOf('last', 'dot', self::SHAPES), $lastSize);
    }

    /** @return array<string, array{width: string, dash: string, marker: string}> */
    private static function own(mixed $own, Settings $read): array
    {
        $lines = [];
        foreach (is_array($own) ? $own : throw $read->wrong('“own” must be a list by line.') as $key => $one) {
            $each = new Settings("Line {$key}", is_array($one) ? $one : []);
            $line = [
                'width' => $each->oneOf('width', '', array_keys(self::OWN['width'])),
                'dash' => $each->oneOf('dash', '', array_keys(self::OWN['dash'])),
                'marker' => $each->oneOf('marker', '', array_keys(self::OWN['marker'])),
            ];
            if (implode('', $line) !== '') {
                $lines[(string) $key] = $line;
            }
        }

        return $lines;
    }

    public function widthOf(string $line): float
    {
        return match ($this->own[$line]['width'] ?? '') {
            'fine' => 2.0,
            'usual' => 3.0,
            'heavy' => 4.5,
            default => $this->width,
        };
    }

    public function lastSize(): float
    {
        return self::SIZES[$this->lastSize];
    }

    public function toArray(): array
    {
        return get_object_vars($this);
    }

    public function fields(Comparison $comparison): array
    {
        return [
            Field::choice('course', 'from point to point', $this->course, ['straight' => 'straight', 'smooth' => 'smooth (a drawing aid)', 'steps' => 'in steps']),
            Field::flag('area', 'under the focus', $this->area, 'filled', 'open'),
            Field::flag('points', 'its points', $this->points, 'all marked', 'the last only'),
            Field::choice('last', 'the last as', $this->last, ['dot' => 'a dot', 'ring' => 'a ring', 'square' => 'a square', 'diamond' => 'a diamond', 'triangle' => 'a triangle', 'none' => 'nothing']),
            ...($this->last === 'none' ? [] : [Field::choice('lastSize', 'of size', $this->lastSize, ['small' => 'small', 'usual' => 'usual', 'large' => 'large'])]),
            Field::choice('lit', 'coloured', $this->lit, ['all' => 'all along', 'from' => 'from a period on', 'above' => 'while above', 'below' => 'while below']),
            ...($this->lit === 'all' ? [] : [Field::text('litAt', $this->lit === 'from' ? 'namely' : 'the value', $this->litAt, $this->lit === 'from' ? 'a year or a period' : 'the peers, or a value')]),
            Field::choice('width', 'its width', (string) $this->width, ['2' => 'fine', '3' => 'usual', '4.5' => 'heavy', (string) $this->width => [2 => 'fine', 3 => 'usual'][(int) $this->width] ?? 'heavy']),
        ];
    }
}
