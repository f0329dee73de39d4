<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Proposals\Proposals;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

/** The stops that fit next, for the list of stops; on a study without a stop also beside the rail. */
final class ProposalsController
{
    public function show(Request $request, Study $study): View
    {
        return view('study.proposals', [
            'study' => $study,
            'proposals' => Proposals::of(Comparison::of($study->document(), $study->data())),
            'isOnRail' => $request->boolean('rail'),
        ]);
    }
}
