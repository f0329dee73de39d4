<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Study;
use App\View\RosterRow;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Lineup;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Rows of a long roster, asked for when they are scrolled to. */
final class RosterController
{
    public function show(Request $request, Study $study): JsonResponse
    {
        $comparison = Comparison::of($study->document(), $study->data());
        $lineup = Lineup::of($comparison);
        $asked = array_slice(explode(',', $request->string('lines')->value()), 0, RosterRow::ASKED);
        $rows = [];
        foreach ($comparison->lines as $line) {
            if (in_array($line->key, $asked, true)) {
                $rows[$line->key] = RosterRow::of($lineup, $line);
            }
        }

        return response()->json((object) $rows);
    }
}
