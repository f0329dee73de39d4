<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Data\Numerals;
use DuskRail\Document\Parts\SparksPart;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\SparkRow;
use DuskRail\Outcome\SparkTable;

/** The rows of the Sparks view as one picture, to hand over. */
final readonly class SparksComposer
{
    private const ROW = 24.0;

    private const CELL = 150.0;

    public function __construct(private TextMeasure $measure) {}

    public function compose(SparkTable $table, float $width): Scene
    {
        $cell = self::cell($table);
        $type = Type::text(13.5);
        $name = $width - self::CELL - 5 * 88.0;
        $marks = [];
        $y = 18.0;
        foreach (['latest', 'change', 'a year', 'place', 'course'] as $i => $head) {
            $marks[] = Words::plain(
                $name + self::CELL + ($i + 1) * 88.0 - 8.0,
                $y,
                $head,
                Type::text(12.5),
                Ink::Quiet,
                'end',
            );
        }
        $y += 12.0;
        foreach ($table->groups as $group => $rows) {
            if ($group !== '') {
                $marks = [
                    ...$marks,
                    ...$this->row(
                        $table,
                        $table->totals[$group] ?? null,
                        (string) $group,
                        $y,
                        $name,
                        Type::text(13.5, 700),
                    ),
                ];
                $y += self::ROW;
            }
            foreach ($rows as $row) {
                $marks[] = new Stroke([[0.0, $y, $width, $y]], Ink::Hair, 1.0);
                $marks = [
                    ...$marks,
                    ...$this->row(
                        $table,
                        $row,
                        $row->line->name,
                        $y,
                        $name,
                        $row->line->hue > 0 ? Type::text(13.5, 700) : $type,
                    ),
                ];
                $y += self::ROW;
            }
            $y += 6.0;
        }

        return new Scene(
            $width,
            $y + 6.0,
            $marks,
            null,
            $table->comparison->measure->name,
            Summary::of(Lineup::of($table->comparison)),
        );
    }

    /** What draws the tiny pictures of a table. */
    public static function cell(SparkTable $table): SparkCell
    {
        $part = $table->comparison->study->part(SparksPart::class);
        $from = $table->comparison->from;
        // A part of a year would look like a fall.
        $to = max($from, $table->comparison->finished());
        $own = new SparkCell($part, $from, $to, null);
        if ($part->scale === 'own') {
            return $own;
        }
        $low = INF;
        $high = -INF;
        foreach ($table->groups as $rows) {
            foreach ($rows as $row) {
                [$least, $most] = $own->extremes($row->line);
                $low = min($low, $least);
                $high = max($high, $most);
            }
        }

        return new SparkCell($part, $from, $to, [$low, $high]);
    }

    /** @return list<Mark> */
    private function row(SparkTable $table, ?SparkRow $row, string $words, float $y, float $name, Type $type): array
    {
        $ink = $row !== null && $row->line->hue > 0 ? Ink::focus($row->line->hue) : Ink::Text;
        $words = Words::fitting($this->measure, $words, $type, $name - 10.0);
        $marks = [Words::plain(0.0, $y + 16.0, $words, $type, $ink)];
        if ($row === null) {
            return $marks;
        }
        $marks[] = new Placed($name, $y, self::cell($table)->marks($row->line, self::CELL - 12.0, self::ROW));
        $decimals = $table->comparison->decimals;
        foreach (
            [
                Numerals::text($row->line->latest(), $decimals),
                is_nan($row->course->change) ? '–' : Numerals::signed($row->course->change, $decimals),
                is_nan($row->course->growth) ? '–' : Numerals::signed($row->course->growth, 1) . ' %',
                $row->rank === null ? '' : (string) $row->rank,
                $table->comparison->verdict($row->course->trend),
            ]
            as $i => $text
        ) {
            $marks[] = Words::plain(
                $name + self::CELL + ($i + 1) * 88.0 - 8.0,
                $y + 16.0,
                $text,
                Type::text(13.5, $type->weight),
                $i === 4 ? Ink::Quiet : $ink,
                'end',
            );
        }

        return $marks;
    }
}
