<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Document\Parts\AxisPart;
use DuskRail\Document\Parts\PanelsPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Facet;
use DuskRail\Outcome\Lineup;

/** Small pictures in rows, on one scale unless it was wanted otherwise, with every other series faint behind each. */
final readonly class PanelsComposer
{
    /** Marks that all panels on one scale share. */
    private const BEHIND = 'behind';

    /** Heading, time axis and gap of a row. */
    private const AROUND = 66.0;

    private const GAPS = ['narrow' => 8.0, 'usual' => 18.0, 'wide' => 32.0];

    /** A panel much narrower than this shows nothing. */
    private const NARROWEST = 170.0;

    public function __construct(private TextMeasure $measure) {}

    /**
     * @param list<Facet> $facets
     * @param PanelContent $content how what is in a panel is drawn
     * @param array{float, float} $size width of the sheet, and the height that one or two rows may fill
     * @return list<Scene> one for each row of panels
     */
    public function rows(Comparison $comparison, array $facets, PanelContent $content, array $size): array
    {
        if ($facets === []) {
            return [];
        }
        $grid = $this->grid($comparison, $facets, $content, $size);
        $rows = [];
        foreach (array_chunk($facets, $grid->columns) as $number => $row) {
            $last = ($number + 1) * $grid->columns >= count($facets);
            $rows[] = $this->row($comparison, $row, $number, $last, $grid, $content);
        }

        return $rows;
    }

    /**
     * Rows of panels below each other in one picture, to hand over.
     *
     * @param list<Scene> $rows
     */
    public static function sheet(Comparison $comparison, array $rows, float $width): Scene
    {
        $marks = $shared = [];
        $y = 0.0;
        foreach ($rows as $row) {
            $marks[] = new Placed(0, $y, $row->marks);
            $shared += $row->shared;
            $y += $row->height;
        }
        $description = Summary::of(Lineup::of($comparison));

        return new Scene($width, $y, $marks, null, $comparison->measure->name, $description, null, $shared);
    }

    /**
     * @param non-empty-list<Facet> $facets
     * @param array{float, float} $size
     */
    private function grid(Comparison $comparison, array $facets, PanelContent $content, array $size): PanelGrid
    {
        [$width, $height] = $size;
        $part = $comparison->study->part(PanelsPart::class);
        $gap = self::GAPS[$part->gap];
        $columns = $this->columns($part, count($facets), $width, $gap);
        $oneScale = $part->scale === 'same' && $part->by !== 'measure';
        $common = $oneScale ? $content->extremes($facets) : null;
        $room = $part->axis === 'range' ? 2.0 : $this->room($facets, $common, $comparison, $content);
        $every = $part->axis === 'every' || ($part->axis === 'edge' && $common === null);
        $inner = ($width - ($every ? $columns * $room : $room) - $gap * ($columns - 1) - 4.0) / $columns;

        return new PanelGrid(
            $width,
            $columns,
            $gap,
            $room,
            $every,
            $inner,
            self::height($inner, (int) ceil(count($facets) / $columns), $height),
            $common,
            $this->half($facets, $part, $comparison->study->part(AxisPart::class)->log),
            $content->hasOthersBehind() &&
                $common !== null &&
                $part->behind &&
                in_array($part->by, ['entity', 'group'], true),
        );
    }

    /** Of the plot of a panel: in proportion to its width, and more where one row or two leave a part of the sheet. */
    private static function height(float $inner, int $rows, float $height): float
    {
        $usual = max(80.0, min(260.0, $inner * 0.62));
        $filling = $rows > 2 ? 0.0 : min(420.0, $inner, $height / $rows - self::AROUND);

        return round(max($usual, $filling));
    }

    /** @return int<1, max> */
    private function columns(PanelsPart $part, int $count, float $width, float $gap): int
    {
        $fitting = max(1, (int) floor(($width + $gap) / (self::NARROWEST + $gap)));
        if ($part->columns > 0) {
            return max(1, min($part->columns, $count, max($fitting, (int) floor($width / 90.0))));
        }
        // Few panels are large; many fill the width, three to six in a row.
        $wanted = match (true) {
            $count <= 3 => $count,
            $count <= 8 => (int) ceil($count / 2),
            $count <= 12 => 4,
            default => 5,
        };

        return max(1, min($wanted, $fitting));
    }

    /**
     * Pixels for the words of the vertical axis.
     *
     * @param non-empty-list<Facet> $facets
     * @param array{float, float}|null $common
     */
    private function room(array $facets, ?array $common, Comparison $comparison, PanelContent $content): float
    {
        $axis = $comparison->study->part(AxisPart::class);
        $rooms = [0.0];
        foreach ($common === null ? $facets : [$facets[0]] as $facet) {
            $scale = $content->scale($facet, $common, null, $axis)->between(100.0, 0.0);
            $rooms[] = (new Axes($this->measure))->room(Ticks::on($scale, 4), Type::text(12));
        }

        return max($rooms);
    }

    /**
     * Half the span that every panel has, where they share it; on a logarithmic axis in decades.
     *
     * @param non-empty-list<Facet> $facets
     */
    private function half(array $facets, PanelsPart $part, bool $log): ?float
    {
        if ($part->scale !== 'span' || $part->by === 'measure') {
            return null;
        }
        $spans = array_map(static function (Facet $facet) use ($log): float {
            [$low, $high] = $log
                ? Scale::logarithms($facet->lineup->extremes()) ?? [0.0, 0.0]
                : $facet->lineup->extremes();

            return $high > $low ? $high - $low : 0.0;
        }, $facets);

        return max($spans) > 0.0 ? max($spans) * 0.54 : 1.0;
    }

    /** @param non-empty-list<Facet> $facets of the row */
    private function row(
        Comparison $comparison,
        array $facets,
        int $number,
        bool $last,
        PanelGrid $grid,
        PanelContent $content,
    ): Scene {
        $part = $comparison->study->part(PanelsPart::class);
        $head = $part->heading === 'above' ? 24.0 : 6.0;
        $times = $last || $part->axis === 'every' || $part->by === 'measure';
        $foot = ($part->heading === 'below' ? 20.0 : 0.0) + ($times ? 26.0 : 8.0);
        $bottom = $head + $grid->height;
        $marks = $shared = [];
        $axes = new Axes($this->measure, $comparison->study->part(AxisPart::class));
        $type = Type::text(12);
        foreach ($facets as $i => $facet) {
            $scale = $content
                ->scale($facet, $grid->common, $grid->half, $comparison->study->part(AxisPart::class))
                ->between($bottom, $head);
            $plot = new PlotArea(
                0.0,
                $grid->inner,
                $head,
                $bottom,
                $facet->lineup->from,
                $facet->lineup->to,
                $facet->before,
                $facet->after,
            );
            $ticks = Ticks::on($scale, max(3, (int) ($grid->height / 34)));
            $worded = $part->axis !== 'range' && ($grid->every || $i === 0);
            if ($grid->othersBehind && $shared === [] && $number === 0) {
                $shared[self::BEHIND] = $this->behind($comparison, $plot, $scale);
            }
            $marks[] = new Placed($grid->left($i), 0.0, [
                new Group(
                    'panel',
                    [
                        $this->ground($part, $plot, $number + $i, $head),
                        $axes->values($ticks, $scale, $plot, $type, $worded),
                        ...$axes->verticals($this->timeTicks($facet->lineup, $plot, $type), $plot),
                        ...$grid->othersBehind ? [new Reused(self::BEHIND)] : [],
                        ...$content->groups($facet, $plot, $scale),
                        ...$times ? [$axes->places($this->timeTicks($facet->lineup, $plot, $type), $plot, $type)] : [],
                        $this->heading($facet, $part, $plot, $bottom + $foot, $scale),
                    ],
                    self::facts($facet, $plot),
                ),
            ]);
        }

        return new Scene($grid->width, $bottom + $foot + ($grid->gap - 8.0), $marks, null, '', '', null, $shared);
    }

    /** @return array<string, string> what the pointer has to know of a panel */
    private static function facts(Facet $facet, PlotArea $plot): array
    {
        return [
            'key' => $facet->key,
            'line' => $facet->own->key ?? $facet->key,
            'name' => $facet->name,
            'step' => (string) round($plot->step(), 4),
            'from' => (string) $plot->from,
            ...$plot->before > 0 ? ['before' => (string) $plot->before] : [],
            'width' => (string) round($plot->right, 1),
            'top' => (string) $plot->top,
            'bottom' => (string) $plot->bottom,
            'hue' => (string) ($facet->own->hue ?? 0),
        ];
    }

    /** @return list<Group> every line that takes part, faintly */
    private function behind(Comparison $comparison, PlotArea $plot, Scale $scale): array
    {
        $strokes = [];
        foreach ($comparison->present() as $line) {
            $strokes[] = new Stroke(Pieces::of($line->values, $plot, $scale, $line->absent), Ink::Hair, 1.0, [], 0.5);
        }

        return [new Group('behind', $strokes)];
    }

    private function ground(PanelsPart $part, PlotArea $plot, int $place, float $head): Group
    {
        $box = static fn(Ink $ink, float $opacity): Box => new Box(
            $plot->left - 4.0,
            $plot->top - 3.0,
            $plot->right - $plot->left + 8.0,
            $plot->bottom - $plot->top + 6.0,
            $ink,
            3.0,
            $opacity,
        );

        return new Group(
            'ground',
            match ($part->ground) {
                'framed' => [
                    $box(Ink::Hair, 1.0),
                    new Box(
                        $plot->left - 3.0,
                        $plot->top - 2.0,
                        $plot->right - $plot->left + 6.0,
                        $plot->bottom - $plot->top + 4.0,
                        Ink::Sheet,
                        2.0,
                    ),
                ],
                'striped' => $place % 2 === 0 ? [$box(Ink::Tint, 0.7)] : [],
                default => [],
            },
        );
    }

    private function heading(Facet $facet, PanelsPart $part, PlotArea $plot, float $floor, Scale $scale): Group
    {
        if ($part->heading === 'off') {
            return new Group('heading', []);
        }
        $y = $part->heading === 'above' ? 15.0 : $floor - 4.0;
        $ink = $facet->own === null ? Ink::Text : Ink::of($facet->own, Ink::Text);
        $latest = $facet->latest();
        $value = is_nan($latest) ? '' : $facet->lineup->format($latest);
        $type = Type::text(13.5, 700);
        $range =
            $part->axis === 'range'
                ? $facet->lineup->format(min($scale->low, $scale->high)) .
                    ' – ' .
                    $facet->lineup->format(max($scale->low, $scale->high))
                : '';
        $room = $plot->right - $plot->left - $this->measure->width("{$value} {$range}", $type) - 8.0;
        $name = Words::fitting($this->measure, $facet->name, $type, $room, 3);

        return new Group('heading', [
            Words::plain($plot->left, $y, $name, $type, $ink),
            ...$value === '' && $range === ''
                ? []
                : [
                    new Group('panel-value', [
                        Words::plain(
                            $plot->right,
                            $y,
                            trim("{$value} {$range}"),
                            Type::text(13.5, 600),
                            $range === '' ? $ink : Ink::Quiet,
                            'end',
                        ),
                    ]),
                ],
        ]);
    }

    /** @return list<TimeTick> */
    private function timeTicks(Lineup $lineup, PlotArea $plot, Type $type): array
    {
        $ticks = TimeTicks::along(
            $lineup->axis,
            $plot->from,
            $plot->to,
            $plot->step(),
            fn(string $text): float => $this->measure->width($text, $type) + 6.0,
        );

        // The year that is said below would need a second row; in small pictures it goes with the first only.
        return array_map(
            static fn(TimeTick $tick): TimeTick => new TimeTick($tick->edge, $tick->centre, $tick->label),
            $ticks,
        );
    }
}
