<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Outcome\Lineup;
use DuskRail\Rail\Working;
use DuskRail\Refusal;
use DuskRail\Views\Views;
use Illuminate\Contracts\View\View;

/** How one plotted value came about. */
final class WorkingController
{
    public function show(Study $study, string $line, int $position): View
    {
        $comparison = Comparison::of($study->document(), $study->data());
        $view = Views::of($comparison->study);
        try {
            [$lineup, $more] = [$view->lineup($comparison), $view->working($comparison, $line)];
        } catch (Refusal $problem) {
            abort(404, $problem->getMessage());
        }
        $found = $lineup->line($line) ?? abort(404, __('The study does not have this line.'));
        [$key, $at] = $this->source($lineup, $found, $position);
        [$run, $measure, $entity] = $comparison->traced($key);
        // Of several measures each may have begun at another time.
        $at += $comparison->axis->first - $run->table()->axis->first;
        $isThere = isset($run->table()->series[$entity]->values[$at]);
        abort_unless(
            $isThere || $more !== [],
            404,
            __('The line does not have this period.'),
        );

        $cell = $comparison->cellInWords();

        return view('study.working', [
            'more' => $more,
            'title' => $view->title(),
            'name' => "{$found->name}, {$lineup->when($found, $position)}",
            // A mean of several lines has a working of its own, and none of one line.
            'working' => $isThere ? Working::of($run, $comparison->data, $measure, $entity, $at, $cell) : null,
        ]);
    }

    /** @return array{string, int} */
    private function source(Lineup $lineup, Line $line, int $position): array
    {
        return $lineup->source($line, $position) ?? abort(404, __('The line does not have this period.'));
    }
}
