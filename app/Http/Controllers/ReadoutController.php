<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Study;
use DomainException;
use DuskRail\Study\Comparison;
use DuskRail\Study\Facets;
use DuskRail\Study\Line;
use DuskRail\Study\Lineup;
use DuskRail\Study\Readout;
use DuskRail\Study\Scattered;
use DuskRail\Study\Stacked;
use DuskRail\Study\View;
use Illuminate\Http\JsonResponse;

/** What the pointer reads from one line, ready to be shown; fetched when a line is first pointed at. */
final class ReadoutController
{
    /** What all panels say at every place. */
    public function index(Study $study): JsonResponse
    {
        $comparison = Comparison::of($study->document(), $study->data());
        $panels = $places = [];
        foreach (self::orNotFound(static fn(): array => Facets::of($comparison)) as $facet) {
            $lineup = $facet->lineup;
            $own = $facet->own;
            for ($i = $lineup->from; $i <= $lineup->to; $i++) {
                $places[$i] ??= $comparison->study->panels->by === 'year' ? explode(' ', $lineup->place($i))[0] : $lineup->place($i);
                if ($own !== null && ! is_nan($own->values[$i])) {
                    $panels[$facet->key][$i] = $lineup->format($own->values[$i]);
                }
            }
        }

        return response()->json(['places' => (object) $places, 'panels' => (object) $panels]);
    }

    public function show(Study $study, string $line): JsonResponse
    {
        $comparison = Comparison::of($study->document(), $study->data());
        if ($comparison->study->view === View::Scatter) {
            $scatter = self::orNotFound(static fn(): Scattered => Scattered::of($comparison));
            foreach ($scatter->points as $point) {
                if ($point->line->key === $line) {
                    return response()->json($scatter->readout($point));
                }
            }
            abort(404, 'The picture has no such point.');
        }
        $lineup = self::orNotFound(static fn(): Lineup => Lineup::shown($comparison));
        $found = $lineup->line($line) ?? ($comparison->study->view === View::Stack ? self::layer($lineup, $line) : null) ?? abort(404, 'The study has no such line.');

        return response()->json(Readout::along($lineup, $found));
    }

    /** What is stacked need not be a line of the study: the rest. */
    private static function layer(Lineup $lineup, string $key): ?Line
    {
        foreach (self::orNotFound(static fn(): Stacked => Stacked::of($lineup))->layers as $layer) {
            if ($layer->line->key === $key) {
                return $layer->line;
            }
        }

        return null;
    }

    /**
     * @template T
     *
     * @param callable(): T $of
     * @return T
     */
    private static function orNotFound(callable $of): mixed
    {
        try {
            return $of();
        } catch (DomainException $problem) {
            abort(404, $problem->getMessage());
        }
    }
}
