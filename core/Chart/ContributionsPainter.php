<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Outcome\Contributed;
use DuskRail\Outcome\ContributionRow;
use DuskRail\Outcome\Whole;
use DuskRail\Words\ContributionWords;

/** What is drawn of contributions: the whole at both ends, a bar for each row with its words, columns and the key. */
final readonly class ContributionsPainter
{
    private const BAR = 30.0;

    private const GAP = 8.0;

    public const KEY_LINE = 20.0;

    /** Pixels of the thinnest lane that is drawn by itself. */
    private const THINNEST = 1.0;

    /**
     * @param float $names right end of the names
     * @param float $right right end of the numbers beside bars
     * @param list<float> $columns right ends of the columns beside them
     * @param float $each height of a row
     */
    public function __construct(
        private TextMeasure $measure,
        private Contributed $contributed,
        private ContributionLanes $lanes,
        private Scale $along,
        private Type $type,
        private float $names,
        private float $right,
        private array $columns,
        private float $each,
    ) {}

    /** The colour of a bar: its line's own, else quiet with the change and warm against it. */
    public static function ink(Contributed $contributed, ContributionRow $row): Ink
    {
        if ($row->hue() > 0) {
            return Ink::focus($row->hue());
        }

        return $row->change * $contributed->change() < 0.0 ? Ink::Warn : Ink::Median;
    }

    /** @return array{string, string} heads of the two columns */
    public static function heads(Contributed $contributed): array
    {
        return [
            match ($contributed->whole) {
                Whole::Ratio => 'own rate',
                Whole::Mean => 'own value',
                Whole::Sum => 'own amount',
            },
            'of the ' . ContributionWords::change($contributed),
        ];
    }

    /**
     * Texts at the right ends of the columns.
     *
     * @param array{string, string} $texts
     * @return list<Mark>
     */
    public function columns(array $texts, float $y, bool $isHead): array
    {
        $type = $isHead ? Type::text($this->type->size - 1.0, 600) : $this->type;
        $marks = [];
        foreach ($this->columns as $i => $x) {
            $marks[] = Words::plain($x, $y + 5.0, $texts[$i], $type, Ink::Quiet, 'end');
        }

        return $marks;
    }

    /** Lines down from the one value and up from the other, so that the change is seen as a distance. */
    public function guides(float $top, float $bottom): Group
    {
        $result = $this->contributed->result;
        [$before, $after] = [$this->along->at($result->before), $this->along->at($result->after)];

        return new Group('guides', [
            new Stroke([[$before, $top, $before, $bottom], [$after, $top, $after, $bottom]], Ink::Hair, 1.0),
        ]);
    }

    /** The whole at the beginning, or at the end with the change. */
    public function end(bool $isLast, float $y): Group
    {
        $result = $this->contributed->result;
        $value = $isLast ? $result->after : $result->before;
        $x = $this->along->at($value);
        $bold = Type::text($this->type->size + 2.0, 700);
        $name = Type::text($this->type->size, 700);
        $text = $this->contributed->comparison->format($value);
        if ($isLast) {
            $text .= '  (' . $this->contributed->precision->signed($result->change()) . ')';
        }
        $isLeft = $x + 10.0 + $this->measure->width($text, $bold) > $this->right;
        $words = Words::fitting($this->measure, $this->contributed->ends[(int) $isLast], $name, $this->names);

        return new Group('whole', [
            Words::plain($this->names, $y + 5.0, $words, $name, Ink::Text, 'end'),
            new Stroke([[$x, $y - 11.0, $x, $y + 11.0]], Ink::Text, 3.0),
            Words::plain($isLeft ? $x - 10.0 : $x + 10.0, $y + 5.5, $text, $bold, Ink::Text, $isLeft ? 'end' : 'start')
                ->haloed(),
        ]);
    }

    /** A row, with its bar starting at what the rows above have come to. */
    public function row(ContributionRow $row, float $value, float $y): Group
    {
        $ink = self::ink($this->contributed, $row);
        $isFocus = $row->hue() > 0;
        $name = Type::text($this->type->size, $isFocus ? 700 : 400);
        $number = Type::text($this->type->size, $isFocus ? 700 : 600);
        [$bars, $low, $high] = $this->bars($row, $value, $y, $ink);
        $end = $this->along->at($value + $row->change);
        $foot = $y + $this->high() / 2.0;
        $isDown = $row->change < 0.0;
        $text = $this->contributed->precision->signed($row->change);
        $called = ContributionWords::name($this->contributed, $row);
        $words = Words::fitting($this->measure, $called, $name, $this->names);
        $comparison = $this->contributed->comparison;
        $position = max(0, $comparison->reference - $comparison->from);

        return new Group(
            'series',
            [
                ...$bars,
                new Box($end - 0.5, $foot, 1.0, $this->each - $this->high(), Ink::Median),
                Words::plain(
                    $isDown ? $low - self::GAP : $high + self::GAP,
                    $y + 5.0,
                    $text,
                    $number,
                    $isFocus ? $ink : Ink::Text,
                    $isDown ? 'end' : 'start',
                )->haloed(),
                new Group(
                    'name',
                    [Words::plain($this->names, $y + 5.0, $words, $name, $isFocus ? $ink : Ink::Quiet, 'end')],
                    ['line' => $row->key],
                ),
            ],
            ['line' => $row->key, 'name' => $row->name, 'hue' => (string) $row->hue()],
            points: static fn(): array => [
                array_fill(0, $position + 1, $end),
                [...array_fill(0, $position, null), $y],
            ],
        );
    }

    private function high(): float
    {
        return min(self::BAR, $this->each * 0.62);
    }

    /** @return array{list<Box>, float, float} its lanes, and how far they reach */
    private function bars(ContributionRow $row, float $value, float $y, Ink $ink): array
    {
        $lanes = $this->visible($this->lanes->ofRow($row));
        $height = $this->high();
        $top = $y - $height / 2.0;
        $low = $high = $this->along->at($value);
        $bars = [];
        foreach ($lanes as [$length, $strength]) {
            [$a, $b] = [$this->along->at($value), $this->along->at($value + $length)];
            // What is thinner than a pixel would not be seen.
            $wide = max(1.0, abs($b - $a));
            $bars[] = new Box(min($a, $b), $top, $wide, $height / count($lanes), $ink, 0.0, $strength);
            [$low, $high] = [min($low, $a, $b), max($high, $a, $b)];
            $value += $length;
            $top += $height / count($lanes);
        }

        return [$bars, $low, $high];
    }

    /**
     * Without lanes that are thinner than a pixel, where there are others.
     *
     * @param non-empty-list<array{float, float}> $lanes
     * @return non-empty-list<array{float, float}>
     */
    private function visible(array $lanes): array
    {
        $kept = array_filter($lanes, fn(array $lane): bool => abs($lane[0] * $this->along->slope) >= self::THINNEST);
        // What is left out moves the others by less than it.
        return $kept === [] ? [$lanes[0]] : array_values($kept);
    }

    /** What the lanes are, on lines below each other where they do not fit on one. */
    public function key(float $y): Group
    {
        $marks = [];
        $start = $x = $this->columns === [] ? 0.0 : $this->names + 14.0;
        foreach ($this->lanes->names() as [$name, $strength]) {
            $wide = 44.0 + $this->measure->width($name, $this->type);
            if ($x > $start && $x + $wide - 24.0 > $this->right) {
                [$x, $y] = [$start, $y + self::KEY_LINE];
            }
            $marks[] = new Box($x, $y - 9.0, 14.0, 10.0, Ink::Median, 0.0, $strength);
            $marks[] = Words::plain($x + 20.0, $y, $name, $this->type, Ink::Quiet);
            $x += $wide;
        }

        return new Group('key', $marks);
    }

    /** Who is not in it, and what is not taken apart, below all the rest. */
    public function notes(float $y, float $width): Group
    {
        $type = Type::text(12.5);
        $marks = [];
        foreach (ContributionWords::notes($this->contributed) as $note) {
            $words = Words::fitting($this->measure, $note, $type, $width);
            $marks[] = Words::plain(0.0, $y, $words, $type, Ink::Quiet);
            $y += self::KEY_LINE;
        }

        return new Group('notes', $marks);
    }
}
