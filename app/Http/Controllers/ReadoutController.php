<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Study;
use DuskRail\Study\Comparison;
use DuskRail\Study\Readout;
use Illuminate\Http\JsonResponse;

/** What the pointer reads from one line, ready to be shown; fetched when a line is first pointed at. */
final class ReadoutController
{
    public function show(Study $study, string $line): JsonResponse
    {
        $comparison = Comparison::of($study->document(), $study->data());
        $found = $comparison->line($line) ?? abort(404, 'The study has no such line.');

        return response()->json(Readout::along($comparison, $found));
    }
}
