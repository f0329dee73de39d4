<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use Closure;
use DuskRail\Data\Numerals;
use DuskRail\Document\LineState;
use DuskRail\Document\Parts\LookPart;
use DuskRail\Document\Parts\OwnLook;
use DuskRail\Document\Parts\PointsPart;
use DuskRail\Outcome\Line;
use DuskRail\Outcome\LineRole;
use DuskRail\Outcome\Lineup;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodAxis;
use DuskRail\Time\UnknownPeriod;

/** Draws the lines of a lineup within a plot: quiet ones behind, those in focus in colour before them. */
final readonly class LinesPainter
{
    /** In a thicket of more points than this, nobody can tell half a pixel, and a tenth costs twice the bytes. */
    private const MANY_POINTS = 100_000;

    private LookPart $look;

    /** @var list<float> of all positions shown, along the plot */
    private array $places;

    /** @param float $weight 1 for a whole picture, less for a small one */
    public function __construct(
        public Lineup $lineup,
        public PlotArea $plot,
        public Scale $scale,
        public float $weight = 1.0,
    ) {
        $this->look = $lineup->comparison->study->part(LookPart::class);
        $this->places = $plot->places();
    }

    /** @return list<Group> quiet lines first, then what sums them up, then the focus, the first chosen on top */
    public function lines(): array
    {
        $quiet = $this->lineup->inState(LineState::Peer);
        $width = (count($quiet) > 60 ? 1.0 : 1.3) * $this->weight;
        $grain = count($quiet) * ($this->plot->to - $this->plot->from) > self::MANY_POINTS ? 0.5 : 0.1;
        usort($quiet, static fn(Line $a, Line $b): int => self::depth($a) <=> self::depth($b));
        $benchmarks = array_values(array_filter($quiet, self::isBenchmark(...)));
        $isDrawn = $this->lineup->summary->drawsLines;
        [$groups, $single] = $isDrawn ? $this->thickets($quiet, $width) : [[], $benchmarks];
        foreach ($single as $line) {
            $ink = self::quietInk($line);
            $isWide = $line->tone !== null || self::isBenchmark($line);
            $groups[] = new Group(
                'series',
                [
                    ...$this->hairs($line, $ink),
                    ...$this->strokes($line, $ink, $isWide ? 1.3 * $width : $width, $grain),
                ],
                self::facts($line),
                points: $this->points($line),
            );
        }
        if ($this->lineup->summary->line !== [] && count($quiet) > 1) {
            $absent = $this->everywhereAbsent();
            $groups[] = new Group(
                'median',
                $this->parted(
                    $this->lineup->summary->line,
                    fn(array $values): array => Pieces::of($values, $this->plot, $this->scale, $absent),
                    new Stroke([], Ink::Median, 2.0 * $this->weight),
                ),
            );
        }
        foreach (array_reverse($this->lineup->focus()) as $line) {
            $groups[] = $this->focus($line);
        }

        return $groups;
    }

    /**
     * Lines of one colour that are too many to be told from each other, as one mark.
     *
     * @param list<Line> $quiet
     * @return array{list<Group>, list<Line>} what is drawn so, and the lines that are drawn one by one
     */
    private function thickets(array $quiet, float $width): array
    {
        $isPlain = fn(Line $line): bool => $line->tone === null && !$line->isBenchmark() && $this->dash($line) === [];
        $many = array_values(array_filter($quiet, $isPlain));
        $points = count($many) * ($this->plot->to - $this->plot->from);
        if ($points <= self::MANY_POINTS || $this->look->course !== 'straight' || $this->look->gaps === 'hair') {
            return [[], $quiet];
        }
        $byInk = $groups = [];
        foreach ($many as $line) {
            $byInk[self::quietInk($line)->value][] = $line;
            // It can be pointed at like any other.
            $groups[] = new Group('series', [], self::facts($line), points: $this->points($line));
        }
        $open = $this->lineup->axis instanceof PeriodAxis ? $this->lineup->open : null;
        $cover = new PixelCoverage($this->plot, $this->scale, $width, $open);
        foreach ($byInk as $ink => $lines) {
            $thicket = $cover->thicket(array_column($lines, 'values'), array_column($lines, 'absent'), Ink::from($ink));
            array_unshift($groups, new Group('thicket', [$thicket]));
        }
        $single = array_values(array_filter($quiet, static fn(Line $line): bool => !$isPlain($line)));

        return [$groups, $single];
    }

    private static function quietInk(Line $line): Ink
    {
        return Ink::of($line, match ($line->role) {
            LineRole::Outside => Ink::Hair,
            LineRole::Benchmark => Ink::Median,
            LineRole::Compared => Ink::Peer,
        });
    }

    /** Who is not compared is behind those who are, and a benchmark before them. */
    private static function depth(Line $line): int
    {
        return match ($line->role) {
            LineRole::Outside => 0,
            LineRole::Compared => 1,
            LineRole::Benchmark => 2,
        };
    }

    private static function isBenchmark(Line $line): bool
    {
        return $line->isBenchmark();
    }

    public function focus(Line $line): Group
    {
        $ink = Ink::of($line, Ink::Text);
        $width = $this->look->widthOf($line->key) * $this->weight * ($line->dashed ? 0.8 : 1.0);
        $marks = [
            // An area is read by its size: without zero in the picture it has none.
            ...$this->look->area && !$line->dashed && $this->scale->hasZero() ? [$this->area($line, $ink)] : [],
            ...$this->hairs($line, $ink),
            ...$this->strokes($line, Ink::Sheet, $width + 3.0 * $this->weight),
            ...$this->look->lit === 'all'
                ? $this->strokes($line, $ink, $width)
                : // In its own colour, or the rest would be taken for the line of the peers.
                [...$this->strokes($line, $ink, max(0.8, $width * 0.35)), $this->lit($line, $ink, $width)],
        ];
        $marks = [...$marks, ...$this->markers($line, $ink)];
        foreach ($this->look->points ? array_keys($line->values) : [] as $i) {
            if ($i >= $this->plot->from && $i <= $this->plot->to && !is_nan($this->scale->at($line->values[$i]))) {
                $marks[] = new Dot($this->plot->x($i), $this->scale->at($line->values[$i]), 2.5, $ink);
            }
        }
        if ($line->last !== null && !$line->dashed && !is_nan($this->scale->at($line->end()))) {
            $marks = [
                ...$marks,
                ...Shape::at(
                    $this->look->last,
                    $this->plot->x($line->last),
                    $this->scale->at($line->end()),
                    (1.5 + 3.0 * $this->weight) * $this->look->lastSize(),
                    $ink,
                ),
            ];
        }

        $marks = [...$marks, ...$line->dashed ? [] : $this->telling($line, $ink)];

        return new Group('series', $marks, self::facts($line), points: $this->points($line));
    }

    /** @return list<Group> marks of the first, highest and lowest value, as far as they are wanted */
    public function telling(Line $line, Ink $ink): array
    {
        $part = $this->lineup->comparison->study->part(PointsPart::class);
        $open = $this->lineup->axis instanceof PeriodAxis ? $this->lineup->open : null;
        $radius = 1.5 + 3.0 * $this->weight;

        return (new PointMarks($part, $part->marked))->of(
            $line->values,
            $this->plot,
            $this->scale,
            $ink,
            $radius,
            $open,
        );
    }

    /** @return list<Mark> shapes along the line, far enough apart to be told from each other */
    private function markers(Line $line, Ink $ink): array
    {
        $marker = ($this->look->own[$line->key] ?? new OwnLook())->marker;
        $every = max(1, (int) ceil(14.0 / max($this->plot->step(), 0.01)));
        $marks = [];
        for ($i = $this->plot->to; $marker !== '' && $i >= $this->plot->from; $i -= $every) {
            $x = $this->plot->x($i);
            $y = $this->scale->at($line->values[$i]);
            if (!is_nan($y)) {
                $marks = [...$marks, ...Shape::at($marker, $x, $y, 4.0, $ink)];
            }
        }

        return $marks;
    }

    /** The part of a line that the message is about, in colour. */
    private function lit(Line $line, Ink $ink, float $width): Group
    {
        $values = [];
        foreach ($line->values as $i => $value) {
            $values[] = $this->isLit($i, $value) ? $value : NAN;
        }

        return new Group('lit-part', [
            new Stroke(
                Pieces::of($values, $this->plot, $this->scale, $line->absent, $this->look->course),
                $ink,
                $width,
            ),
        ]);
    }

    private function isLit(int $position, float $value): bool
    {
        $axis = $this->lineup->axis;
        if ($this->look->lit === 'from') {
            try {
                return $this->look->litAt === '' ||
                    !($axis instanceof PeriodAxis) ||
                    $axis->period($position)->firstDay() >= Period::parse($this->look->litAt)->firstDay();
            } catch (UnknownPeriod) {
                return true;
            }
        }
        $level =
            $this->look->litAt === ''
                ? $this->lineup->summary->line[$position] ?? NAN
                : Numerals::read($this->look->litAt) ?? NAN;

        return $this->look->lit === 'above' ? $value > $level : $value < $level;
    }

    /** From the line down to zero. */
    private function area(Line $line, Ink $ink): Area
    {
        $floor = max($this->plot->top, min($this->plot->bottom, $this->scale->at(0.0)));
        $outlines = [];
        foreach (Pieces::of($line->values, $this->plot, $this->scale, $line->absent, $this->look->course) as $piece) {
            $outlines[] = [...$piece, $piece[count($piece) - 2], $floor, $piece[0], $floor];
        }

        return new Area($outlines, $ink, 0.14);
    }

    /** @return list<float> */
    private function dash(Line $line): array
    {
        return self::dashOf(($this->look->own[$line->key] ?? new OwnLook())->dash, $line->dashed, $this->weight);
    }

    /** @return list<float> the dash of a line as it was wanted, or as it comes */
    public static function dashOf(string $wished, bool $dashed, float $weight): array
    {
        return match ($wished) {
            'solid' => [],
            'dashed' => [9.0 * $weight, 6.0 * $weight],
            'dotted' => [0.5, 5.0 * $weight],
            default => $dashed ? [7.0 * $weight, 5.0 * $weight] : [],
        };
    }

    /**
     * A line, and what there is of incomplete periods dashed after it.
     *
     * @return list<Stroke> the finished part last, since that is what the pointer reads first
     */
    public function strokes(Line $line, Ink $ink, float $width, float $grain = 0.1): array
    {
        return $this->parted(
            $line->values,
            fn(array $values): array => Pieces::of(
                $values,
                $this->plot,
                $this->scale,
                $line->absent,
                $this->look->course,
            ),
            new Stroke([], $ink, $width, $this->dash($line), $grain),
        );
    }

    /** @return list<Stroke> what joins a line over its gaps, where that is wanted */
    private function hairs(Line $line, Ink $ink): array
    {
        $hairs = [];
        $pieces =
            $this->look->gaps === 'hair' ? Pieces::of($line->values, $this->plot, $this->scale, $line->absent) : [];
        foreach ($pieces as $n => $piece) {
            if ($n > 0) {
                $hairs[] = [...array_slice($pieces[$n - 1], -2), ...array_slice($piece, 0, 2)];
            }
        }

        return $hairs === [] ? [] : [new Stroke($hairs, $ink, $this->weight, [2.0, 4.0])];
    }

    /**
     * @param list<float> $values
     * @param Closure(list<float>): list<list<float>> $pieces
     * @param Stroke $like in what manner the finished part is drawn
     * @return list<Stroke>
     */
    private function parted(array $values, Closure $pieces, Stroke $like): array
    {
        $open = $this->lineup->axis instanceof PeriodAxis ? $this->lineup->open : null;
        if ($open === null || $open > $this->plot->to || $open <= $this->plot->from) {
            return [$like->along($pieces($values))];
        }
        $rest = $finished = $values;
        for ($i = $this->plot->from; $i <= $this->plot->to; $i++) {
            if ($i >= $open) {
                $finished[$i] = NAN;
            }
            if ($i < $open - 1) {
                $rest[$i] = NAN;
            }
        }

        return [
            new Stroke($pieces(array_values($rest)), $like->ink, $like->width, [5.0, 5.0], $like->grain),
            $like->along($pieces(array_values($finished))),
        ];
    }

    /** @return Closure(): array{list<float>, list<float|null>} where the pointer reads a line */
    public function points(Line $line): Closure
    {
        return self::pointsOf($line->values, $this->plot, $this->scale, $this->places);
    }

    /**
     * @param list<float> $values along the axis
     * @param list<float> $places of all positions shown, along the plot
     * @return Closure(): array{list<float>, list<float|null>}
     */
    public static function pointsOf(array $values, PlotArea $plot, Scale $scale, array $places): Closure
    {
        return static function () use ($values, $plot, $scale, $places): array {
            $y = [];
            for ($i = $plot->from; $i <= $plot->to; $i++) {
                $at = $scale->at($values[$i] ?? NAN);
                $y[] = is_nan($at) ? null : $at;
            }

            return [$places, $y];
        };
    }

    /** @return array<string, string> */
    public static function facts(Line $line): array
    {
        return [
            'line' => $line->key,
            'name' => $line->name,
            'hue' => (string) $line->hue,
            ...$line->tone === null ? [] : ['ink' => $line->ink()],
        ];
    }

    /** @return array<int, true> positions that no line has but leap years */
    public function everywhereAbsent(): array
    {
        $absent = [];
        foreach ($this->lineup->lines as $line) {
            $absent += $line->absent;
        }

        return $absent;
    }
}
