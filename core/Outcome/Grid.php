<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Document\InvalidStudy;
use DuskRail\Document\LineState;
use DuskRail\Document\Parts\FiguresPart;
use DuskRail\Time\UnknownPeriod;

/** The values of a comparison as a table: rows and columns, each with its heading. */
final readonly class Grid
{
    /** More columns than this nobody reads. */
    private const MOST_COLUMNS = 400;

    private const SHADES = 5;

    /**
     * @param list<GridHead> $columns
     * @param list<GridHead> $rows
     * @param list<list<float>> $cells by row
     * @param string $corner what the rows are
     * @param array{float, float} $extremes lowest and highest of all cells
     */
    private function __construct(
        public array $columns,
        public array $rows,
        public array $cells,
        public string $corner,
        private array $extremes,
    ) {}

    /**
     * @throws InvalidStudy|UnknownPeriod when the data do not fit the table that is wanted
     */
    public static function of(Comparison $comparison): self
    {
        $part = $comparison->study->part(FiguresPart::class);
        [$columns, $rows, $cells, $corner] = match ($part->down) {
            'years' => self::years($comparison),
            'lines' => self::turned(self::periods($comparison)),
            default => self::periods($comparison),
        };
        if (count($columns) > self::MOST_COLUMNS) {
            throw InvalidStudy::because(
                count($columns) . ' columns are too many. Show a shorter time, aggregate, or use periods as rows.',
            );
        }
        $keys = array_map(static fn(GridHead $head): string => $head->key, $columns);
        $at = array_search($part->sort, $keys, true);
        $order = array_keys($rows);
        if (is_int($at)) {
            usort($order, static function (int $a, int $b) use ($cells, $at, $part): int {
                [$x, $y] = [$cells[$a][$at], $cells[$b][$at]];

                return is_nan($x) || is_nan($y) ? is_nan($x) <=> is_nan($y) : ($part->downward ? $y <=> $x : $x <=> $y);
            });
        }
        $present = array_filter(array_merge(...$cells ?: [[]]), static fn(float $v): bool => !is_nan($v));

        return new self(
            $columns,
            array_map(static fn(int $i): GridHead => $rows[$i], $order),
            array_map(static fn(int $i): array => $cells[$i], $order),
            $corner,
            $present === [] ? [0.0, 0.0] : [min($present), max($present)],
        );
    }

    /** How dark a cell is shaded, from 1 for the lowest values to 5; 0 for none. */
    public function shade(float $value): int
    {
        [$low, $high] = $this->extremes;

        return is_nan($value) || $high <= $low
            ? 0
            : min(self::SHADES, 1 + (int) floor((($value - $low) / ($high - $low)) * self::SHADES));
    }

    /** @return array{list<GridHead>, list<GridHead>, list<list<float>>, string} columns, rows, cells, corner */
    private static function periods(Comparison $comparison): array
    {
        $lines = array_values(
            array_filter($comparison->sorted(), static fn(Line $line): bool => $line->state !== LineState::Off),
        );
        usort($lines, static fn(Line $a, Line $b): int => ($a->hue ?: 99) <=> ($b->hue ?: 99));
        $columns = array_map(
            static fn(Line $line): GridHead => new GridHead($line->key, $line->name, $line->hue),
            $lines,
        );
        if ($comparison->peerLine !== []) {
            $columns[] = new GridHead(
                '~summary',
                $comparison->peerLineName(),
                0,
                true,
            );
        }
        $rows = $cells = [];
        for ($i = $comparison->to; $i >= $comparison->from; $i--) {
            $period = $comparison->axis->period($i);
            $rows[] = new GridHead($period->code(), $period->short());
            $row = array_map(static fn(Line $line): float => $line->values[$i], $lines);
            $cells[] = $comparison->peerLine === [] ? $row : [...$row, $comparison->peerLine[$i]];
        }

        return [$columns, $rows, $cells, 'Period'];
    }

    /**
     * @param array{list<GridHead>, list<GridHead>, list<list<float>>, string} $grid
     * @return array{list<GridHead>, list<GridHead>, list<list<float>>, string}
     */
    private static function turned(array $grid): array
    {
        [$columns, $rows, $cells] = $grid;
        $turned = [];
        foreach (array_keys($columns) as $at) {
            $turned[] = array_reverse(array_column($cells, $at));
        }

        return [array_reverse($rows), $columns, $turned, 'Line'];
    }

    /** @return array{list<GridHead>, list<GridHead>, list<list<float>>, string} */
    private static function years(Comparison $comparison): array
    {
        $subject = $comparison->subject();
        $line = $subject === null ? null : $comparison->line($subject->key);
        if ($line === null) {
            throw InvalidStudy::because('No line is in focus. Choose one to show its years as rows.');
        }
        $lineup = Overlay::of($comparison, $line);
        $columns = [];
        for ($place = $lineup->from; $place <= $lineup->to; $place++) {
            $columns[] = new GridHead((string) $place, $lineup->place($place));
        }

        return [
            $columns,
            array_map(
                static fn(Line $year): GridHead => new GridHead(
                    $year->key,
                    $year->name,
                    $year->dashed ? 0 : $year->hue,
                ),
                $lineup->lines,
            ),
            array_map(static fn(Line $year): array => $year->values, $lineup->lines),
            $line->name,
        ];
    }
}
