<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Study;
use DuskRail\Rail\Working;
use DuskRail\Study\Comparison;
use Illuminate\Contracts\View\View;

/** How one plotted value came about. */
final class WorkingController
{
    public function show(Study $study, string $line, int $position): View
    {
        $comparison = Comparison::of($study->document(), $study->data());
        $found = $comparison->line($line) ?? abort(404, 'The study has no such line.');
        abort_unless(isset($found->values[$position]), 404, 'The line has no such period.');

        return view('study.working', ['working' => Working::of($comparison->run, $comparison->data, $comparison->measure->key, $line, $position)]);
    }
}
