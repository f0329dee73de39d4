<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Standing;
use Illuminate\Contracts\View\View;

/** Where the lines in focus are among their peers. */
final class StandingController
{
    public function show(Study $study): View
    {
        $comparison = Comparison::of($study->document(), $study->data());

        return view('study.standing', [
            'study' => $study,
            'comparison' => $comparison,
            'standings' => Standing::of($comparison),
        ]);
    }
}
