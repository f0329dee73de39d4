<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Outcome\Lineup;

/** Marks values beyond the limits of the axis. */
final readonly class BeyondLimits
{
    private const MOST = 120;

    public function __construct(
        private Lineup $lineup,
        private PlotArea $plot,
        private Scale $scale,
        private TextMeasure $measure,
    ) {}

    /** Wedges at the edge; those of the focus with the value. */
    public function marks(): Group
    {
        $marks = [];
        $type = Type::text(12, 600);
        foreach ($this->lineup->present() as $line) {
            $ink = $line->hue > 0 ? Ink::of($line, Ink::Text) : Ink::Median;
            for ($i = $this->plot->from; $i <= $this->plot->to && count($marks) < self::MOST; $i++) {
                $y = $this->scale->at($line->values[$i]);
                $isAbove = $y < $this->plot->top - 1.0;
                if (is_nan($y) || (!$isAbove && $y <= $this->plot->bottom + 1.0)) {
                    continue;
                }
                $x = $this->plot->x($i);
                $at = $isAbove ? $this->plot->top + 5.0 : $this->plot->bottom - 5.0;
                array_push($marks, ...Shape::at($isAbove ? 'triangle' : 'wedge', $x, $at, 3.2, $ink));
                $text = $line->hue > 0 ? $this->lineup->format($line->values[$i]) : '';
                $room = $this->plot->right - $x - 9.0;
                if ($text !== '' && $this->measure->width($text, $type) <= $room) {
                    $marks[] = Words::plain($x + 8.0, $at + 4.5, $text, $type, $ink)->haloed();
                }
            }
        }

        return new Group('beyond-limits', $marks);
    }
}
