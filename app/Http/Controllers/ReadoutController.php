<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Study;
use DuskRail\Document\Parts\PanelsPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Refusal;
use DuskRail\Views\Views;
use Illuminate\Http\JsonResponse;

/** What the pointer reads from one line, ready to be shown; fetched when a line is first pointed at. */
final class ReadoutController
{
    /** What all panels say at every place. */
    public function index(Study $study): JsonResponse
    {
        $comparison = Comparison::of($study->document(), $study->data());
        $panels = $places = [];
        foreach (self::orNotFound(static fn(): array => Views::of($comparison->study)->facets($comparison)) as $facet) {
            $lineup = $facet->lineup;
            $own = $facet->own;
            for ($i = $lineup->from; $i <= $lineup->to; $i++) {
                $places[$i] ??=
                    $comparison->study->part(PanelsPart::class)->by === 'year'
                        ? explode(' ', $lineup->place($i))[0]
                        : $lineup->place($i);
                if ($own !== null && !is_nan($own->values[$i])) {
                    $panels[$facet->key][$i] = $lineup->format($own->values[$i]);
                }
            }
        }

        return response()->json(['places' => (object) $places, 'panels' => (object) $panels]);
    }

    public function show(Study $study, string $line): JsonResponse
    {
        $comparison = Comparison::of($study->document(), $study->data());
        $view = Views::of($comparison->study);
        $readout = self::orNotFound(static fn(): ?array => $view->readout($comparison, $line));

        return response()->json($readout ?? abort(404, __('The chart does not have this line.')));
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
        } catch (Refusal $problem) {
            abort(404, $problem->getMessage());
        }
    }
}
