<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/**
 * What lines cover of a plot together. Points are on the edge between two columns of pixels: where in a pixel a point
 * is cannot be seen (see Thinning).
 */
final readonly class PixelCoverage
{
    /** Columns of pixels drawn and left out in turn where periods are incomplete. */
    private const DASH = 5;

    /** Positions that all lines are followed over at a time, so that the columns about them stay close at hand. */
    private const AT_ONCE = 16;

    /** Number of the first column, and how many rows each has. */
    private int $first;

    private int $rows;

    /** @var list<int> edge of columns at which each position is, from the first shown */
    private array $edges;

    /** Edge from which on periods are incomplete. */
    private int $dashed;

    /** @param int|null $open position from which on periods are incomplete, and lines dashed */
    public function __construct(private PlotArea $plot, private Scale $scale, private float $width, ?int $open = null)
    {
        $this->first = (int) round($plot->left) - 1;
        $this->rows = DenseLines::FINE * ((int) ceil($plot->bottom) + 4);
        $edges = [];
        for ($i = $plot->from; $i <= $plot->to; $i++) {
            $edges[] = (int) round($plot->x($i)) - $this->first;
        }
        $this->edges = $edges;
        $this->dashed = $open === null ? PHP_INT_MAX : $edges[max(0, $open - 1 - $plot->from)] ?? PHP_INT_MAX;
    }

    /**
     * @param list<list<float>> $lines values along the whole axis; NAN is a gap
     * @param list<array<int, true>> $absent of each line, positions that are no gaps: it goes on over them
     */
    public function thicket(array $lines, array $absent, Ink $ink): DenseLines
    {
        return new DenseLines(fn(): array => $this->columns($lines, $absent), $ink);
    }

    /**
     * @param list<list<float>> $lines
     * @param list<array<int, true>> $absent
     * @return array<int, list<int>>
     */
    private function columns(array $lines, array $absent): array
    {
        if ($this->scale->log) {
            $lines = array_map(
                static fn(array $values): array => array_map(
                    static fn(float $v): float => $v > 0.0 ? log10($v) : NAN,
                    $values,
                ),
                $lines,
            );
        }
        $columns = [];
        foreach (array_chunk($this->changes($lines, $absent), max(1, $this->rows)) as $column => $changes) {
            $covering = 0;
            $runs = [];
            foreach ($changes as $row => $change) {
                if ($change !== 0) {
                    if ($covering === 0 || $covering + $change === 0) {
                        $runs[] = $row;
                    }
                    $covering += $change;
                }
            }
            if ($runs !== []) {
                $columns[$this->first + $column] = $runs;
            }
        }

        return $columns;
    }

    /**
     * @param list<list<float>> $lines values, or their logarithms
     * @param list<array<int, true>> $absent
     * @return array<int, int> by column and row: how many lines begin to cover here, less those that have ended
     */
    private function changes(array $lines, array $absent): array
    {
        // Heights in parts of a pixel, rounded, of the upper edge of the line.
        $fine = DenseLines::FINE;
        $low = $this->scale->log ? log10($this->scale->low) : $this->scale->low;
        $slope = $fine * $this->scale->slope;
        $origin = $fine * ($this->scale->atLow - $this->width / 2) - $low * $slope + 0.5;
        $thick = max(1, (int) round($fine * $this->width));
        [$edges, $rows, $first, $to, $dashed] = [
            $this->edges,
            $this->rows,
            $this->plot->from,
            $this->plot->to,
            $this->dashed,
        ];
        $lowest = $rows - $thick - 1;
        $changes = array_fill(0, ($edges[$to - $first] + 2) * $rows, 0);
        // Where each line has got to.
        $lasts = array_fill(0, count($lines), NAN);
        $reached = array_fill(0, count($lines), 0);
        for ($from = $first; $from <= $to; $from += self::AT_ONCE) {
            $end = min($to, $from + self::AT_ONCE - 1);
            foreach ($lines as $n => $values) {
                [$last, $edge] = [$lasts[$n], $reached[$n]];
                for ($i = $from; $i <= $end; $i++) {
                    $value = $values[$i];
                    if (is_nan($value)) {
                        if (!isset($absent[$n][$i])) {
                            $last = NAN;
                        }
                        continue;
                    }
                    $y = $origin + $value * $slope;
                    $until = $edges[$i - $first];
                    if (is_nan($last)) {
                        // A line that ends where it begins is a dot as wide as itself.
                        $last = $y;
                        $edge = $until;
                    }
                    $steps = $until - $edge;
                    $rise = $steps > 1 ? ($y - $last) / $steps : $y - $last;
                    $row = (int) $last;
                    do {
                        $last += $rise;
                        $next = (int) $last;
                        if ($next < $row) {
                            $upper = $next;
                            $lower = $row;
                        } else {
                            $upper = $row;
                            $lower = $next;
                        }
                        $row = $next;
                        if ($upper < 0 || $lower > $lowest) {
                            $upper = max(0, min($lowest, $upper));
                            $lower = max(0, min($lowest, $lower));
                        }
                        if ($edge < $dashed || intdiv($edge - $dashed, self::DASH) % 2 === 0) {
                            $at = $edge * $rows + $upper;
                            $changes[$at]++;
                            $at = $edge * $rows + $lower + $thick;
                            $changes[$at]--;
                        }
                        $edge++;
                    } while ($edge < $until);
                    $last = $y;
                    $edge = $until;
                }
                $lasts[$n] = $last;
                $reached[$n] = $edge;
            }
        }

        return $changes;
    }
}
