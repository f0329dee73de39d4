<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Document\Parts\LookPart;
use DuskRail\Document\Parts\Mark as UserMark;
use DuskRail\Document\Parts\MarksPart;
use DuskRail\Outcome\Lineup;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodAxis;
use DuskRail\Time\PeriodRange;
use DuskRail\Time\UnknownPeriod;

/** Draws what the user marked, each at its place in the data; what is outside of what is shown is not drawn. */
final readonly class MarksPainter
{
    public function __construct(
        private TextMeasure $measure,
        private Lineup $lineup,
        private PlotArea $plot,
        private Scale $scale,
    ) {}

    /** @return list<Group> what is behind the lines */
    public function behind(): array
    {
        $groups = [];
        foreach ($this->lineup->comparison->study->part(MarksPart::class)->marks as $mark) {
            $span = $mark->kind === 'spell' ? $this->span($mark->at, $mark->to) : null;
            if ($span !== null) {
                $groups[] = new Group('spell', [
                    new Box(
                        $span[0],
                        $this->plot->top,
                        $span[1] - $span[0],
                        $this->plot->bottom - $this->plot->top,
                        Ink::Rail,
                        0.0,
                        0.1,
                    ),
                ]);
            }
        }

        return $groups;
    }

    /** @return list<Group> what is before them */
    public function before(): array
    {
        $groups = [];
        $row = 0;
        foreach ($this->lineup->comparison->study->part(MarksPart::class)->marks as $mark) {
            $marks = match ($mark->kind) {
                'event', 'spell' => $this->event($mark->at, $mark->to, $mark->text, $row),
                'value' => $this->value((float) $mark->value, $mark->text),
                'drop', 'point' => $this->pointed($mark),
                default => $this->note($mark),
            };
            if ($marks !== []) {
                $groups[] = new Group('annotation', $marks);
                $row += in_array($mark->kind, ['event', 'spell'], true) ? 1 : 0;
            }
        }

        return $groups;
    }

    /**
     * What is to be reached, along the whole axis and to the last date beyond it: first by everybody, then by those in
     * focus who are to reach something else.
     *
     * @return array<string, array<int, float>> by line, everybody under no name; NAN where nothing is set
     */
    public static function levels(Lineup $lineup): array
    {
        $target = $lineup->summary->part->target;
        if ($target->isNone()) {
            return [];
        }
        $room = ProjectionPainter::room($lineup);
        $along = static fn(string $name): array => $lineup->axis instanceof PeriodAxis
            ? $target->along($name, $lineup->axis, $lineup->from, $lineup->to + $room)
            : array_fill(
                $lineup->from,
                $lineup->to - $lineup->from + 1,
                $target->at($name, $lineup->comparison->axis, $lineup->comparison->to),
            );
        $levels = ['' => $along('')];
        foreach ($lineup->focus() as $line) {
            if ($target->isOwn($line->name)) {
                $levels[$line->key] = $along($line->name);
            }
        }

        return array_filter(
            $levels,
            static fn(array $of): bool => array_filter($of, static fn(float $v): bool => !is_nan($v)) !== [],
        );
    }

    /** @return list<Group> */
    public function targets(): array
    {
        $groups = [];
        $type = Type::text(13, 600);
        foreach (self::levels($this->lineup) as $key => $levels) {
            $line = $this->lineup->line((string) $key);
            $ink = $line === null ? Ink::Rail : Ink::of($line, Ink::Rail);
            [$end, $by, $isThere] = $this->until($line->name ?? '');
            $pieces = $this->stretches($levels, $end, $isThere);
            if ($pieces === []) {
                continue;
            }
            [$left, , $x] = $pieces[count($pieces) - 1];
            $y = $this->scale->at($levels[$end]);
            $text = trim(
                ($line === null ? 'target' : explode(' ', $line->name)[0] . ', target') .
                    " {$this->lineup->format($levels[$end])}{$by}",
            );
            $room = $this->measure->width($text, $type) + 6.0;
            $left = min($left, $this->plot->right - $room - 2.0);
            $groups[] = new Group('target', [
                new Stroke($pieces, $ink, 1.5, [7.0, 4.0]),
                // The date is an end, at which the line is to be there.
                ...$isThere ? [new Stroke([[$x, $y - 7.0, $x, $y + 7.0]], $ink, 2.5)] : [],
                new Box($left + 2.0, $y - 19.0, $room, 17.0, Ink::Sheet, 0, 0.8),
                Words::plain($left + 5.0, $y - 6.0, $text, $type, $ink),
            ]);
        }

        return $groups;
    }

    /**
     * Where a target is one level, as far as the scale has it.
     *
     * @param array<int, float> $levels by position
     * @param int $end last position that it is drawn to
     * @param bool $isEnd whether that is its date, at which it ends, or it goes on to the edge
     * @return list<array{float, float, float, float}> left, y, right, y
     */
    private function stretches(array $levels, int $end, bool $isEnd): array
    {
        $pieces = [];
        $from = $this->plot->from;
        for ($i = $from; $i <= $end; $i++) {
            // One level until the middle between this period and the next.
            if ($i < $end && $levels[$i + 1] === $levels[$i]) {
                continue;
            }
            $y = is_nan($levels[$i]) ? NAN : $this->scale->at($levels[$i]);
            $left = $from === $this->plot->from ? $this->plot->left : $this->plot->x($from) - $this->plot->step() / 2;
            $right = match (true) {
                $i < $end => $this->plot->x($i) + $this->plot->step() / 2,
                $isEnd => $this->plot->x($i),
                default => $this->plot->right,
            };
            if (!is_nan($y)) {
                $pieces[] = [$left, round($y) + 0.5, $right, round($y) + 0.5];
            }
            $from = $i + 1;
        }

        return $pieces;
    }

    /**
     * Position that a target is drawn to, its date in words where that is beyond the data, and whether the picture has
     * room for it.
     *
     * @return array{int, string, bool}
     */
    private function until(string $name): array
    {
        $end = $this->plot->to + $this->plot->after;
        $axis = $this->lineup->axis;
        $dated = $axis instanceof PeriodAxis ? $this->lineup->summary->part->target->dated($name, $axis) : [];
        $last = $dated === [] ? null : $dated[count($dated) - 1];

        return $last === null || $last->position <= $this->plot->to
            ? [$end, '', false]
            : [min($end, $last->position), " by {$last->by->label()}", $last->position <= $end];
    }

    /** @return list<Mark> */
    private function event(string $at, string $to, string $text, int $row): array
    {
        $span = $this->span($at, $to === '' ? $at : $to);
        if ($span === null) {
            return [];
        }
        $x = $to === '' ? round($span[0]) + 0.5 : ($span[0] + $span[1]) / 2;
        $type = Type::text(12.5, 600);
        // Neighbours are one below the other, so that their words do not meet.
        $y = $this->plot->top + 12.0 + 16.0 * ($row % 4);
        $width = $this->measure->width($text, $type);
        $left = max($this->plot->left, min($x - ($to === '' ? -5.0 : $width / 2), $this->plot->right - $width));

        return [
            ...$to === '' ? [new Stroke([[$x, $this->plot->top, $x, $this->plot->bottom]], Ink::Rail, 1.2)] : [],
            ...$text === ''
                ? []
                : [
                    new Box($left - 3.0, $y - 11.5, $width + 6.0, 15.0, Ink::Sheet, 2.0, 0.85),
                    Words::plain($left, $y, $text, $type, Ink::Rail),
                ],
        ];
    }

    /** @return list<Mark> */
    private function value(float $value, string $text): array
    {
        $y = $this->scale->at($value);
        if (is_nan($y) || $y < $this->plot->top || $y > $this->plot->bottom) {
            return [];
        }
        $type = Type::text(12.5, 600);
        $words = trim("{$text} {$this->lineup->format($value)}");
        $width = $this->measure->width($words, $type);

        return [
            new Stroke([[$this->plot->left, round($y) + 0.5, $this->plot->right, round($y) + 0.5]], Ink::Rail, 1.2),
            new Box($this->plot->left + 2.0, $y - 17.0, $width + 6.0, 15.0, Ink::Sheet, 2.0, 0.85),
            Words::plain($this->plot->left + 5.0, $y - 5.0, $words, $type, Ink::Rail),
        ];
    }

    /** @return list<Mark> */
    private function pointed(UserMark $mark): array
    {
        $point = $this->point($mark->line, $mark->at);
        if ($point === null) {
            return [];
        }
        [$x, $y, $value] = $point;
        $drop = $mark->kind === 'drop';
        $words = $drop ? trim("{$mark->text} {$value}") : $mark->text;
        $type = Type::text(12.5, 600);
        $width = $this->measure->width($words, $type);
        $left = max($this->plot->left, min($x - $width / 2, $this->plot->right - $width));

        return [
            ...$drop ? [new Stroke([[$x, $y, $x, $this->plot->bottom]], Ink::Median, 1.2, [3.0, 3.0])] : [],
            ...Shape::at($mark->shape, $x, $y, 4.5 * LookPart::SIZES[$mark->size], Ink::Text),
            ...$words === ''
                ? []
                : [
                    new Box($left - 3.0, $y - 25.0, $width + 6.0, 15.0, Ink::Sheet, 2.0, 0.85),
                    Words::plain($left, $y - 13.0, $words, $type, Ink::Text),
                ],
        ];
    }

    /** @return list<Mark> */
    private function note(UserMark $mark): array
    {
        $point = $this->point($mark->line, $mark->at);
        if ($point === null) {
            return [];
        }
        $text = $mark->text;
        [$x, $y] = $point;
        $type = Type::text(13);
        $width = $this->measure->width($text, $type);
        // Towards the middle of the picture, where there is room, and above unless it is at the top.
        $up = $y - $this->plot->top > 64.0;
        $wordsY = $up ? $y - 46.0 : $y + 56.0;
        $left = max(
            $this->plot->left,
            min(
                $x + ($x > ($this->plot->left + $this->plot->right) / 2 ? -$width - 8.0 : 8.0),
                $this->plot->right - $width,
            ),
        );
        $from = [min(max($x, $left + 6.0), $left + $width - 6.0), $up ? $wordsY + 5.0 : $wordsY - 13.0];
        $angle = atan2($y - $from[1], $x - $from[0]);
        $tip = [$x - 6.0 * cos($angle), $y - 6.0 * sin($angle)];
        $wing = static fn(float $by): array => [$tip[0] - 7.0 * cos($angle + $by), $tip[1] - 7.0 * sin($angle + $by)];

        return [
            ...Shape::at($mark->shape, $x, $y, 4.5 * LookPart::SIZES[$mark->size], Ink::Text),
            new Stroke([[...$from, ...$tip], [...$wing(0.45), ...$tip, ...$wing(-0.45)]], Ink::Text, 1.2),
            new Box($left - 3.0, $wordsY - 12.0, $width + 6.0, 16.0, Ink::Sheet, 2.0, 0.85),
            Words::plain($left, $wordsY, $text, $type, Ink::Text),
        ];
    }

    /** @return array{float, float, string}|null where a point of a line is, and its value in words */
    private function point(string $key, string $at): ?array
    {
        $line = $this->lineup->line($key);
        $position = $this->position($at);
        if (
            $line === null ||
            $position === null ||
            is_nan($line->values[$position]) ||
            is_nan($this->scale->at($line->values[$position]))
        ) {
            return null;
        }

        return [
            $this->plot->x($position),
            $this->scale->at($line->values[$position]),
            $this->lineup->format($line->values[$position]),
        ];
    }

    private function position(string $at): ?int
    {
        $positions = $this->positions($at, $at);

        return $positions === null || $positions[0] < $this->plot->from || $positions[0] > $this->plot->to
            ? null
            : $positions[0];
    }

    /** @return array{float, float}|null left and right edge, as far as shown */
    private function span(string $at, string $to): ?array
    {
        $positions = $this->positions($at, $to);
        if ($positions === null || $positions[1] < $this->plot->from || $positions[0] > $this->plot->to) {
            return null;
        }

        return [
            $this->plot->x(max($positions[0], $this->plot->from)),
            $this->plot->x(min($positions[1], $this->plot->to)),
        ];
    }

    /** @return array{int, int}|null */
    private function positions(string $at, string $to): ?array
    {
        $axis = $this->lineup->axis;
        if (!($axis instanceof PeriodAxis)) {
            return null;
        }
        try {
            return $axis->positions(PeriodRange::between(Period::parse($at), Period::parse($to)));
        } catch (UnknownPeriod) {
            // Marked in periods of another kind, or backwards: it has no place here.
            return null;
        }
    }
}
