<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Outcome\BeforeAfter;

/** What is drawn of an event: when it was, the spans before and after, the levels of both sides and what is between. */
final readonly class SpansPainter
{
    private const GAP = 6.0;

    private const LINE = 17.0;

    /** @param int $start position of the first period since the event */
    public function __construct(
        private TextMeasure $measure,
        private BeforeAfter $found,
        private PlotArea $plot,
        private Scale $scale,
        private int $start,
    ) {}

    public static function typeOf(bool $isBold): Type
    {
        return Type::text(14, $isBold ? 700 : 600);
    }

    /** The spans that are compared, pale. */
    public function spans(): Group
    {
        $boxes = [];
        foreach ($this->edges() as [$left, $right]) {
            $high = $this->plot->bottom - $this->plot->top;
            $boxes[] = new Box($left, $this->plot->top, max(1.0, $right - $left), $high, Ink::Rail, 0.0, 0.07);
        }

        return new Group('spans', $boxes);
    }

    /** @return array{array{float, float}, array{float, float}} left and right edge of the spans before and after */
    private function edges(): array
    {
        $spans = $this->found->spans;
        $edge = fn(int $position): float => max(
            $this->plot->left,
            min($this->plot->right, $this->plot->x($position) - $this->plot->step() / 2.0),
        );
        $before = $spans->before($this->start);
        $after = $spans->after($this->start);

        return [
            [$edge($before), $edge($before + $spans->length)],
            [$edge($after), $edge($after + $spans->length)],
        ];
    }

    /** When it was, and what it is called. */
    public function event(): Group
    {
        $x = round(max($this->plot->left, $this->plot->x($this->start) - $this->plot->step() / 2.0)) + 0.5;
        $type = Type::text(12.5, 600);
        [$before, $after] = $this->edges();
        $marks = [
            new Stroke([[$x, $this->plot->top - 12.0, $x, $this->plot->bottom]], Ink::Rail, 1.2),
            Words::plain($x + 5.0, $this->plot->top - 4.0, $this->found->members->event ?: 'event', $type, Ink::Rail),
        ];
        $free = [
            [$this->plot->left, $x - 6.0],
            [$x + 17.0 + $this->measure->width($this->found->members->event ?: 'event', $type), $this->plot->right],
        ];
        foreach (['before', 'after'] as $i => $word) {
            $half = $this->measure->width($word, Type::text(12.5)) / 2.0;
            [$left, $right] = [$before, $after][$i];
            [$least, $most] = [max($left, $free[$i][0]) + $half, min($right, $free[$i][1]) - $half];
            // Where there is no room for the word, the shade says it.
            if ($least <= $most) {
                $middle = max($least, min($most, ($left + $right) / 2.0));
                $y = $this->plot->top - 4.0;
                $marks[] = Words::plain($middle, $y, $word, Type::text(12.5), Ink::Quiet, 'middle');
            }
        }

        return new Group('event', $marks);
    }

    /** The mean before, the same for both sides, and the means after. */
    public function levels(): Group
    {
        [$before, $after] = $this->edges();
        $result = $this->found->result;

        return new Group('levels', [
            $this->level($before, 0.0, Ink::Text, 2.0),
            $this->level($after, $result->without, Ink::Sheet, 6.0),
            $this->level($after, $result->without, Ink::Quiet, 3.0),
            $this->level($after, $result->with, Ink::Sheet, 6.0),
            $this->level($after, $result->with, $this->ink(), 3.0),
        ]);
    }

    /** @param array{float, float} $span left and right edge */
    private function level(array $span, float $value, Ink $ink, float $width): Stroke
    {
        $y = $this->scale->at($value);

        return new Stroke([[$span[0], $y, $span[1], $y]], $ink, $width);
    }

    private function ink(): Ink
    {
        return Ink::focus($this->found->hue());
    }

    /**
     * The distance between the two levels, with what each side and the distance are.
     *
     * @param non-empty-list<array{at: float, lines: non-empty-list<string>, ink: Ink, isBold: bool}> $ends from the
     *     highest
     */
    public function difference(array $ends, float $width): Group
    {
        $result = $this->found->result;
        [$with, $without] = [$this->scale->at($result->with), $this->scale->at($result->without)];
        $end = $this->edges()[1][1];
        $x = $this->plot->right + 10.0;
        $marks = [
            // From the levels to where their words are.
            new Stroke([[$end, $with, $x, $with]], $this->ink(), 1.0, [2.0, 3.0]),
            new Stroke([[$end, $without, $x, $without]], Ink::Quiet, 1.0, [2.0, 3.0]),
            new Stroke(
                [
                    [$x, $with, $x, $without],
                    [$x - 4.0, $with, $x + 4.0, $with],
                    [$x - 4.0, $without, $x + 4.0, $without],
                ],
                Ink::Text,
                1.4,
            ),
        ];
        $tops = $this->tops($ends);
        foreach ($ends as $i => $end) {
            $type = self::typeOf($end['isBold']);
            foreach ($end['lines'] as $n => $line) {
                $marks[] = Words::plain(
                    $x + 14.0,
                    $tops[$i] + self::LINE * ($n + 1) - 4.0,
                    Words::fitting($this->measure, $line, $type, $width - $x - 14.0),
                    $type,
                    $end['ink'],
                );
            }
        }

        return new Group('difference', $marks);
    }

    /**
     * Where the words begin: beside what they are of, none over another, and within the picture.
     *
     * @param non-empty-list<array{at: float, lines: non-empty-list<string>, ink: Ink, isBold: bool}> $ends
     * @return non-empty-list<float>
     */
    private function tops(array $ends): array
    {
        $tops = [];
        $free = -INF;
        foreach ($ends as $end) {
            $high = self::LINE * count($end['lines']);
            $tops[] = max($free, $this->scale->at($end['at']) - $high / 2.0);
            $free = $tops[count($tops) - 1] + $high + self::GAP;
        }
        // The middle one stays in the middle: what was pushed down is shared by both.
        $lowest = $this->scale->at($ends[count($ends) - 1]['at']);
        $pushed = ($free - self::GAP - $lowest - self::LINE) / 2.0;
        $up = max(0.0, $pushed, $free - self::GAP - $this->plot->bottom);

        return array_map(static fn(float $top): float => $top - $up, $tops);
    }
}
