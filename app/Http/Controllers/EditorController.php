<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Study;
use App\View\Editor;
use App\View\OpenEditors;
use App\View\SheetSize;
use App\View\StudyScreen;
use DuskRail\Chart\TextMeasure;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\View as ViewFacade;

/** What is in an editor of the study page, asked for when it is opened. */
final class EditorController
{
    public function show(Request $request, Study $study, string $id, TextMeasure $measure): View
    {
        $screen = StudyScreen::of($study, SheetSize::of($request), $measure, OpenEditors::of($request));
        $editor = Editor::of($screen, $id);
        abort_if($editor === null, 404, __('The study has no such setting in this view.'));

        return ViewFacade::make($editor->template, ['screen' => $screen, ...$editor->with]);
    }
}
