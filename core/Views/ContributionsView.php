<?php

declare(strict_types=1);

namespace DuskRail\Views;

use DuskRail\Chart\ContributionsComposer;
use DuskRail\Chart\MiniatureComposer;
use DuskRail\Chart\Scene;
use DuskRail\Chart\TextMeasure;
use DuskRail\Document\Parts\ContributionsPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Contributed;
use DuskRail\Outcome\ValueTable;
use DuskRail\Outcome\Whole;
use DuskRail\Statistics\ContributionTerm;
use DuskRail\Words\AxisName;
use DuskRail\Words\ContributionClaims;
use DuskRail\Words\ContributionWords;
use DuskRail\Words\ContributionWorking;

/** Who accounts for the change between two times: from one value to the other, a bar for each. */
final readonly class ContributionsView extends View
{
    public function name(): string
    {
        return 'contributions';
    }

    public function title(): string
    {
        return 'Contributions';
    }

    public function about(): string
    {
        return 'What each line adds to the change between the first and the last time shown.';
    }

    public function parts(): array
    {
        return [ContributionsPart::class];
    }

    public function tools(): array
    {
        return ['bars'];
    }

    public function values(Comparison $comparison): ValueTable
    {
        $contributed = Contributed::of($comparison);
        [$first, $last] = $contributed->ends;
        $terms = ContributionWords::terms($contributed);
        $isWeighed = $contributed->whole === Whole::Ratio;
        $below = $contributed->result->below;
        $rows = [];
        foreach ($contributed->members as $row) {
            $own = $row->of[0];
            $rows[] = [
                $row->name,
                $own->first(),
                $own->last(),
                ...$isWeighed ? [(100.0 * $own->before[1]) / $below[0], (100.0 * $own->after[1]) / $below[1]] : [],
                ...array_map($row->term(...), $terms),
                $row->change,
                $contributed->share($row->change),
            ];
        }
        $rows[] = [
            'Together (' . ContributionWords::whole($contributed) . ')',
            $contributed->result->before,
            $contributed->result->after,
            ...$isWeighed ? [100.0, 100.0] : [],
            ...array_map($contributed->result->term(...), $terms),
            $contributed->change(),
            $contributed->share($contributed->change()),
        ];
        $heads = [
            'Name',
            $first,
            $last,
            ...$isWeighed ? ["Weight {$first}, %", "Weight {$last}, %"] : [],
            ...array_map(
                static fn(ContributionTerm $term): string => ucfirst(ContributionWords::term($contributed, $term)),
                $terms,
            ),
            'Contribution',
            'Share of the ' . ContributionWords::change($contributed) . ', %',
        ];

        return new ValueTable($heads, $rows, [
            ...ContributionWords::notes($contributed),
            ...ValueTable::unsettled($comparison),
        ]);
    }

    public function readout(Comparison $comparison, string $line): ?array
    {
        return $this->readouts($comparison)[$line] ?? null;
    }

    public function working(Comparison $comparison, string $line): array
    {
        $contributed = Contributed::of($comparison);
        $row = $contributed->row($line);

        return $row === null ? [] : ContributionWorking::of($contributed, $row);
    }

    public function readouts(Comparison $comparison): array
    {
        $contributed = Contributed::of($comparison);
        $all = [];
        foreach ($contributed->rows as $row) {
            $all[$row->key] = [
                'name' => $row->name,
                'points' => [$comparison->reference => ContributionWords::bar($contributed, $row)],
            ];
        }

        return $all;
    }

    public function miniature(Comparison $comparison, TextMeasure $measure, float $width, float $height): Scene
    {
        return (new MiniatureComposer($measure))->contributions(Contributed::of($comparison), $width, $height);
    }

    protected function whole(Comparison $comparison, TextMeasure $measure, float $width, float $height): Scene
    {
        return (new ContributionsComposer($measure))->compose(Contributed::of($comparison), $width, $height);
    }

    protected function headline(Comparison $comparison): string
    {
        return ContributionClaims::headline(Contributed::of($comparison));
    }

    protected function subtitle(Comparison $comparison): string
    {
        $contributed = Contributed::of($comparison);

        return AxisName::of($comparison) .
            ', ' .
            ContributionWords::whole($contributed) .
            ', ' .
            ContributionWords::span($contributed);
    }
}
