<?php

declare(strict_types=1);

namespace Tests\Own;

use DuskRail\Chart\Dot;
use DuskRail\Chart\Group;
use DuskRail\Chart\Ink;
use DuskRail\Chart\Scene;
use DuskRail\Chart\TextMeasure;
use DuskRail\Chart\Type;
use DuskRail\Chart\Words;
use DuskRail\Document\Parts\LabelsPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Views\View;

/** A view that the program does not have: the latest value of each line, a dot in a row. */
final readonly class LatestView extends View
{
    public function name(): string
    {
        return 'latest-dots';
    }

    public function title(): string
    {
        return 'Latest';
    }

    public function parts(): array
    {
        return [LabelsPart::class];
    }

    protected function headline(Comparison $comparison): string
    {
        return count($comparison->present()) . ' lines as they stand';
    }

    protected function whole(Comparison $comparison, TextMeasure $measure, float $width, float $height): Scene
    {
        $marks = [];
        $lineup = $this->lineup($comparison);
        foreach ($lineup->present() as $n => $line) {
            $y = 20.0 + 30.0 * $n;
            $text = "{$line->name} {$lineup->format($line->latest())}";
            $marks[] = new Group('series', [
                new Dot(12.0, $y, 5.0, Ink::of($line, Ink::Peer)),
                Words::plain(24.0, $y + 4.0, $text, Type::text(13), Ink::Text),
            ]);
        }

        return new Scene($width, $height, $marks, null, 'Latest values', "{$width} by {$height}");
    }
}
