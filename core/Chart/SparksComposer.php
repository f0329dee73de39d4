<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Data\Numerals;
use DuskRail\Document\Parts\PointsPart;
use DuskRail\Document\Parts\SparksPart;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\SparkRow;
use DuskRail\Outcome\SparkTable;
use DuskRail\Words\SparkColumns;
use DuskRail\Words\TrendWords;

/** The rows of the Sparks view as one picture, to hand over. */
final readonly class SparksComposer
{
    private const ROW = 24.0;

    private const CELL = 150.0;

    private const COLUMN = 88.0;

    private const HEADS = 30.0;

    private const FOOT = 26.0;

    private const NOTE = 18.0;

    /** Width of what is known of an entity, where a picture is as wide as this. */
    private const FACT = 118.0;

    private const WIDE = 900.0;

    public function __construct(private TextMeasure $measure) {}

    /** All rows, however high. */
    public function compose(SparkTable $table, float $width): Scene
    {
        return $this->pages($table, $width, INF)[0];
    }

    /**
     * As many pictures as the rows need, each with the headings.
     *
     * @param float $height of one
     * @return non-empty-list<Scene>
     */
    public function pages(SparkTable $table, float $width, float $height): array
    {
        $facts = $width < self::WIDE ? [] : $table->facts();
        $name = $width - self::CELL - count(self::columns($table)) * self::COLUMN;
        $foot = self::FOOT + self::NOTE * count(SparkColumns::notes($table));
        $pages = [];
        $marks = $this->heads($table, $name, $facts);
        $rules = [];
        $y = self::HEADS;
        foreach ($table->groups as $group => $rows) {
            $lines = array_map(static fn(SparkRow $row): array => [$row, $row->line->name], $rows);
            if ($group !== '') {
                array_unshift($lines, [$table->totals[$group] ?? null, (string) $group]);
            }
            foreach ($lines as $i => [$row, $words]) {
                $heads = $group !== '' && $i === 0;
                // The name of a group is not alone at the foot of a page.
                if ($y + self::ROW * ($heads ? 2 : 1) + $foot > $height && $y > self::HEADS) {
                    $pages[] = $this->page($table, $width, $y, $marks, $rules);
                    [$marks, $rules, $y] = [$this->heads($table, $name, $facts), [], self::HEADS];
                }
                $bold = $heads || ($row !== null && $row->line->hue > 0);
                $type = Type::text(13.5, $bold ? 700 : 400);
                $from = $name - self::FACT * count($facts);
                $drawn = $this->row($table, $row, $words, [$y, $from, $name], $type);
                if (!$heads) {
                    $rules[] = [0.0, $y, $width, $y];
                    $drawn = [...$drawn, ...$row === null ? [] : $this->known($table, $row, $facts, $y, $name)];
                }
                array_push($marks, ...$drawn);
                $y += self::ROW;
            }
            $y += 6.0;
        }
        [$together, $high] = self::together($table, $y, $width);
        $pages[] = $this->page($table, $width, $y + $high, [...$marks, ...$together], $rules);

        return $pages;
    }

    /**
     * @param list<string> $facts
     * @return list<Mark>
     */
    private function heads(SparkTable $table, float $name, array $facts): array
    {
        $comparison = $table->comparison;
        $type = Type::text(12.5);
        $of = static fn(int $at): string => $comparison->axis->period($at)->short();
        $time = "{$of($comparison->from)} – {$of(max($comparison->from, $comparison->finished()))}";
        $marks = [Words::plain($name, 18.0, $time, $type, Ink::Quiet)];
        foreach ($facts as $i => $fact) {
            $x = $name - self::FACT * (count($facts) - $i);
            $words = Words::fitting($this->measure, $fact, $type, self::FACT - 10.0);
            $marks[] = Words::plain($x, 18.0, $words, $type, Ink::Quiet);
        }
        foreach (self::columns($table) as $i => $head) {
            $x = $name + self::CELL + ($i + 1) * self::COLUMN - 8.0;
            $marks[] = Words::plain($x, 18.0, $head, $type, Ink::Quiet, 'end');
        }

        return $marks;
    }

    /** @return list<string> heads of the columns of numbers and verdicts */
    private static function columns(SparkTable $table): array
    {
        $in = $table->comparison->precision->unit();
        $of = $in === '' ? '' : ", {$in}";

        return ["Latest{$of}", "Change{$of}", 'Per year', 'Rank', 'Trend', ...SparkColumns::heads($table)];
    }

    /**
     * @param list<Mark> $marks
     * @param list<list<float>> $rules above the rows, drawn in one stroke
     */
    private function page(SparkTable $table, float $width, float $y, array $marks, array $rules): Scene
    {
        array_unshift($marks, ...$rules === [] ? [] : [new Stroke($rules, Ink::Hair, 1.0)]);
        $about = TrendWords::underTable($table->comparison);
        $marks[] = Words::plain(0.0, $y + 14.0, $about, Type::text(12.5), Ink::Quiet);
        foreach (SparkColumns::notes($table) as $note) {
            $y += self::NOTE;
            $words = Words::fitting($this->measure, $note, Type::text(12.5), $width);
            $marks[] = Words::plain(0.0, $y + 14.0, $words, Type::text(12.5), Ink::Quiet);
        }

        return new Scene(
            $width,
            $y + self::FOOT,
            $marks,
            null,
            $table->comparison->measure->name,
            Summary::of(Lineup::of($table->comparison)),
        );
    }

    /**
     * The last row, what all rows come to.
     *
     * @return array{list<Mark>, float} with its height; none where that is not asked for
     */
    private static function together(SparkTable $table, float $y, float $width): array
    {
        $together = SparkColumns::together($table);
        if ($together === null) {
            return [[], 0.0];
        }
        [$name, $texts] = $together;
        $type = Type::text(13.5, 700);
        $marks = [
            new Stroke([[0.0, $y, $width, $y]], Ink::Hair, 1.0),
            Words::plain(0.0, $y + 16.0, $name, $type, Ink::Text),
        ];
        foreach (array_reverse($texts) as $i => $text) {
            $marks[] = Words::plain($width - $i * self::COLUMN - 8.0, $y + 16.0, $text, $type, Ink::Text, 'end');
        }

        return [$marks, self::ROW];
    }

    /** What draws the tiny pictures of a table. */
    public static function cell(SparkTable $table): SparkCell
    {
        $part = $table->comparison->study->part(SparksPart::class);
        $from = $table->comparison->from;
        // A part of a year would look like a fall.
        $to = max($from, $table->comparison->finished());
        $points = $table->comparison->study->part(PointsPart::class);
        $own = new SparkCell($part, $points, $from, $to, null);
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

        return new SparkCell($part, $points, $from, $to, [$low, $high]);
    }

    /**
     * What is known of an entity beside its name.
     *
     * @param list<string> $facts
     * @return list<Mark>
     */
    private function known(SparkTable $table, SparkRow $row, array $facts, float $y, float $name): array
    {
        $known = $table->comparison->data->entities()[$row->line->key]->attributes ?? [];
        $type = Type::text(12.5);
        $marks = [];
        foreach ($facts as $i => $fact) {
            $words = Words::fitting($this->measure, (string) ($known[$fact] ?? ''), $type, self::FACT - 10.0);
            $marks[] = Words::plain($name - self::FACT * (count($facts) - $i), $y + 16.0, $words, $type, Ink::Quiet);
        }

        return $marks;
    }

    /**
     * @param array{float, float, float} $at top of the row, the room for its name, and where its small chart begins
     * @return list<Mark>
     */
    private function row(SparkTable $table, ?SparkRow $row, string $words, array $at, Type $type): array
    {
        [$y, $room, $name] = $at;
        $ink = $row !== null && $row->line->hue > 0 ? Ink::focus($row->line->hue) : Ink::Text;
        $words = Words::fitting($this->measure, $words, $type, $room - 10.0);
        $marks = [Words::plain(0.0, $y + 16.0, $words, $type, $ink)];
        if ($row === null) {
            return $marks;
        }
        $marks[] = new Placed($name, $y, self::cell($table)->marks($row->line, self::CELL - 12.0, self::ROW));
        $precision = $table->comparison->precision;
        foreach (
            [
                $precision->bare($row->line->latest()),
                is_nan($row->course->change) ? '–' : $precision->signed($row->course->change, bare: true),
                is_nan($row->course->growth) ? '–' : Numerals::signed($row->course->growth, 1) . ' %',
                $row->rank === null ? '' : (string) $row->rank,
                $table->comparison->verdict($row->course->trend),
                ...SparkColumns::texts($table, $row),
            ] as $i => $text
        ) {
            $marks[] = Words::plain(
                $name + self::CELL + ($i + 1) * self::COLUMN - 8.0,
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
