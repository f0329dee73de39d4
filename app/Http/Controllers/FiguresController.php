<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Study;
use App\View\OpenEditors;
use App\View\SheetSize;
use App\View\StudyScreen;
use DuskRail\Chart\TextMeasure;
use DuskRail\Outcome\Comparison;
use DuskRail\Rail\Rail;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

/** The values as they leave one stop, for whoever wants to see what it does. */
final class FiguresController
{
    public function show(Request $request, Study $study, string $stop, TextMeasure $measure): View
    {
        $document = $study->document();
        $until = [];
        foreach ($stop === 'origin' ? [] : $document->rail->stops as $placed) {
            $until[] = $placed;
            if ($placed->id === $stop) {
                break;
            }
        }
        abort_if($stop !== 'origin' && $document->rail->stop($stop) === null, 404, __('This stop is not on the rail.'));

        return view('study.views.figures', [
            'screen' => StudyScreen::showing(
                Comparison::of($document->withRail(Rail::of(...$until))->withView('figures'), $study->data()),
                $study,
                SheetSize::of($request),
                $measure,
                OpenEditors::none(),
            ),
        ]);
    }
}
