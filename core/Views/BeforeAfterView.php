<?php

declare(strict_types=1);

namespace DuskRail\Views;

use DuskRail\Chart\BeforeAfterComposer;
use DuskRail\Chart\PlotArea;
use DuskRail\Chart\Scene;
use DuskRail\Chart\TextMeasure;
use DuskRail\Document\Parts\BeforeAfterPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\EventCourse;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\MemberChange;
use DuskRail\Outcome\ValueTable;
use DuskRail\Words\AxisName;
use DuskRail\Words\BeforeAfterWords;

/** What an event did: those with it beside those without, before and after. */
final readonly class BeforeAfterView extends View
{
    public function name(): string
    {
        return 'before-after';
    }

    public function title(): string
    {
        return 'Before and after';
    }

    public function about(): string
    {
        return 'What changed after an event, beside what changed without it.';
    }

    public function parts(): array
    {
        return [BeforeAfterPart::class];
    }

    public function readsAlongLines(): bool
    {
        return true;
    }

    public function lineup(Comparison $comparison): Lineup
    {
        $found = $comparison->effects->beforeAfter();

        return EventCourse::of($found, [BeforeAfterWords::with($found), BeforeAfterWords::without($found)]);
    }

    public function values(Comparison $comparison): ValueTable
    {
        $found = $comparison->effects->beforeAfter();
        $unit = $found->unit()->text();
        $rows = [];
        foreach ([...$found->with, ...$found->without] as $one) {
            $rows[] = self::row($one);
        }
        $result = $found->result;
        $together = [
            [BeforeAfterWords::with($found) . " (mean of {$result->countWith})", $result->with],
            [BeforeAfterWords::without($found) . " (mean of {$result->countWithout})", $result->without],
            ['Difference', $result->effect()],
            ['Difference, 95 % lower', $result->effect() - $result->reach()],
            ['Difference, 95 % upper', $result->effect() + $result->reach()],
        ];
        foreach ($together as [$name, $value]) {
            $rows[] = [$name, '', NAN, NAN, $value];
        }
        $checks = array_map(
            static fn(array $check): string => "{$check[0]}: {$check[1]}.",
            BeforeAfterWords::checks($found),
        );

        return new ValueTable(
            ['Name', 'Event', 'Mean before', 'Mean after', $unit === '' ? 'Change' : "Change, {$unit}"],
            $rows,
            [...$checks, ...BeforeAfterWords::notes($found), ...ValueTable::unsettled($comparison)],
        );
    }

    /** @return list<string|float> */
    private static function row(MemberChange $one): array
    {
        return [$one->line->name, $one->date?->code() ?? '', $one->before, $one->after, $one->change];
    }

    public function working(Comparison $comparison, string $line): array
    {
        return BeforeAfterWords::working($comparison->effects->beforeAfter());
    }

    public function time(Comparison $comparison, ?Scene $picture, TextMeasure $measure, array $size): ?PlotArea
    {
        return $picture === null || !$comparison->effects->beforeAfter()->isCommon()
            ? null
            : $picture->plot?->enlarged($picture->zoom);
    }

    protected function headline(Comparison $comparison): string
    {
        return BeforeAfterWords::headline($comparison->effects->beforeAfter());
    }

    protected function subtitle(Comparison $comparison): string
    {
        return AxisName::of($comparison) . ', ' . BeforeAfterWords::subtitle($comparison->effects->beforeAfter());
    }

    protected function whole(Comparison $comparison, TextMeasure $measure, float $width, float $height): Scene
    {
        $found = $comparison->effects->beforeAfter();

        return (new BeforeAfterComposer($measure))->compose($found, $this->lineup($comparison), $width, $height);
    }
}
