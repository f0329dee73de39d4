<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Drawing\BriefPdf;
use App\Drawing\ReaderFile;
use App\Maintenance\Bin;
use App\Models\Brief;
use App\Models\Study;
use App\View\BriefPage;
use DuskRail\Chart\TextMeasure;
use DuskRail\Document\ViewCatalogue;
use DuskRail\Outcome\ReaderChoices;
use DuskRail\Refusal;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;

/** Briefs: made, put together, read and handed over. */
final class BriefController
{
    public function store(Request $request): RedirectResponse
    {
        $request->validate(['name' => ['required', 'string', 'max:120']]);

        return redirect()->route('briefs.show', Brief::begin($request->string('name')->trim()->value()));
    }

    public function show(Brief $brief): View
    {
        return view('brief.show', ['brief' => $brief, 'studies' => Study::with('dataset')->orderBy('id')->get()]);
    }

    /** One change of what is in it, or of its name. */
    public function update(Request $request, Brief $brief): RedirectResponse
    {
        $request->validate([
            'name' => ['sometimes', 'string', 'max:120'],
            'text' => ['sometimes', 'string', 'max:4000'],
            'study' => ['sometimes', 'integer', 'exists:studies,id'],
            'block' => ['sometimes', 'integer'],
            'do' => ['sometimes', 'in:up,down,remove'],
            'view' => ['sometimes', 'nullable', Rule::in(array_keys(ViewCatalogue::all()))],
            'controls' => ['sometimes', 'array'],
            'controls.*' => [Rule::in(['', ...array_keys(ReaderChoices::CONTROLS)])],
        ]);
        $block = $request->has('block') ? $brief->blocks()->findOrFail($request->integer('block')) : null;
        match (true) {
            $block !== null && $request->string('do')->value() === 'remove' => $block->delete(),
            $block !== null && $request->has('view') => $block->update([
                'view' => $request->input('view'),
                'split' => null,
            ]),
            $block !== null && $request->has('text') => $block->update([
                'text' => $request->string('text')->trim()->value(),
            ]),
            $block !== null => $brief->move($block, $request->string('do')->value() === 'up' ? -1 : 1),
            $request->has('study') => $brief->add(Study::findOrFail($request->integer('study')), null),
            $request->has('text') => $brief->add(null, $request->string('text')->trim()->value()),
            $request->has('controls') => $brief->update([
                'controls' => array_values(array_filter((array) $request->input('controls'))),
            ]),
            default => $brief->update(['name' => $request->string('name', $brief->name)->trim()->value()]),
        };

        return redirect()->route('briefs.show', $brief);
    }

    public function destroy(Brief $brief): RedirectResponse
    {
        Bin::put($brief);

        return redirect()
            ->route('data.index')
            ->with(
                'message',
                __('The brief “:name” is in the bin for :days days.', ['name' => $brief->name, 'days' => Bin::DAYS]),
            );
    }

    /** For the reader: nothing can be changed here. */
    public function read(Request $request, string $token, TextMeasure $measure): View
    {
        return view('brief.read', ['page' => self::page($request, $token, $measure)]);
    }

    public function pdf(Request $request, string $token, TextMeasure $measure): Response
    {
        $page = self::page($request, $token, $measure);
        $brief = $page->brief;
        $name = Str::slug($brief->name) ?: 'brief';

        return response((new BriefPdf($measure))->content($page, now()->isoFormat('D MMMM YYYY')), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => "attachment; filename=\"{$name}.pdf\"",
        ]);
    }

    /** The same as one file that needs no network. */
    public function file(Request $request, string $token, TextMeasure $measure): Response
    {
        $page = self::page($request, $token, $measure);
        $name = Str::slug($page->brief->name) ?: 'brief';

        try {
            $content = (new ReaderFile($measure))->brief($page, now()->isoFormat('D MMMM YYYY'));
        } catch (Refusal $problem) {
            abort(422, $problem->getMessage());
        }

        return response($content, 200, [
            'Content-Type' => 'text/html; charset=UTF-8',
            'Content-Disposition' => "attachment; filename=\"{$name}.html\"",
        ]);
    }

    private static function page(Request $request, string $token, TextMeasure $measure): BriefPage
    {
        $brief = Brief::where('token', $token)->firstOrFail();

        return BriefPage::of($brief, $measure, ReaderChoices::read($request->query(), $brief->controls ?? []));
    }
}
