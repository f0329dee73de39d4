<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Study\Line;
use DuskRail\Study\Lineup;
use DuskRail\Study\Parts\LabelsPart;

/** Values written at points of the lines in focus: those asked for, then the most telling others, as long as there is room. */
final class PointLabels
{
    private const HEIGHT = 15.0;

    /** @var list<array{float, float, float, float}> left, top, right and bottom of what is written already */
    private array $taken = [];

    public function __construct(private readonly TextMeasure $measure, private readonly Lineup $lineup, private readonly PlotArea $plot, private readonly Scale $scale) {}

    /** @return list<Group> */
    public function groups(): array
    {
        $part = $this->lineup->comparison->study->labels;
        $groups = [];
        foreach ($this->lineup->focus() as $line) {
            if ($line->dashed) {
                continue;
            }
            foreach (self::chosen($line, $part, $this->plot) as $position => $must) {
                $label = $this->label($line, $position, $part, $must);
                if ($label !== null) {
                    $groups[] = $label;
                }
            }
        }

        return $groups;
    }

    /**
     * Positions in the order in which they get their places: what was asked for first, then turning points by how far the
     * line turns there.
     *
     * @return array<int, bool> whether it was asked for, by position
     */
    public static function chosen(Line $line, LabelsPart $part, PlotArea $plot): array
    {
        $present = [];
        for ($i = $plot->from; $i <= $plot->to; $i++) {
            if (! is_nan($line->values[$i])) {
                $present[$i] = $line->values[$i];
            }
        }
        if ($present === []) {
            return [];
        }
        $asked = [
            'last' => array_key_last($present), 'first' => array_key_first($present),
            'highest' => array_search(max($present), $present, true), 'lowest' => array_search(min($present), $present, true),
        ];
        $chosen = [];
        foreach ($asked as $name => $position) {
            if (in_array($name, $part->points, true) && is_int($position)) {
                $chosen[$position] = true;
            }
        }
        $turns = [];
        $positions = array_keys($present);
        foreach ($part->more > 0 ? $positions : [] as $n => $i) {
            $before = $present[$positions[$n - 1] ?? $i];
            $after = $present[$positions[$n + 1] ?? $i];
            // How far it stands out from both neighbours; where it only goes on, hardly at all.
            $turns[$i] = ($present[$i] - $before) * ($present[$i] - $after) > 0.0 ? min(abs($present[$i] - $before), abs($present[$i] - $after)) + 1.0 : -1.0 / (1 + abs($present[$i] - $before));
        }
        arsort($turns);
        foreach (array_slice(array_keys(array_diff_key($turns, $chosen)), 0, $part->more) as $position) {
            $chosen[$position] = false;
        }

        return $chosen;
    }

    /** A label that was asked for is always written; another only where it meets no other. */
    private function label(Line $line, int $position, LabelsPart $part, bool $must): ?Group
    {
        $y = $this->scale->at($line->values[$position]);
        if (is_nan($y) || $y < $this->plot->top - 1.0 || $y > $this->plot->bottom + 1.0) {
            return null;
        }
        $text = $this->lineup->format($line->values[$position]);
        $type = Type::text(12.5, 600);
        $width = $this->measure->width($text, $type);
        $x = max($this->plot->left, min($this->plot->x($position) - $width / 2, $this->plot->right - $width));
        $before = $line->values[max($this->plot->from, $position - 1)];
        $after = $line->values[min($this->plot->to, $position + 1)];
        // A peak is written above, a trough below.
        $above = $part->side === 'auto' ? ! ($line->values[$position] < $before || $line->values[$position] < $after) : $part->side === 'above';
        $sides = $part->side === 'auto' ? [$above, ! $above] : [$above];
        foreach ($sides as $side) {
            $base = $side ? $y - 8.0 : $y + self::HEIGHT + 4.0;
            if ($this->isFree($x, $base, $width)) {
                return $this->written($line, $x, $base, $width, $text, $type, $part);
            }
        }

        return $must ? $this->written($line, $x, $above ? $y - 8.0 : $y + self::HEIGHT + 4.0, $width, $text, $type, $part) : null;
    }

    private function isFree(float $x, float $base, float $width): bool
    {
        foreach ($this->taken as [$left, $top, $right, $bottom]) {
            if ($x < $right + 2.0 && $x + $width > $left - 2.0 && $base - self::HEIGHT < $bottom && $base > $top) {
                return false;
            }
        }

        return true;
    }

    private function written(Line $line, float $x, float $base, float $width, string $text, Type $type, LabelsPart $part): Group
    {
        $this->taken[] = [$x, $base - self::HEIGHT, $x + $width, $base];

        return new Group('point-label', [
            ...($part->backed ? [new Box($x - 3.0, $base - 12.0, $width + 6.0, self::HEIGHT + 1.0, Ink::Sheet, 2.0, 0.9)] : []),
            Words::plain($x, $base, $text, $type, Ink::focus(max(1, $line->hue))),
        ], ['line' => $line->key]);
    }
}
