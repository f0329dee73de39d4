<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\FirstStudy;
use App\Data\RevisionWriter;
use App\Data\StoredData;
use App\Maintenance\Bin;
use App\Models\Dataset;
use App\Models\Study;
use App\View\OpenEditors;
use App\View\SheetSize;
use App\View\StudyScreen;
use DuskRail\Chart\TextMeasure;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final class StudyController
{
    public function store(Request $request, Dataset $dataset): RedirectResponse
    {
        $data = new StoredData($dataset);
        $measure = $request->string('measure')->value();
        abort_unless(isset($data->measures()[$measure]), 422, __('The data set does not have this measure.'));

        return redirect()->route('studies.show', FirstStudy::of($dataset, $data, $measure));
    }

    /** The page; to htmx, which asks again when the window has changed its size, the workspace alone. */
    public function show(Request $request, Study $study, TextMeasure $measure): View
    {
        $screen = StudyScreen::of($study, SheetSize::of($request), $measure, OpenEditors::of($request));

        return view($request->hasHeader('HX-Request') ? 'study.workspace' : 'study.show', ['screen' => $screen]);
    }

    /** Another name, given on the first page. */
    public function update(Request $request, Study $study): RedirectResponse
    {
        $request->validate(
            ['name' => ['required', 'string', 'max:120']],
            ['name.required' => __('Enter a name for the study.')],
        );
        $document = $study->document();
        $name = $request->string('name')->trim()->value();
        if ($name !== $document->name) {
            RevisionWriter::write($study, $document->withName($name), "Rename to “{$name}”");
        }

        return redirect()->route('data.index');
    }

    /** Another study that begins as this one is. */
    public function copy(Study $study): RedirectResponse
    {
        $document = $study->document();
        $copy = RevisionWriter::begin(
            $study->dataset,
            $document->withName(
                RevisionWriter::unusedName($study->dataset, mb_strimwidth($document->name, 0, 110, '…') . ' (copy)'),
            ),
            $study->version,
            $study->described,
        );

        return redirect()->route('data.index')->with('message', __('“:name” was created.', ['name' => $copy->name]));
    }

    public function destroy(Study $study): RedirectResponse
    {
        Bin::put($study);

        return redirect()
            ->route('data.index')
            ->with(
                'message',
                __('The study “:name” is in the bin for :days days.', ['name' => $study->name, 'days' => Bin::DAYS]),
            );
    }
}
