<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Document\Parts\LabelsPart;
use DuskRail\Document\Parts\Placement;
use DuskRail\Outcome\Line;
use DuskRail\Outcome\Lineup;
use DuskRail\Time\PeriodAxis;

/**
 * Values written at points of the lines in focus: those asked for, then the most telling others, as long as there is
 * room.
 */
final class PointLabels
{
    private const HEIGHT = 15.0;

    /** Pixels by which a label that was asked for may be farther from its point than others. */
    private const FARTHER = [0.0, 8.0, 16.0, 28.0, 42.0];

    public function __construct(
        private readonly TextMeasure $measure,
        private readonly Lineup $lineup,
        private readonly PlotArea $plot,
        private readonly Scale $scale,
        private readonly LabelRoom $room,
    ) {}

    /** @return list<Group> */
    public function groups(): array
    {
        $part = $this->lineup->comparison->study->part(LabelsPart::class);
        $groups = [];
        $lines = array_filter($this->lineup->focus(), static fn(Line $line): bool => !$line->dashed);
        // What was moved by hand has its place before all others.
        foreach ($lines as $line) {
            foreach ($part->placed as $label => $place) {
                $position = str_starts_with($label, "{$line->key}@")
                    ? $this->positionOf(substr($label, strlen($line->key) + 1))
                    : null;
                if (
                    $position !== null &&
                    isset(self::chosen($line, $part, $this->plot, $this->open())[$position]) &&
                    !is_nan($this->scale->at($line->values[$position]))
                ) {
                    $groups[] = $this->moved($line, $position, $place, $part);
                }
            }
        }
        foreach ($lines as $line) {
            foreach (self::chosen($line, $part, $this->plot, $this->open()) as $position => $must) {
                $label = isset($part->placed[$this->name($line, $position)])
                    ? null
                    : $this->label($line, $position, $part, $must);
                if ($label !== null) {
                    $groups[] = $label;
                }
            }
        }

        return $groups;
    }

    /**
     * Positions in the order in which they get their places: what was asked for first, then turning points by how far
     * the line turns there.
     *
     * @param int|null $open first position of periods that are not finished
     * @return array<int, bool> whether it was asked for, by position
     */
    public static function chosen(Line $line, LabelsPart $part, PlotArea $plot, ?int $open): array
    {
        $present = [];
        for ($i = $plot->from; $i <= $plot->to; $i++) {
            if (!is_nan($line->values[$i])) {
                $present[$i] = $line->values[$i];
            }
        }
        if ($present === []) {
            return [];
        }
        $chosen = self::asked($line, $part, TellingPoints::of($line->values, $plot->from, $plot->to, $open));
        $turns = [];
        $positions = array_keys($present);
        foreach ($part->more > 0 ? $positions : [] as $n => $i) {
            $before = $present[$positions[$n - 1] ?? $i];
            $after = $present[$positions[$n + 1] ?? $i];
            // How far it is out from both neighbours; where it only goes on, hardly at all.
            $turns[$i] =
                ($present[$i] - $before) * ($present[$i] - $after) > 0.0
                    ? min(abs($present[$i] - $before), abs($present[$i] - $after)) + 1.0
                    : -1.0 / (1 + abs($present[$i] - $before));
        }
        arsort($turns);
        foreach (array_slice(array_keys(array_diff_key($turns, $chosen)), 0, $part->more) as $position) {
            $chosen[$position] = false;
        }

        return $chosen;
    }

    /** @return array<int, true> by position; what is said at the end of the line is not asked for again */
    private static function asked(Line $line, LabelsPart $part, TellingPoints $points): array
    {
        $isSaidAtEnd =
            in_array($part->endOf($line->key), ['both', 'value'], true) && !isset($part->placed["{$line->key}@end"]);
        $positions = [
            'last' => $points->last,
            'first' => $points->first,
            'highest' => $points->highest[0] ?? null,
            'lowest' => $points->lowest[0] ?? null,
        ];
        $asked = [];
        foreach (array_intersect_key($positions, array_flip($part->pointsOf($line->key))) as $position) {
            if ($position !== null && !($isSaidAtEnd && $position === $line->last)) {
                $asked[$position] = true;
            }
        }

        return $asked;
    }

    /**
     * A label is written where it meets no other and no line in focus goes through it. One that was asked for may be
     * farther from its point, and in the end over a line; where there is no room at all, it goes.
     */
    private function label(Line $line, int $position, LabelsPart $part, bool $must): ?Group
    {
        $y = $this->scale->at($line->values[$position]);
        if (is_nan($y) || $y < $this->plot->top - 1.0 || $y > $this->plot->bottom + 1.0) {
            return null;
        }
        $width = $this->width($line, $position);
        $crossed = null;
        foreach ($must ? self::FARTHER : [0.0] as $away) {
            foreach ($this->sidesToTry($line, $position, $part, $must) as $side) {
                [$x, $base] = $this->place($side, $this->plot->x($position), $y, $width);
                $base += in_array($side, ['above', 'right'], true) ? -$away : $away;
                $box = [$x, $base - self::HEIGHT + 3.0, $x + $width, $base + 2.0];
                if (!$this->hasRoom($side, $y, $away) || !$this->room->isFree($box)) {
                    continue;
                }
                if (!$this->room->isCrossed($box)) {
                    return $this->written($line, $position, $x, $base, $part);
                }
                $crossed ??= [$x, $base];
            }
        }

        return $must && $crossed !== null ? $this->written($line, $position, $crossed[0], $crossed[1], $part) : null;
    }

    /** @return list<string> */
    private function sidesToTry(Line $line, int $position, LabelsPart $part, bool $must): array
    {
        $sides = $part->side === 'auto' ? $this->sides($line, $position) : [$part->side];

        return $must ? array_values(array_unique([...$sides, 'right', 'left', 'above', 'below'])) : $sides;
    }

    /** @return non-empty-list<string> a peak is written above, a trough below; a missing neighbour counts as neither */
    private function sides(Line $line, int $position): array
    {
        $value = $line->values[$position];
        $before = $line->values[max($this->plot->from, $position - 1)];
        $after = $line->values[min($this->plot->to, $position + 1)];
        $isPeak = (is_nan($before) || $value >= $before) && (is_nan($after) || $value >= $after);

        return $isPeak ? ['above', 'below'] : ['below', 'above'];
    }

    private function hasRoom(string $side, float $y, float $away): bool
    {
        return match ($side) {
            'above' => $y - $away - 8.0 - self::HEIGHT >= $this->plot->top - 14.0,
            'below' => $y + $away + self::HEIGHT + 4.0 <= $this->plot->bottom,
            'right' => $away === 0.0 || $y - $away - self::HEIGHT >= $this->plot->top - 14.0,
            default => $away === 0.0 || $y + $away + self::HEIGHT <= $this->plot->bottom,
        };
    }

    /** @return array{float, float} left edge and base line of a label beside a point, within the plot */
    private function place(string $side, float $x, float $y, float $width): array
    {
        $left = match ($side) {
            'left' => $x - 8.0 - $width,
            'right' => $x + 8.0,
            default => $x - $width / 2,
        };
        $base = match ($side) {
            'above' => $y - 8.0,
            'below' => $y + self::HEIGHT + 4.0,
            default => $y + 4.5,
        };

        return [max($this->plot->left, min($left, $this->plot->right - $width)), $base];
    }

    private function moved(Line $line, int $position, Placement $place, LabelsPart $part): Group
    {
        $width = $this->width($line, $position);
        $point = [$this->plot->x($position), $this->scale->at($line->values[$position])];
        $x = max($this->plot->left, min($point[0] + $place->x, $this->plot->right - $width));
        $y = max($this->plot->top, min($point[1] + $place->y, $this->plot->bottom - 2.0));

        return $this->written($line, $position, $x, $y, $part, EndLabels::leader($point, $x, $y, $width));
    }

    private function width(Line $line, int $position): float
    {
        return $this->measure->width($this->lineup->format($line->values[$position]), self::type());
    }

    private function open(): ?int
    {
        return $this->lineup->axis instanceof PeriodAxis ? $this->lineup->open : null;
    }

    private function positionOf(string $period): ?int
    {
        for ($i = $this->plot->from; $i <= $this->plot->to; $i++) {
            if ($this->lineup->code($i) === $period) {
                return $i;
            }
        }

        return null;
    }

    private function name(Line $line, int $position): string
    {
        return "{$line->key}@{$this->lineup->code($position)}";
    }

    private static function type(): Type
    {
        return Type::text(12.5, 600);
    }

    /** @param list<float> $leader from its point */
    private function written(
        Line $line,
        int $position,
        float $x,
        float $base,
        LabelsPart $part,
        array $leader = [],
    ): Group {
        $text = $this->lineup->format($line->values[$position]);
        $width = $this->width($line, $position);
        $this->room->take([$x, $base - self::HEIGHT + 3.0, $x + $width, $base + 2.0]);
        $point = [$this->plot->x($position), $this->scale->at($line->values[$position])];

        return new Group(
            'point-label',
            [
                ...$leader === [] ? [] : [new Stroke([$leader], Ink::Median, 1.0)],
                ...$part->backed
                    ? [new Box($x - 3.0, $base - 12.0, $width + 6.0, self::HEIGHT + 1.0, Ink::Sheet, 2.0, 0.9)]
                    : [],
                Words::plain($x, $base, $text, self::type(), Ink::of($line, Ink::Text))->haloed(),
            ],
            EndLabels::facts($line->key, $this->lineup->code($position), $position, $point, $x, $base),
        );
    }
}
