<?php

declare(strict_types=1);

namespace DuskRail\Views;

use DuskRail\Chart\LinesComposer;
use DuskRail\Chart\PlotArea;
use DuskRail\Chart\Scene;
use DuskRail\Chart\TextMeasure;
use DuskRail\Data\Better;
use DuskRail\Document\Parts\LabelsPart;
use DuskRail\Document\Parts\LookPart;
use DuskRail\Document\Parts\PointsPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\Ranks;
use DuskRail\Words\AxisName;

/** The rank of each line over time, the first on top. */
final readonly class RanksView extends View
{
    public function name(): string
    {
        return 'ranks';
    }

    public function title(): string
    {
        return 'Ranks';
    }

    public function about(): string
    {
        return 'The rank of each line in every period, the first on top.';
    }

    public function parts(): array
    {
        return [LabelsPart::class, LookPart::class, PointsPart::class];
    }

    public function tools(): array
    {
        return ['labels'];
    }

    public function readsAlongLines(): bool
    {
        return true;
    }

    public function lineup(Comparison $comparison): Lineup
    {
        return $comparison->run->table()->unit->isRank() ? Lineup::of($comparison) : Ranks::of($comparison);
    }

    public function time(Comparison $comparison, ?Scene $picture, TextMeasure $measure, array $size): ?PlotArea
    {
        return $picture === null ? null : $picture->plot?->enlarged($picture->zoom);
    }

    protected function subtitle(Comparison $comparison): string
    {
        $first = $comparison->better() === Better::Lower ? 'lowest' : 'highest';

        return $comparison->run->table()->unit->isRank()
            ? AxisName::of($comparison)
            : AxisName::of($comparison, "rank, 1 is the {$first}{$comparison->peers->chosen->among}");
    }

    protected function whole(Comparison $comparison, TextMeasure $measure, float $width, float $height): Scene
    {
        return (new LinesComposer($measure))->compose($this->lineup($comparison), $width, $height);
    }
}
