<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Outcome\BeforeAfter;
use DuskRail\Outcome\EventCourse;
use DuskRail\Outcome\Lineup;
use DuskRail\Words\BeforeAfterWords;

/**
 * The Before and after view: those with an event beside those without, the spans that are compared, the level that each
 * side came to, and the difference between the two.
 */
final readonly class BeforeAfterComposer
{
    private const NARROW = 560.0;

    /** From this width on what is below the picture is in two columns. */
    private const WIDE = 760.0;

    private const ROW = 20.0;

    public function __construct(private TextMeasure $measure) {}

    public function compose(BeforeAfter $found, Lineup $lineup, float $width, float $height): Scene
    {
        $isNarrow = $width < self::NARROW;
        $type = Type::text($isNarrow ? 12.5 : 13.5);
        $checks = BeforeAfterWords::checks($found);
        $foot = $this->foot($checks, BeforeAfterWords::notes($found), $width);
        $bottom = max(160.0, $height - count($foot) * self::ROW - ($foot === [] ? 0.0 : 14.0)) - 34.0;
        $scale = self::scale($found, $lineup, $bottom);
        $ticks = Ticks::on($scale, max(2, (int) (($bottom - 30.0) / 62)));
        $axes = new Axes($this->measure);
        $ends = self::ends($found, $isNarrow);
        $left = $axes->room($ticks, $type);
        $right = $width - $this->room($ends, $width);
        $plot = new PlotArea($left, max($left + 40.0, $right), 30.0, $bottom, $lineup->from, $lineup->to);
        $times = TimeTicks::along(
            $lineup->axis,
            $lineup->from,
            $lineup->to,
            $plot->step(),
            fn(string $text): float => $this->measure->width($text, $type),
        );
        $painter = new LinesPainter($lineup, $plot, $scale);
        $spans = new SpansPainter($this->measure, $found, $plot, $scale, EventCourse::start($found, $lineup));
        $texts = $this->footTexts($foot, $bottom + 54.0);

        return new Scene(
            $width,
            max($height, $bottom + 40.0 + count($foot) * self::ROW),
            [
                $spans->spans(),
                (new BandPainter($painter))->band()->inPlot(),
                $axes->values($ticks, $scale, $plot, $type),
                $axes->places($times, $plot, $type),
                ...array_map(static fn(Group $group): Mark => $group->inPlot(), $painter->lines()),
                $spans->event(),
                $spans->levels(),
                $spans->difference($ends, $width),
                ...$found->isCommon() ? [] : [$this->since($found, $plot, $type)],
                new Group('checks', $texts),
            ],
            $plot,
            $lineup->comparison->measure->name,
            BeforeAfterWords::summary($found, $checks),
            $scale,
        );
    }

    private static function scale(BeforeAfter $found, Lineup $lineup, float $bottom): Scale
    {
        $values = [0.0, $found->result->with, $found->result->without];
        foreach ($lineup->present() as $line) {
            $shown = array_slice($line->values, $lineup->from, $lineup->to - $lineup->from + 1);
            array_push($values, ...array_filter($shown, static fn(float $v): bool => !is_nan($v)));
        }

        return Scale::vertical($values, $bottom, 30.0);
    }

    /**
     * What is written at the right: each side with its change, and the difference between them.
     *
     * @return non-empty-list<array{at: float, lines: non-empty-list<string>, ink: Ink, isBold: bool}> from the highest
     */
    private static function ends(BeforeAfter $found, bool $isNarrow): array
    {
        $result = $found->result;
        $interval = BeforeAfterWords::interval($found);
        $side = static fn(float $change, int $count): string => $isNarrow
            ? BeforeAfterWords::change($found, $change)
            : BeforeAfterWords::side($found, $change, $count);
        $ends = [
            [
                'at' => $result->with,
                'lines' => [BeforeAfterWords::with($found), $side($result->with, $result->countWith)],
                'ink' => Ink::focus($found->hue()),
                'isBold' => true,
            ],
            [
                'at' => ($result->with + $result->without) / 2.0,
                'lines' => [
                    BeforeAfterWords::effect($found),
                    ...$interval === '' ? [] : ["({$interval})"],
                ],
                'ink' => Ink::Text,
                'isBold' => true,
            ],
            [
                'at' => $result->without,
                'lines' => [BeforeAfterWords::without($found), $side($result->without, $result->countWithout)],
                'ink' => Ink::Quiet,
                'isBold' => false,
            ],
        ];

        return $result->with >= $result->without ? $ends : array_reverse($ends);
    }

    /** @param non-empty-list<array{at: float, lines: non-empty-list<string>, ink: Ink, isBold: bool}> $ends */
    private function room(array $ends, float $width): float
    {
        $widest = 0.0;
        foreach ($ends as $end) {
            foreach ($end['lines'] as $line) {
                $widest = max($widest, $this->measure->width($line, SpansPainter::typeOf($end['isBold'])));
            }
        }

        return min($widest + 40.0, $width * 0.36);
    }

    /** What the numbers along the time are, where they count from the event. */
    private function since(BeforeAfter $found, PlotArea $plot, Type $type): Group
    {
        return new Group('time-name', [
            Words::plain(
                $plot->right,
                $plot->bottom + 37.0,
                "{$found->comparison->axis->frequency->noun()}s since the event",
                $type,
                Ink::Quiet,
                'end',
            ),
        ]);
    }

    /**
     * What is below the picture: how far it can be trusted in two columns where there is room, and who is not in it.
     *
     * @param list<array{string, string}> $checks
     * @param list<string> $notes
     * @return list<list<array{float, string, bool}>> rows of texts, each with its place and whether it is a label
     */
    private function foot(array $checks, array $notes, float $width): array
    {
        $columns = $width < self::WIDE ? 1 : 2;
        $each = $width / $columns;
        $label = $width < self::NARROW ? 104.0 : 122.0;
        $rows = $heights = [];
        foreach ($checks as $n => [$name, $text]) {
            $left = ($n % $columns) * $each;
            $top = $heights[$n % $columns] ?? 0;
            $rows[$top][] = [$left, $name, true];
            foreach ($this->broken($text, $each - $label - 12.0) as $k => $piece) {
                $rows[$top + $k][] = [$left + $label, $piece, false];
                $heights[$n % $columns] = $top + $k + 1;
            }
        }
        foreach ($this->broken(implode(' ', $notes), $width) as $piece) {
            $rows[] = $piece === '' ? [] : [[0.0, $piece, false]];
        }
        ksort($rows);

        return array_values(array_filter($rows));
    }

    /** @return non-empty-list<string> a text on as many lines as it needs */
    private function broken(string $text, float $room): array
    {
        $lines = [];
        $line = '';
        foreach (explode(' ', $text) as $word) {
            $longer = trim("{$line} {$word}");
            if ($line !== '' && $this->measure->width($longer, Type::text(12.5)) > $room) {
                $lines[] = $line;
                $longer = $word;
            }
            $line = $longer;
        }

        return [...$lines, $line];
    }

    /**
     * @param list<list<array{float, string, bool}>> $foot
     * @return list<Mark>
     */
    private function footTexts(array $foot, float $y): array
    {
        $marks = [];
        foreach ($foot as $row) {
            foreach ($row as [$x, $text, $isLabel]) {
                $type = Type::text(12.5, $isLabel ? 600 : 400);
                $marks[] = Words::plain($x, $y, $text, $type, $isLabel ? Ink::Quiet : Ink::Text);
            }
            $y += self::ROW;
        }

        return $marks;
    }
}
