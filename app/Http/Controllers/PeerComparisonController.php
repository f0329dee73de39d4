<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Words\PeerStatistics;
use Illuminate\Contracts\View\View;

/** The lines in focus among their peers, as a table. */
final class PeerComparisonController
{
    public function show(Study $study): View
    {
        $comparison = Comparison::of($study->document(), $study->data());

        return view('study.peer-comparison', [
            'study' => $study,
            'comparison' => $comparison,
            'comparisons' => PeerComparison::of($comparison),
            'statistics' => PeerStatistics::of($comparison),
        ]);
    }
}
