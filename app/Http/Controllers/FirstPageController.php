<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Brief;
use App\Models\Dataset;
use App\Models\Study;
use App\Models\Upload;
use App\View\FirstPage;
use App\View\StudyCard;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Artisan;

/** Where one begins: studies, briefs and data sets, and a place for a file. */
final class FirstPageController
{
    /** The page; to htmx what is found, or the studies that come next. */
    public function show(Request $request): View
    {
        $request->validate(['page' => ['sometimes', 'integer', 'between:1,100000']]);
        $page = FirstPage::of(
            mb_substr($request->string('q')->trim()->value(), 0, 100),
            $request->integer('dataset') ?: null,
            max(1, $request->integer('page', 1)),
        );
        if ($request->hasHeader('HX-Request')) {
            return view($page->page > 1 ? 'home.cards' : 'home.found', ['page' => $page]);
        }

        return view('home.show', [
            'page' => $page,
            'underWay' => Upload::whereIn('state', ['waiting', 'running', 'done'])->get(),
        ]);
    }

    /** One card, made where it is not kept. */
    public function card(Study $study): View
    {
        return view('home.card', ['study' => $study, 'card' => StudyCard::of($study)]);
    }

    /** The demo, for those who have no file at hand. */
    public function demo(): RedirectResponse
    {
        abort_if(
            Dataset::exists() || Brief::exists(),
            422,
            __('The demo can be loaded only while there is no data set.'),
        );
        set_time_limit(300);
        Artisan::call('demo:load');

        return redirect()->route('data.index');
    }
}
