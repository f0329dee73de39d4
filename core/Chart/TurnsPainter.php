<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Document\Parts\TurnsPart;
use DuskRail\Outcome\LineTurns;
use DuskRail\Outcome\Lineup;
use DuskRail\Time\PeriodAxis;

/** Draws where the lines in focus turn: the interval as a pale band, the course as a hair, the date in words. */
final readonly class TurnsPainter
{
    /** Rows of dates, one below the other, so that neighbours do not meet. */
    private const ROWS = 4;

    /** @var list<LineTurns> */
    private array $turns;

    private TurnsPart $part;

    public function __construct(
        private TextMeasure $measure,
        Lineup $lineup,
        private PlotArea $plot,
        private Scale $scale,
    ) {
        $this->part = $lineup->comparison->study->part(TurnsPart::class);
        // Along years merged into each other, a line has other positions than in the data; ranks are other values.
        $isOfRail = $lineup->axis instanceof PeriodAxis && $lineup->unit === $lineup->comparison->run->table()->unit;
        $this->turns = $isOfRail ? LineTurns::shown($lineup->comparison) : [];
    }

    /** @return list<Group> what is behind the lines */
    public function behind(): array
    {
        $marks = [];
        foreach ($this->turns as $of) {
            $ink = Ink::of($of->line, Ink::Text);
            foreach ($of->all() as $turn) {
                $between = $of->between($turn);
                $x = $this->x($of->position($of->period($turn)));
                $left = $this->x($of->position($between->first));
                $right = $this->x($of->position($between->last));
                if ($this->part->interval && $right > $left) {
                    $marks[] = new Box($left, $this->plot->top, $right - $left, $this->height(), $ink, 0.0, 0.1);
                }
                $marks[] = new Stroke([[$x, $this->plot->top, $x, $this->plot->bottom]], $ink, 1.2, [2.0, 3.0]);
            }
        }

        return $marks === [] ? [] : [new Group('turn', $marks)];
    }

    /** @return list<Group> the course of each line with its bends, before the lines */
    public function courses(): array
    {
        $groups = [];
        foreach ($this->part->course ? $this->turns : [] as $of) {
            if (!$of->isOfShown()) {
                continue;
            }
            $course = [...array_fill(0, $of->position($of->start()), NAN), ...$of->turns->course];
            $pieces = Pieces::of(array_pad($course, $this->plot->to + 1, NAN), $this->plot, $this->scale);
            // A hair on the line that it runs along, with an edge in the colour of the ground to tell it apart.
            $groups[] = new Group('bent-line', [
                new Stroke($pieces, Ink::Sheet, 2.8),
                new Stroke($pieces, Ink::Text, 1.1),
            ]);
        }

        return $groups;
    }

    /** @return list<Group> the dates, above everything */
    public function dates(): array
    {
        $groups = [];
        $type = Type::text(12.5, 600);
        $row = 0;
        foreach ($this->turns as $of) {
            foreach ($of->all() as $turn) {
                $period = $of->period($turn);
                $x = $this->x($of->position($period));
                if ($x < $this->plot->left || $x > $this->plot->right) {
                    continue;
                }
                $text = $turn === $of->last() ? "turns in {$period->label()}" : $period->label();
                $width = $this->measure->width($text, $type);
                $left = $x + 5.0 + $width > $this->plot->right ? $x - 5.0 - $width : $x + 5.0;
                $y = $this->plot->top + 12.0 + 16.0 * ($row++ % self::ROWS);
                $groups[] = new Group('turn-date', [
                    new Box($left - 3.0, $y - 11.5, $width + 6.0, 15.0, Ink::Sheet, 2.0, 0.85),
                    Words::plain($left, $y, $text, $type, Ink::of($of->line, Ink::Text)),
                ]);
            }
        }

        return $groups;
    }

    private function x(int $position): float
    {
        return round($this->plot->x(max($this->plot->from, min($this->plot->to, $position)))) + 0.5;
    }

    private function height(): float
    {
        return $this->plot->bottom - $this->plot->top;
    }
}
