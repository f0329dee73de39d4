<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Document\LineState;
use DuskRail\Document\Parts\Band;
use DuskRail\Document\Parts\LabelsPart;
use DuskRail\Document\Parts\LookPart;
use DuskRail\Document\Parts\OwnLook;
use DuskRail\Outcome\ColourScale;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\Tone;

/**
 * What lines, dashes, markers and bands stand for, each as it is drawn: above the plot, only where no labels say it at
 * the ends of lines. Where lines are coloured by a value, its scale.
 */
final readonly class Key
{
    private const ROW = 21.0;

    private const SAMPLE = 30.0;

    private const GAP = 20.0;

    private const STEP = 17.0;

    /**
     * @var list<list<array{marks: callable(float, float): list<Mark>, text: string, ink: Ink, width: float}>>
     *     entries, row by row
     */
    private array $rows;

    public function __construct(private TextMeasure $measure, private Lineup $lineup, float $room)
    {
        $rows = [];
        $row = [];
        $used = 0.0;
        foreach ($this->entries() as $entry) {
            if ($row !== [] && $used + $entry['width'] > $room - 40.0) {
                $rows[] = $row;
                [$row, $used] = [[], 0.0];
            }
            $row[] = $entry;
            $used += $entry['width'] + self::GAP;
        }
        $this->rows = $row === [] ? $rows : [...$rows, $row];
    }

    public function height(): float
    {
        return self::ROW * count($this->rows);
    }

    public function group(PlotArea $plot): Group
    {
        $marks = [];
        foreach ($this->rows as $i => $row) {
            $x = $plot->left;
            $y = 11.0 + self::ROW * $i;
            foreach ($row as $entry) {
                $marks = [...$marks, ...$entry['marks']($x, $y)];
                $marks[] = Words::plain(
                    $x + $entry['width'] - $this->measure->width($entry['text'], self::type()),
                    $y + 4.5,
                    $entry['text'],
                    self::type(),
                    $entry['ink'],
                );
                $x += $entry['width'] + self::GAP;
            }
        }

        return new Group('key', $marks);
    }

    /** @return list<array{marks: callable(float, float): list<Mark>, text: string, ink: Ink, width: float}> */
    private function entries(): array
    {
        $study = $this->lineup->comparison->study;
        $tones = $this->lineup->comparison->tones;
        $entries = $tones === null ? [] : $this->toneEntries($tones);
        if ($study->part(LabelsPart::class)->end !== 'none') {
            return $entries;
        }
        array_push($entries, ...$this->focusEntries($study->part(LookPart::class)));
        $summary = $this->lineup->summary;
        $quiet = count($this->lineup->inState(LineState::Peer));
        if ($summary->drawsLines && $quiet > 0 && $tones === null) {
            $entries[] = $this->entry(
                $quiet === 1 ? $this->lineup->inState(LineState::Peer)[0]->name : "{$quiet} others",
                Ink::Quiet,
                self::stroke(Ink::Peer, 1.3),
            );
        }
        if ($summary->line !== [] && $quiet > 1) {
            $entries[] = $this->entry($summary->name, Ink::Quiet, self::stroke(Ink::Median, 2.0));
        }
        if ($summary->part->band !== Band::None) {
            $entries[] = $this->entry(
                $summary->part->band->label(),
                Ink::Quiet,
                static fn(float $x, float $y): array => [
                    new Box($x, $y - 6.0, self::SAMPLE, 12.0, Ink::Peer, 0.0, 0.45),
                ],
            );
        }

        return [...$entries, ...$this->levelEntries(), ...$this->openEntries()];
    }

    /** @return list<array{marks: callable(float, float): list<Mark>, text: string, ink: Ink, width: float}> */
    private function toneEntries(ColourScale $tones): array
    {
        $entries = [];
        foreach ($tones->groups as $group => $hue) {
            $entries[] = $this->entry((string) $group, Ink::focus($hue), self::stroke(Ink::focus($hue), 2.4));
        }

        return $entries === [] ? [$this->scale($tones)] : $entries;
    }

    /** @return list<array{marks: callable(float, float): list<Mark>, text: string, ink: Ink, width: float}> */
    private function focusEntries(LookPart $look): array
    {
        $entries = [];
        foreach ($this->lineup->focus() as $line) {
            $own = $look->own[$line->key] ?? new OwnLook();
            $ink = Ink::of($line, Ink::Text);
            $entries[] = $this->entry(
                $line->name,
                $ink,
                static fn(float $x, float $y): array => [
                    new Stroke(
                        [[$x, $y, $x + self::SAMPLE, $y]],
                        $ink,
                        $look->widthOf($line->key),
                        LinesPainter::dashOf($own->dash, $line->dashed, 1.0),
                    ),
                    ...Shape::at($own->marker, $x + self::SAMPLE / 2, $y, 4.0, $ink),
                    ...$line->dashed || $own->marker !== ''
                        ? []
                        : Shape::at($look->last, $x + self::SAMPLE, $y, 4.0 * $look->lastSize(), $ink),
                ],
            );
        }

        return $entries;
    }

    /** @return list<array{marks: callable(float, float): list<Mark>, text: string, ink: Ink, width: float}> */
    private function levelEntries(): array
    {
        $entries = [];
        foreach (array_keys(MarksPainter::levels($this->lineup)) as $key) {
            $line = $this->lineup->line((string) $key);
            $entries[] = $this->entry(
                $line === null ? 'target' : "target of {$line->name}",
                Ink::Quiet,
                self::stroke($line === null ? Ink::Rail : Ink::of($line, Ink::Rail), 1.5, [7.0, 4.0]),
            );
        }

        return $entries;
    }

    /** @return list<array{marks: callable(float, float): list<Mark>, text: string, ink: Ink, width: float}> */
    private function openEntries(): array
    {
        return $this->lineup->open === null || $this->lineup->open > $this->lineup->to
            ? []
            : [$this->entry('incomplete or provisional', Ink::Quiet, self::stroke(Ink::Quiet, 2.0, [5.0, 5.0]))];
    }

    /**
     * @param callable(float, float): list<Mark> $marks
     * @return array{marks: callable(float, float): list<Mark>, text: string, ink: Ink, width: float}
     */
    private function entry(string $text, Ink $ink, callable $marks): array
    {
        return [
            'marks' => $marks,
            'text' => $text,
            'ink' => $ink,
            'width' => self::SAMPLE + 10.0 + $this->measure->width($text, self::type()),
        ];
    }

    /**
     * @param list<float> $dash
     * @return callable(float, float): list<Mark>
     */
    private static function stroke(Ink $ink, float $width, array $dash = []): callable
    {
        return static fn(
            float $x,
            float $y,
        ): array => [new Stroke([[$x, $y, $x + self::SAMPLE, $y]], $ink, $width, $dash)];
    }

    /**
     * The steps of a scale between what its ends stand for, with the middle marked where it has two arms.
     *
     * @return array{marks: callable(float, float): list<Mark>, text: string, ink: Ink, width: float}
     */
    private function scale(ColourScale $tones): array
    {
        $type = self::type();
        $before = "{$tones->name} {$tones->low}";
        $left = $this->measure->width($before, $type) + 8.0;
        $after = $tones->middle === '' ? $tones->high : "{$tones->high}, middle {$tones->middle}";

        return [
            'marks' => static function (float $x, float $y) use ($tones, $before, $left, $type): array {
                $marks = [Words::plain($x, $y + 4.5, $before, $type, Ink::Quiet)];
                for ($step = 1; $step <= Tone::STEPS; $step++) {
                    $marks[] = new Box(
                        $x + $left + self::STEP * ($step - 1),
                        $y - 5.0,
                        self::STEP - 1.0,
                        10.0,
                        Ink::from((new Tone($tones->about, $step))->ink()),
                    );
                }

                return $marks;
            },
            'text' => $after,
            'ink' => Ink::Quiet,
            'width' => $left + self::STEP * Tone::STEPS + 8.0 + $this->measure->width($after, $type),
        ];
    }

    private static function type(): Type
    {
        return Type::text(13);
    }
}
