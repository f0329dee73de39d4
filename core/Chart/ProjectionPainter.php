<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\Parts\ProjectionPart;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\Outlook;
use DuskRail\Outcome\Outlooks;
use DuskRail\Time\PeriodAxis;
use DuskRail\Words\OutlookWords;

/** Draws how the lines in focus would go on: pale and dashed, with the prediction interval as a fan, and named as that. */
final readonly class ProjectionPainter
{
    /** At most so many times as many positions as are shown are added for what is to come. */
    private const MOST = 0.5;

    /** @var array<string, Outlook> */
    private array $drawn;

    public function __construct(
        private TextMeasure $measure,
        private Lineup $lineup,
        private PlotArea $plot,
        private Scale $scale,
    ) {
        $this->drawn = self::drawn($lineup);
    }

    /** @return array<string, Outlook> by line; none where other values than those of the rail, or years, are drawn */
    public static function drawn(Lineup $lineup): array
    {
        return self::isOfRail($lineup) ? Outlooks::shown($lineup->comparison) : [];
    }

    /** How many positions after the last one the picture has room for: to the dates of targets, or as far as is projected. */
    public static function room(Lineup $lineup): int
    {
        if (!self::isOfRail($lineup) || !($lineup->axis instanceof PeriodAxis)) {
            return 0;
        }
        $positions = [$lineup->to];
        $target = $lineup->comparison->study->part(PeersPart::class)->target;
        $names = array_map(static fn($line): string => $line->name, $lineup->focus());
        foreach (['', ...$names] as $name) {
            foreach ($target->dated($name, $lineup->axis) as $due) {
                $positions[] = $due->position;
            }
        }
        foreach (self::drawn($lineup) as $outlook) {
            $positions[] = $outlook->path?->end() ?? $lineup->to;
        }

        return min((int) ceil(self::MOST * ($lineup->to - $lineup->from + 1)), max($positions) - $lineup->to);
    }

    /** @return list<list<float>> values that the scale must hold */
    public static function levels(Lineup $lineup): array
    {
        $isShaded = $lineup->comparison->study->part(ProjectionPart::class)->interval;
        $levels = [];
        foreach (self::drawn($lineup) as $outlook) {
            foreach ($outlook->path->values ?? [] as $position => $value) {
                $reach = $isShaded ? $outlook->path?->reach[$position] ?? 0.0 : 0.0;
                $levels[] = [$value - $reach, $value + $reach];
            }
        }

        return $levels;
    }

    /** @return non-empty-list<string> where a line leads, the longest first: `97 (95 to 99) in Dec 2027`, …, `97` */
    public static function inWords(Lineup $lineup, Outlook $outlook): array
    {
        $isShaded = $lineup->comparison->study->part(ProjectionPart::class)->interval;

        $leads = static fn(bool $all): string => OutlookWords::leads($lineup->comparison, $outlook, $all);
        $when = ' in ' . $lineup->place($outlook->path?->end() ?? $lineup->to);

        return [$leads($isShaded) . $when, $leads(false) . $when, $leads(false)];
    }

    /** @return list<Group> where what is known ends, with the word for what comes after */
    public function behind(): array
    {
        if ($this->drawn === []) {
            return [];
        }
        $type = Type::text(12.5);
        $x = $this->plot->x($this->plot->to);
        $width = $this->measure->width('projection', $type);
        $left = min($x + 5.0, $this->plot->right - $width);

        return [
            new Group('projection-start', [
                new Stroke([[round($x) + 0.5, $this->plot->top, round($x) + 0.5, $this->plot->bottom]], Ink::Hair, 1.0),
                ...$this->plot->right - $x > $width + 8.0
                    ? [
                        new Box($left - 3.0, $this->plot->top - 1.0, $width + 6.0, 16.0, Ink::Sheet, 2.0, 0.85),
                        Words::plain($left, $this->plot->top + 11.0, 'projection', $type, Ink::Quiet),
                    ]
                    : [],
            ]),
        ];
    }

    /** @return list<Group> */
    public function intervals(): array
    {
        $groups = [];
        $isShaded = $this->lineup->comparison->study->part(ProjectionPart::class)->interval;
        foreach ($isShaded ? $this->drawn : [] as $outlook) {
            $upper = $lower = [];
            foreach ($outlook->path->values ?? [] as $position => $value) {
                $reach = $outlook->path?->reach[$position] ?? 0.0;
                [$high, $low] = [$this->scale->at($value + $reach), $this->scale->at($value - $reach)];
                if (!is_nan($high)) {
                    $x = $this->plot->x($position);
                    array_push($upper, $x, $high);
                    // A logarithmic scale has no place for the whole of it.
                    array_unshift($lower, $x, is_nan($low) ? $this->plot->bottom : $low);
                }
            }
            $ink = Ink::of($outlook->line, Ink::Text);
            $groups[] = new Group('projection-interval', [new Area([[...$upper, ...$lower]], $ink, 0.12)]);
        }

        return $groups;
    }

    /** @return list<Group> */
    public function lines(): array
    {
        $groups = [];
        foreach ($this->drawn as $outlook) {
            $piece = [];
            foreach ($outlook->path->values ?? [] as $position => $value) {
                $y = $this->scale->at($value);
                if (!is_nan($y)) {
                    array_push($piece, $this->plot->x($position), $y);
                }
            }
            $ink = Ink::of($outlook->line, Ink::Text);
            $groups[] = new Group('projection', [new Stroke([$piece], $ink, 1.6, [4.0, 4.0])]);
        }

        return $groups;
    }

    private static function isOfRail(Lineup $lineup): bool
    {
        return $lineup->axis instanceof PeriodAxis &&
            $lineup->unit === $lineup->comparison->run->table()->unit &&
            $lineup->comparison->study->view === 'lines';
    }
}
