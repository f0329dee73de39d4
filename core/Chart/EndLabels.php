<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Document\LineState;
use DuskRail\Document\Parts\LabelsPart;
use DuskRail\Outcome\Line;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\Outlook;
use DuskRail\Time\PeriodAxis;

/** Name and value at the ends of lines, none over another; each can be moved by hand, and a leader follows it. */
final readonly class EndLabels
{
    /** Up to so many lines each is named at its end; with more, only those in focus, benchmarks and what sums up the others. */
    private const NAME_ALL = 8;

    private const HEIGHT = 20.0;

    /** Of a name with its value below, and from the one to the other. */
    private const HEIGHT_OF_TWO = 36.0;

    private const LINE = 16.0;

    /**
     * @param list<array{key: string, name: string, value: string, at: float, last: int, ink: Ink, type: Type,
     *     width: float, height: float, below: bool}> $ends
     */
    private function __construct(private Lineup $lineup, private array $ends) {}

    /**
     * A name that there is no room for beside its value has it below, where the picture is high enough for all; else
     * it is cut.
     *
     * @param float $room that a name and its value may take, in pixels
     * @param float $height of the picture
     */
    public static function of(
        Lineup $lineup,
        TextMeasure $measure,
        Type $type,
        float $room,
        float $height,
        Scale $scale,
    ): self {
        $ends = self::ends($lineup, $measure, $type, $room, true);
        $fits = array_sum(array_column($ends, 'height')) <= $height / 2;
        $ends = $fits ? $ends : self::ends($lineup, $measure, $type, $room, false);
        $more = $lineup->comparison->study->part(LabelsPart::class)->named === 'fit';

        return new self(
            $lineup,
            $more ? [...$ends, ...self::more($lineup, $measure, $type, $room, $scale, $ends)] : $ends,
        );
    }

    /**
     * Ends of further lines that have room where they are: the highest and the lowest first, then those that are
     * farthest from the middle.
     *
     * @param list<array{key: string, at: float, ...}> $ends that there are
     * @return list<array{key: string, name: string, value: string, at: float, last: int, ink: Ink, type: Type,
     *     width: float, height: float, below: bool}>
     */
    private static function more(
        Lineup $lineup,
        TextMeasure $measure,
        Type $type,
        float $room,
        Scale $scale,
        array $ends,
    ): array {
        $named = array_flip(array_column($ends, 'key'));
        $labels = $lineup->comparison->study->part(LabelsPart::class);
        $lines = array_values(array_filter(
            $lineup->present(),
            static fn(Line $line): bool => !isset($named[$line->key]) &&
                $line->last === $lineup->to &&
                $labels->endOf($line->key) !== 'none' &&
                !is_nan($scale->at($line->end())),
        ));
        $heights = array_map(static fn(Line $line): float => $scale->at($line->end()), $lines);
        $sorted = $heights;
        sort($sorted);
        $middle = $sorted[intdiv(count($sorted), 2)] ?? 0.0;
        uksort($lines, static fn(int $a, int $b): int => abs($heights[$b] - $middle) <=> abs($heights[$a] - $middle));
        $taken = array_map(static fn(array $end): float => $scale->at($end['at']), $ends);
        $more = [];
        foreach ($lines as $n => $line) {
            $near = array_filter($taken, static fn(float $y): bool => abs($y - $heights[$n]) < self::HEIGHT);
            if ($near === []) {
                $taken[] = $heights[$n];
                $ink = Ink::of($line, Ink::Quiet);
                $end = new LineEnd($line->key, self::named($lineup, $line), $line->end(), $lineup->to, $ink);
                $more[] = self::end($end, Type::text($type->size, 400), $lineup, $measure, [$room, false]);
            }
        }

        return $more;
    }

    /**
     * @return list<array{key: string, name: string, value: string, at: float, last: int, ink: Ink, type: Type,
     *     width: float, height: float, below: bool}>
     */
    private static function ends(Lineup $lineup, TextMeasure $measure, Type $type, float $room, bool $below): array
    {
        $labels = $lineup->comparison->study->part(LabelsPart::class);
        $all = count($lineup->present()) <= self::NAME_ALL;
        $ahead = ProjectionPainter::drawn($lineup);
        $ends = [];
        foreach ($lineup->present() as $line) {
            $focus = $line->state === LineState::Focus;
            if (
                $line->last !== null &&
                $labels->endOf($line->key) !== 'none' &&
                ($focus || $line->isBenchmark() || ($all && $lineup->summary->drawsLines))
            ) {
                $weight = $focus && !$line->dashed ? $type : Type::text($type->size, 400);
                $name = self::named($lineup, $line);
                if (isset($ahead[$line->key])) {
                    $ends[] = self::projected($ahead[$line->key], $name, $weight, $lineup, $measure, $room);
                    continue;
                }
                $ends[] = self::end(
                    new LineEnd($line->key, $name, $line->end(), $line->last, Ink::of($line, Ink::Quiet)),
                    $weight,
                    $lineup,
                    $measure,
                    [$room, $below],
                );
            }
        }
        $last =
            $labels->end === 'none' || count($lineup->inState(LineState::Peer)) < 2
                ? null
                : Line::lastOf(
                    $lineup->summary->line,
                    $lineup->from,
                    $lineup->summary->line === [] ? $lineup->from - 1 : $lineup->to,
                );
        if ($last !== null) {
            $summary = $lineup->summary;
            $ends[] = self::end(
                new LineEnd('', $summary->name, $summary->line[$last], $last, Ink::Quiet),
                $type,
                $lineup,
                $measure,
                [$room, $below],
            );
        }

        return $ends;
    }

    /**
     * At the end of a projection: name and latest value, and below them where it leads and by when.
     *
     * @return array{key: string, name: string, value: string, at: float, last: int, ink: Ink, type: Type,
     *     width: float, height: float, below: bool}
     */
    private static function projected(
        Outlook $outlook,
        string $name,
        Type $type,
        Lineup $lineup,
        TextMeasure $measure,
        float $room,
    ): array {
        $labels = $lineup->comparison->study->part(LabelsPart::class);
        $wanted = $labels->endOf($outlook->line->key);
        $end = $outlook->path?->end() ?? $lineup->to;
        $latest = $wanted === 'name' ? '' : " {$lineup->format($outlook->line->latest())}";
        $ofValue = Type::text($type->size, 600);
        $forName = $room - $measure->width($latest, $type);
        $name = trim(Words::fitting($measure, $wanted === 'value' ? '' : $name, $type, $forName) . $latest);
        foreach (ProjectionPainter::inWords($lineup, $outlook) as $value) {
            // The longest that there is room for, or else the shortest.
            if ($measure->width(" {$value}", $ofValue) <= $room) {
                break;
            }
        }
        $value = " {$value}";
        $width = max($measure->width($name, $type), $measure->width($value, $ofValue));

        return [
            'key' => $outlook->line->key,
            'name' => $name,
            'value' => $value,
            'at' => $outlook->leads(),
            'last' => $end,
            'ink' => Ink::of($outlook->line, Ink::Quiet),
            'type' => $type,
            'width' => $width,
            'height' => self::HEIGHT_OF_TWO,
            'below' => true,
        ];
    }

    /** A value of before the period that is spoken of says when it was, or it would be read beside those of now. */
    private static function dated(Lineup $lineup, int $position): string
    {
        $isOfTime = $lineup->axis instanceof PeriodAxis && $lineup->comparison->hasOneNow();

        return $isOfTime && $position < min($lineup->to, $lineup->comparison->reference)
            ? ' (' . $lineup->axis->period($position)->short() . ')'
            : '';
    }

    /** A group says how its members were put together, since their sum and their mean look alike. */
    private static function named(Lineup $lineup, Line $line): string
    {
        $how = $line->isGroup() ? $lineup->comparison->groupInWords($line->key) : '';

        return $how === '' ? $line->name : "{$line->name}, {$how}";
    }

    /** Pixels at the right of the plot. */
    public function room(): float
    {
        $widths = [];
        foreach ($this->ends as $end) {
            if (!isset($this->lineup->comparison->study->part(LabelsPart::class)->placed["{$end['key']}@end"])) {
                $widths[] = $end['width'];
            }
        }

        return $widths === [] ? 18.0 : 26.0 + max($widths);
    }

    /** @return list<Group> */
    public function groups(PlotArea $plot, Scale $scale, float $width, float $height): array
    {
        $placed = $this->lineup->comparison->study->part(LabelsPart::class)->placed;
        // A value outside the limits that were set is named at the edge it left by.
        $points = array_map(
            static fn(array $end): float => max(
                $plot->top,
                min($plot->bottom, is_nan($scale->at($end['at'])) ? $plot->bottom : $scale->at($end['at'])),
            ),
            $this->ends,
        );
        $byThemselves = array_filter(
            $points,
            fn(int $i): bool => !isset($placed["{$this->ends[$i]['key']}@end"]),
            ARRAY_FILTER_USE_KEY,
        );
        $heights = array_column($this->ends, 'height');
        $places = LabelPlacement::column($byThemselves, $heights, 0.0, $height - 26.0);
        $groups = [];
        foreach ($this->ends as $i => $end) {
            $point = [$plot->x($end['last']), $points[$i]];
            $hand = $placed["{$end['key']}@end"] ?? null;
            $isShort = $end['last'] < $plot->to + $plot->after;
            if ($hand === null) {
                [$x, $y] = [$plot->right + 20.0, $places[$i] + ($end['below'] ? -3.0 : 5.0)];
                $leader = [
                    $point[0] + 6.0,
                    $point[1],
                    ...$isShort ? [$plot->right + 4.0, $point[1]] : [],
                    $x - 4.0,
                    $places[$i],
                ];
            } else {
                // However narrow the picture, what was moved stays on it.
                $x = max(0.0, min($point[0] + $hand->x, $width - $end['width']));
                $y = max(14.0, min($point[1] + $hand->y, $height - 4.0 - ($end['below'] ? self::LINE : 0.0)));
                $leader = self::leader($point, $x, $y, $end['width']);
            }
            $groups[] = new Group(
                'end-label',
                [
                    ...$leader === []
                        ? []
                        : [
                            new Stroke(
                                [$leader],
                                Ink::Median,
                                1.0,
                                $hand === null && $isShort ? [2.0, 3.0] : [],
                            ),
                        ],
                    // Among the lines it needs a ground of its own.
                    ...$hand === null
                        ? []
                        : [
                            new Box(
                                $x - 3.0,
                                $y - 14.0,
                                $end['width'] + 6.0,
                                $end['below'] ? 19.0 + self::LINE : 19.0,
                                Ink::Sheet,
                                2.0,
                                0.85,
                            ),
                        ],
                    ...self::words($end, $x, $y),
                ],
                self::facts($end['key'], 'end', $end['last'], $point, $x, $y),
            );
        }

        return $groups;
    }

    /**
     * From a point to the nearest side of words that are elsewhere; nothing where they are beside it.
     *
     * @param array{float, float} $point
     * @return list<float>
     */
    public static function leader(array $point, float $x, float $y, float $width): array
    {
        $to = [max($x - 3.0, min($point[0], $x + $width + 3.0)), max($y - 12.0, min($point[1], $y + 3.0))];
        $far = hypot($to[0] - $point[0], $to[1] - $point[1]);
        if ($far < 14.0) {
            return [];
        }

        return [
            $point[0] + (6.0 * ($to[0] - $point[0])) / $far,
            $point[1] + (6.0 * ($to[1] - $point[1])) / $far,
            ...$to,
        ];
    }

    /**
     * What the pointer needs to move a label: its name, the point it belongs to, and where its words begin.
     *
     * @param array{float, float} $point
     * @return array<string, string>
     */
    public static function facts(string $line, string $period, int $position, array $point, float $x, float $y): array
    {
        $number = static fn(float $v): string => (string) round($v, 1);

        return [
            ...$line === '' ? [] : ['line' => $line],
            'label' => "{$line}@{$period}",
            'position' => (string) $position,
            'at-x' => $number($point[0]),
            'at-y' => $number($point[1]),
            'x' => $number($x),
            'y' => $number($y),
        ];
    }

    /**
     * @param array{key: string, name: string, value: string, at: float, last: int, ink: Ink, type: Type,
     *     width: float, height: float, below: bool} $end
     * @return list<Words>
     */
    private static function words(array $end, float $x, float $y): array
    {
        $name = ['text' => $end['name'], 'ink' => $end['ink'], 'weight' => $end['type']->weight];
        $value = ['text' => $end['value'], 'ink' => $end['ink'], 'weight' => min(600, $end['type']->weight)];

        return $end['below']
            ? [
                Words::runs($x, $y, [$name], $end['type']),
                Words::runs($x, $y + self::LINE, [[...$value, 'text' => trim($end['value'])]], $end['type']),
            ]
            : [Words::runs($x, $y, [$name, $value], $end['type'])];
    }

    /**
     * @param array{float, bool} $room for the words, and whether the value may be below the name
     * @return array{key: string, name: string, value: string, at: float, last: int, ink: Ink, type: Type,
     *     width: float, height: float, below: bool}
     */
    private static function end(LineEnd $end, Type $type, Lineup $lineup, TextMeasure $measure, array $room): array
    {
        [$room, $mayBeBelow] = $room;
        $wanted = $lineup->comparison->study->part(LabelsPart::class)->endOf($end->key);
        $soFar = $lineup->open !== null && $end->position >= $lineup->open ? ' so far' : '';
        $when = self::dated($lineup, $end->position);
        $value = $wanted === 'name' ? '' : " {$lineup->format($end->value)}{$soFar}{$when}";
        $valueWidth = $measure->width($value, Type::text($type->size, 600));
        $name = $wanted === 'value' ? '' : $end->name;
        $below = $mayBeBelow && $name !== '' && $value !== '' && $measure->width($name, $type) + $valueWidth > $room;
        $name = Words::fitting($measure, $name, $type, $below ? $room : $room - $valueWidth);
        $nameWidth = $measure->width($name, $type);

        return [
            'key' => $end->key,
            'name' => $name,
            'value' => $value,
            'at' => $end->value,
            'last' => $end->position,
            'ink' => $end->ink,
            'type' => $type,
            'width' => $below ? max($nameWidth, $valueWidth) : $nameWidth + $valueWidth,
            'height' => $below ? self::HEIGHT_OF_TWO : self::HEIGHT,
            'below' => $below,
        ];
    }
}
