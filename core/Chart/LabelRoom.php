<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Outcome\Line;

/** What is taken of a chart already: words, the dots at the ends of lines, and the lines in focus themselves. */
final class LabelRoom
{
    /** @var list<array{float, float, float, float}> left, top, right, bottom */
    private array $taken = [];

    /** @param list<Line> $focus lines that no label should be drawn over */
    public function __construct(
        private readonly TextMeasure $measure,
        private readonly PlotArea $plot,
        private readonly Scale $scale,
        private readonly array $focus,
    ) {
        foreach ($focus as $line) {
            $y = $line->last === null ? NAN : $scale->at($line->values[$line->last]);
            if (!is_nan($y)) {
                $x = $plot->x((int) $line->last);
                $this->take([$x - 5.0, $y - 5.0, $x + 5.0, $y + 5.0]);
            }
        }
    }

    /** @param array{float, float, float, float} $box */
    public function take(array $box): void
    {
        $this->taken[] = $box;
    }

    /**
     * The words of groups that are drawn.
     *
     * @param list<Group> $groups
     */
    public function takeWordsOf(array $groups): void
    {
        foreach ($groups as $group) {
            foreach ($group->marks as $mark) {
                if ($mark instanceof Words) {
                    $this->take($this->boxOf($mark));
                } elseif ($mark instanceof Group) {
                    $this->takeWordsOf([$mark]);
                }
            }
        }
    }

    /** @return array{float, float, float, float} */
    public function boxOf(Words $words): array
    {
        $width = $this->measure->width($words->text(), $words->type);
        $left = match ($words->anchor) {
            'end' => $words->x - $width,
            'middle' => $words->x - $width / 2,
            default => $words->x,
        };

        return [$left, $words->y - 0.8 * $words->type->size, $left + $width, $words->y + 0.2 * $words->type->size];
    }

    /** @param array{float, float, float, float} $box */
    public function isFree(array $box): bool
    {
        foreach ($this->taken as [$left, $top, $right, $bottom]) {
            if ($box[0] < $right + 2.0 && $box[2] > $left - 2.0 && $box[1] < $bottom && $box[3] > $top) {
                return false;
            }
        }

        return true;
    }

    /**
     * Whether a line in focus goes through a box.
     *
     * @param array{float, float, float, float} $box
     */
    public function isCrossed(array $box): bool
    {
        $step = max(0.001, $this->plot->step());
        $from = max($this->plot->from, $this->plot->from + (int) floor(($box[0] - $this->plot->left) / $step));
        $to = min($this->plot->to, $this->plot->from + (int) ceil(($box[2] - $this->plot->left) / $step));
        foreach ($this->focus as $line) {
            for ($i = $from; $i < $to; $i++) {
                [$a, $b] = [$this->scale->at($line->values[$i]), $this->scale->at($line->values[$i + 1])];
                if (
                    !is_nan($a) &&
                    !is_nan($b) &&
                    self::meets([$this->plot->x($i), $a], [$this->plot->x($i + 1), $b], $box)
                ) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * Whether a straight piece and a box have a point in common.
     *
     * @param array{float, float} $from
     * @param array{float, float} $to
     * @param array{float, float, float, float} $box
     */
    private static function meets(array $from, array $to, array $box): bool
    {
        [$enter, $leave] = [0.0, 1.0];
        foreach ([0, 1] as $axis) {
            $way = $to[$axis] - $from[$axis];
            [$low, $high] = [$box[$axis] - $from[$axis], $box[$axis + 2] - $from[$axis]];
            if (abs($way) < 1e-9) {
                if ($low > 0.0 || $high < 0.0) {
                    return false;
                }
                continue;
            }
            $enter = max($enter, min($low / $way, $high / $way));
            $leave = min($leave, max($low / $way, $high / $way));
        }

        return $enter <= $leave;
    }
}
