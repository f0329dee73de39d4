<?php

declare(strict_types=1);

namespace DuskRail\Views;

use DuskRail\Chart\MiniatureComposer;
use DuskRail\Chart\ScatterComposer;
use DuskRail\Chart\ScatterPanels;
use DuskRail\Chart\Scene;
use DuskRail\Chart\TextMeasure;
use DuskRail\Data\DataSource;
use DuskRail\Data\Series;
use DuskRail\Document\Changes\RailChange;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Parts\PanelsPart;
use DuskRail\Document\Parts\ScatterPart;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Scattered;
use DuskRail\Outcome\ScatterPoint;
use DuskRail\Outcome\ValueTable;
use DuskRail\Words\AxisName;
use DuskRail\Words\SameResultWords;

/** Two measures against each other, a point for each line. */
final readonly class ScatterView extends View
{
    public function name(): string
    {
        return 'scatter';
    }

    public function title(): string
    {
        return 'Scatter';
    }

    public function about(): string
    {
        return 'Two measures of the same entities, each with its own rail.';
    }

    /** A split by something else than groups waits for another view. */
    public function isSplit(Study $study): bool
    {
        return parent::isSplit($study) && $study->part(PanelsPart::class)->by === 'group';
    }

    public function parts(): array
    {
        return [ScatterPart::class, PanelsPart::class];
    }

    public function defaultSplit(): string
    {
        return 'group';
    }

    public function isWide(Study $study): bool
    {
        return true;
    }

    public function tools(): array
    {
        return ['points'];
    }

    public function outcome(Comparison $comparison): Scattered
    {
        return Scattered::of($comparison);
    }

    public function railed(Comparison $comparison): Comparison
    {
        return self::editsHorizontal($comparison->study) ? Scattered::of($comparison)->horizontal : $comparison;
    }

    /** While its horizontal axis is edited, a change of a rail is one of that axis's, and not of the study's own. */
    public function changed(RailChange $change, Study $study, DataSource $data): Study
    {
        if (!self::editsHorizontal($study)) {
            return parent::changed($change, $study, $data);
        }
        $turned = $change->apply(Scattered::turned($study, Comparison::of($study, $data)), $data);
        $refused = $turned->rail->run($data->table($turned->measure), $turned->scope($data))->refused();
        if ($refused !== null) {
            throw InvalidStudy::because((string) $refused->refusal);
        }
        $scatter = $study->part(ScatterPart::class);

        return $study->withPart($scatter->with(['measure' => $turned->measure, 'rail' => $turned->rail]));
    }

    /** A row for each point, or for each step of a path, with both measures and the size. */
    public function values(Comparison $comparison): ValueTable
    {
        $scatter = $this->outcome($comparison);
        $size = $comparison->study->part(ScatterPart::class)->size;
        $sizes = $comparison->data->measures()[$size] ?? null;
        $heads = ['Entity', 'Group', 'Period', AxisName::of($comparison), AxisName::of($scatter->horizontal)];
        $rows = [];
        foreach ($scatter->points as $point) {
            $steps =
                $point->path === []
                    ? [[$point->x, $point->y, $scatter->when]]
                    : array_map(
                        static fn(array $at): array => [$at[0], $at[1], $comparison->axis->period($at[2])->code()],
                        $point->path,
                    );
            foreach ($steps as [$x, $y, $when]) {
                $known = $sizes === null ? NAN : $comparison->data->table($size)->series[$point->line->key] ?? NAN;
                $last = $known instanceof Series ? $known->lastPosition() : null;
                $rows[] = [
                    $point->line->name,
                    $point->line->group,
                    $when,
                    $y,
                    $x,
                    ...$sizes === null
                        ? []
                        : [$known instanceof Series && $last !== null ? $known->values[$last] : NAN],
                ];
            }
        }
        $excluded = array_map(static fn(ScatterPoint $point): string => $point->line->name, $scatter->leftOut);

        return new ValueTable(
            $sizes === null ? $heads : [...$heads, "{$sizes->name}, latest value"],
            $rows,
            array_values(
                array_filter([
                    $excluded === [] ? '' : 'Excluded: ' . implode(', ', $excluded),
                    $scatter->without === []
                        ? ''
                        : 'Only one of the two values available: ' . implode(', ', $scatter->without),
                    ...ValueTable::unsettled($comparison),
                ]),
            ),
        );
    }

    public function readout(Comparison $comparison, string $line): ?array
    {
        $scatter = $this->outcome($comparison);
        foreach ($scatter->points as $point) {
            if ($point->line->key === $line) {
                return $scatter->readout($point);
            }
        }

        return null;
    }

    protected function rows(Comparison $comparison, TextMeasure $measure, float $width, float $height): array
    {
        return (new ScatterPanels($measure))->panels($this->outcome($comparison), $width);
    }

    public function miniature(Comparison $comparison, TextMeasure $measure, float $width, float $height): Scene
    {
        return (new MiniatureComposer($measure))->scatter($this->outcome($comparison), $width, $height);
    }

    protected function whole(Comparison $comparison, TextMeasure $measure, float $width, float $height): Scene
    {
        return (new ScatterComposer($measure))->compose($this->outcome($comparison), $width, $height);
    }

    protected function headline(Comparison $comparison): string
    {
        $scatter = $this->outcome($comparison);
        $same = SameResultWords::of($scatter);
        if ($same !== '') {
            return $same;
        }
        $beyond = $comparison->study->part(ScatterPart::class)->likeness->funnel ? $scatter->beyondChance() : null;
        if ($beyond !== null) {
            $names = implode(', ', array_slice($beyond, 0, 3));

            return match (true) {
                $beyond === [] => "{$comparison->measure->name}: nobody lies outside what chance alone explains",
                count($beyond) > 3 => "{$comparison->measure->name}: " .
                    count($beyond) .
                    ' of ' .
                    count($scatter->points) .
                    ' lie outside what chance alone explains',
                default => "{$comparison->measure->name}: only {$names} " .
                    (count($beyond) === 1 ? 'lies' : 'lie') .
                    ' outside what chance alone explains',
            };
        }

        return "{$comparison->measure->name} against " . mb_strtolower($scatter->horizontal->measure->name);
    }

    protected function subtitle(Comparison $comparison): string
    {
        $along = AxisName::of($this->outcome($comparison)->horizontal);

        $when = $this->outcome($comparison)->when;

        return '↑ ' . AxisName::of($comparison) . "; → {$along}" . ($when === '' ? '' : "; {$when}");
    }

    private static function editsHorizontal(Study $study): bool
    {
        return $study->part(ScatterPart::class)->editing === 'x';
    }
}
