<?php

declare(strict_types=1);

namespace DuskRail\Views;

use DuskRail\Chart\MiniatureComposer;
use DuskRail\Chart\Scene;
use DuskRail\Chart\SparksComposer;
use DuskRail\Chart\TextMeasure;
use DuskRail\Document\Parts\PointsPart;
use DuskRail\Document\Parts\SparksPart;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\SparkTable;
use DuskRail\Outcome\ValueTable;
use DuskRail\Words\SparkColumns;
use DuskRail\Words\TrendWords;

/** A table with a tiny line in each row. */
final readonly class SparksView extends View
{
    public function name(): string
    {
        return 'sparks';
    }

    public function title(): string
    {
        return 'Sparks';
    }

    public function about(): string
    {
        return 'A row per line with change, growth per year, rank and trend.';
    }

    public function hasPeers(): bool
    {
        return true;
    }

    public function parts(): array
    {
        return [SparksPart::class, PointsPart::class];
    }

    public function isPicture(): bool
    {
        return false;
    }

    public function isWide(Study $study): bool
    {
        return true;
    }

    public function outcome(Comparison $comparison): SparkTable
    {
        return SparkTable::of($comparison->study, $comparison);
    }

    protected function pagesOf(Comparison $comparison, TextMeasure $measure, float $width, float $height): array
    {
        return (new SparksComposer($measure))->pages($this->outcome($comparison), $width, $height);
    }

    /** A row for each line, with what the table on screen says of it. */
    public function values(Comparison $comparison): ValueTable
    {
        $table = $this->outcome($comparison);
        $facts = $table->facts();
        $rows = [];
        foreach ($table->groups as $group => $lines) {
            foreach ($lines as $row) {
                $known = $comparison->data->entities()[$row->line->key]->attributes ?? [];
                $rows[] = [
                    $row->line->name,
                    (string) $group,
                    ...array_map(static fn(string $fact): string => (string) ($known[$fact] ?? ''), $facts),
                    $row->line->latest(),
                    $row->course->change,
                    $row->course->growth,
                    $row->rank === null ? NAN : (float) $row->rank,
                    $comparison->verdict($row->course->trend),
                    ...SparkColumns::values($table, $row),
                ];
            }
        }
        $further = array_map(
            static fn(string $head): string => str_starts_with($head, 'Of the ') ? "{$head}, %" : $head,
            SparkColumns::heads($table),
        );
        $heads = ['Name', 'Group', ...$facts, 'Latest', 'Change', 'Growth per year, %', 'Rank', 'Trend', ...$further];

        return new ValueTable($heads, $rows, [
            TrendWords::underTable($comparison),
            ...SparkColumns::notes($table),
            ...ValueTable::unsettled($comparison),
        ]);
    }

    public function miniature(Comparison $comparison, TextMeasure $measure, float $width, float $height): Scene
    {
        return (new MiniatureComposer($measure))->sparks($this->outcome($comparison), $width, $height);
    }

    protected function whole(Comparison $comparison, TextMeasure $measure, float $width, float $height): Scene
    {
        return (new SparksComposer($measure))->compose($this->outcome($comparison), $width);
    }
}
