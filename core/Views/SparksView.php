<?php

declare(strict_types=1);

namespace DuskRail\Views;

use DuskRail\Chart\MiniatureComposer;
use DuskRail\Chart\Scene;
use DuskRail\Chart\SparksComposer;
use DuskRail\Chart\TextMeasure;
use DuskRail\Document\Parts\SparksPart;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\SparkTable;

/** A table with a tiny line in each row. */
final readonly class SparksView extends View
{
    public function name(): string
    {
        return 'sparks';
    }

    public function title(): string
    {
        return 'Sparks';
    }

    public function parts(): array
    {
        return [SparksPart::class];
    }

    public function isPicture(): bool
    {
        return false;
    }

    public function isWide(Study $study): bool
    {
        return true;
    }

    public function outcome(Comparison $comparison): SparkTable
    {
        return SparkTable::of($comparison->study, $comparison);
    }

    protected function pagesOf(Comparison $comparison, TextMeasure $measure, float $width, float $height): array
    {
        return (new SparksComposer($measure))->pages($this->outcome($comparison), $width, $height);
    }

    public function miniature(Comparison $comparison, TextMeasure $measure, float $width, float $height): Scene
    {
        return (new MiniatureComposer($measure))->sparks($this->outcome($comparison), $width, $height);
    }

    protected function whole(Comparison $comparison, TextMeasure $measure, float $width, float $height): Scene
    {
        return (new SparksComposer($measure))->compose($this->outcome($comparison), $width);
    }
}
