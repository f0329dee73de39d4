<?php

declare(strict_types=1);

namespace DuskRail\Study\Parts;

use DuskRail\Rail\Field;
use DuskRail\Rail\Settings;
use DuskRail\Study\Comparison;

/** What is written beside the lines. */
final readonly class LabelsPart implements Part
{
    public const POINTS = ['first', 'last', 'highest', 'lowest'];

    public const ENDS = ['both', 'name', 'value', 'none'];

    public const SIDES = ['auto', 'above', 'below', 'left', 'right'];

    /** What single lines can have for themselves, by what it is about, with how it is called. */
    public const OWN = [
        'end' => ['' => 'end as all', 'both' => 'name and value', 'name' => 'its name', 'value' => 'its value', 'none' => 'nothing'],
        'points' => ['' => 'points as all', 'none' => 'no points', 'ends' => 'first and last', 'extremes' => 'highest and lowest', 'four' => 'all four'],
    ];

    private const OWN_POINTS = ['none' => [], 'ends' => ['first', 'last'], 'extremes' => ['highest', 'lowest'], 'four' => self::POINTS];

    /** Pixels that a label can be moved away from its point. */
    private const FARTHEST = 2000.0;

    /**
     * @param 'both'|'name'|'value'|'none' $end what stands at the end of a line
     * @param list<string> $points of the lines in focus whose values are written
     * @param int $more up to so many further points of each line, the most telling first: its turning points
     * @param 'auto'|'above'|'below'|'left'|'right' $side
     * @param bool $backed on a ground of their own
     * @param array<string, array{end: string, points: string}> $own by line, what it has for itself; empty for as all
     * @param array<string, array{x: float, y: float}> $placed labels that were moved by hand: where their words begin, in pixels
     *     from the point they belong to, by line and period (`tarrow@2024-05`), or by line and `end` for the name at its end
     */
    public function __construct(public string $end = 'both', public array $points = [], public int $more = 0, public string $side = 'auto', public bool $backed = false, public array $own = [], public array $placed = []) {}

    public static function read(array $settings): static
    {
        $read = new Settings('Labels', $settings);
        /** @var 'both'|'name'|'value'|'none' $end */
        $end = $read->oneOf('end', 'both', self::ENDS);
        /** @var 'auto'|'above'|'below'|'left'|'right' $side */
        $side = $read->oneOf('side', 'auto', self::SIDES);
        $points = $read->texts('points');
        if (array_diff($points, self::POINTS) !== []) {
            throw $read->wrong('the points that can be labelled are '.implode(', ', self::POINTS).'.');
        }

        return new self($end, array_values(array_unique($points)), $read->whole('more', 0, 0, 200), $side, $read->flag('backed', false), self::own($settings['own'] ?? [], $read), self::placed($settings['placed'] ?? [], $read));
    }

    /** @return 'both'|'name'|'value'|'none' what stands at the end of this line */
    public function endOf(string $line): string
    {
        /** @var 'both'|'name'|'value'|'none' $end */
        $end = ($this->own[$line]['end'] ?? '') ?: $this->end;

        return $end;
    }

    /** @return list<string> which values of this line are written */
    public function pointsOf(string $line): array
    {
        return self::OWN_POINTS[$this->own[$line]['points'] ?? ''] ?? $this->points;
    }

    /** With one label at another place, or back where it stands by itself. */
    public function moved(string $label, ?float $x, float $y): self
    {
        $placed = $this->placed;
        unset($placed[$label]);

        return self::read([...$this->toArray(), 'placed' => $x === null ? $placed : [...$placed, $label => ['x' => $x, 'y' => $y]]]);
    }

    /** @return array<string, array{end: string, points: string}> */
    private static function own(mixed $own, Settings $read): array
    {
        $lines = [];
        foreach (is_array($own) ? $own : throw $read->wrong('“own” must be a list by line.') as $key => $one) {
            $each = new Settings("Labels of {$key}", is_array($one) ? $one : []);
            $line = ['end' => $each->oneOf('end', '', array_keys(self::OWN['end'])), 'points' => $each->oneOf('points', '', array_keys(self::OWN['points']))];
            if (implode('', $line) !== '') {
                $lines[(string) $key] = $line;
            }
        }

        return $lines;
    }

    /** @return array<string, array{x: float, y: float}> */
    private static function placed(mixed $placed, Settings $read): array
    {
        $labels = [];
        foreach (is_array($placed) ? $placed : throw $read->wrong('“placed” must be a list by label.') as $key => $place) {
            $each = new Settings('Labels', is_array($place) ? $place : []);
            [$x, $y] = [$each->number('x'), $each->number('y')];
            if ($x === null || $y === null || max(abs($x), abs($y)) > self::FARTHEST || preg_match('/^.*@.+$/s', (string) $key) !== 1) {
                throw $read->wrong('a label can be moved up to '.self::FARTHEST.' pixels from its point.');
            }
            $labels[(string) $key] = ['x' => $x, 'y' => $y];
        }

        return $labels;
    }

    public function toArray(): array
    {
        return get_object_vars($this);
    }

    public function fields(Comparison $comparison): array
    {
        return [
            Field::choice('end', 'at the end of a line', $this->end, ['both' => 'name and value', 'name' => 'its name', 'value' => 'its value', 'none' => 'nothing']),
            Field::several('points', 'values of the focus:', $this->points, ['first' => 'first', 'last' => 'last', 'highest' => 'highest', 'lowest' => 'lowest']),
            Field::choice('more', 'and', (string) $this->more, ['0' => 'no others', '2' => 'two turning points', '5' => 'five', '12' => 'a dozen', '200' => 'as many as fit']),
            Field::choice('side', 'placed', $this->side, ['auto' => 'where there is room', 'above' => 'above', 'below' => 'below', 'left' => 'at the left', 'right' => 'at the right']),
            Field::flag('backed', 'on', $this->backed, 'a ground of their own', 'the picture as it is'),
        ];
    }
}
