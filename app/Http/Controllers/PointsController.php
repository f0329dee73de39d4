<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Study;
use App\View\SheetSize;
use DuskRail\Chart\Points;
use DuskRail\Chart\TextMeasure;
use DuskRail\Outcome\Comparison;
use DuskRail\Refusal;
use DuskRail\Views\Views;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Where the pointer reads the picture of a study; fetched when the picture is first pointed at. */
final class PointsController
{
    public function show(Request $request, Study $study, TextMeasure $measure): JsonResponse
    {
        $comparison = Comparison::of($study->document(), $study->data());
        $view = Views::of($comparison->study);
        $size = SheetSize::of($request);
        try {
            $points = $view->isSplit($comparison->study)
                ? Points::ofPanels($view->panels($comparison, $measure, $size->width, $size->height))
                : Points::of($view->picture($comparison, $measure, $size->width, $size->height));
        } catch (Refusal $problem) {
            abort(404, $problem->getMessage());
        }

        $points = Points::forPage($points);

        return response()->json(['x' => $points['x'], 'y' => (object) $points['y']]);
    }
}
