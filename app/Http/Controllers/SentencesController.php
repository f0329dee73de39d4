<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Words\Sentences\Sentences;
use Illuminate\Contracts\View\View;

/** What could be said of a study, the most telling first. */
final class SentencesController
{
    private const MOST = 7;

    public function show(Study $study): View
    {
        $comparison = Comparison::of($study->document(), $study->data());

        return view('study.sentences', [
            'study' => $study,
            'comparison' => $comparison,
            'claims' => array_slice(Sentences::of($comparison), 0, self::MOST),
        ]);
    }
}
