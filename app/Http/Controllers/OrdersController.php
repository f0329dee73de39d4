<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\OtherOrder;
use Illuminate\Contracts\View\View;

/** What a stop would do before or after its neighbour, for its editor. */
final class OrdersController
{
    public function show(Study $study, string $stop): View
    {
        $comparison = Comparison::of($study->document(), $study->data());
        $line = $comparison->focus()[0] ?? ($comparison->present()[0] ?? null);

        return view('study.orders', [
            'comparison' => $comparison,
            'line' => $line,
            'orders' => $line === null ? [] : OtherOrder::of($comparison, $stop, $line),
        ]);
    }
}
