@php
    $study = $screen->study;
    $document = $screen->comparison->study;
    $undo = $study->undoable();
    $redo = $study->redoable();
@endphp
<div id="workspace" data-study="{{ $study->id }}" data-changes="{{ route('changes.store', $study) }}" data-page="{{ route('studies.show', $study) }}" data-history="{{ route('history.update', $study) }}">
    <header class="top">
        <x-mark />
        <button type="button" class="plain" data-drawer aria-controls="roster">Roster</button>
        <a class="crumb" href="{{ route('datasets.show', $study->dataset) }}">{{ $study->dataset->name }}</a>
        <button type="button" class="plain small pin" popovertarget="version" title="Which version of the data">{{ $study->version === null ? "v{$study->dataset->version}" : "held to v{$study->version}" }}</button>
        <form class="rename" hx-post="{{ route('changes.store', $study) }}" hx-trigger="change, submit" hx-target="#workspace" hx-swap="outerMorph">
            <input type="hidden" name="change" value="rename">
            <input class="title" name="name" value="{{ $document->name }}" aria-label="Name of the study" maxlength="120" autocomplete="off" spellcheck="false">
        </form>
        <div class="right">
            <button type="button" class="plain" data-history="undo" @disabled($undo === null) title="{{ $undo === null ? 'Nothing to undo' : "Undo: {$undo}" }}">Undo</button>
            <button type="button" class="plain" data-history="redo" @disabled($redo === null) title="{{ $redo === null ? 'Nothing to redo' : "Redo: {$redo->said}" }}">Redo</button>
            <button type="button" class="plain ground" data-ground-switch><span class="to-night">Night</span><span class="to-day">Day</span></button>
            <button type="button" class="plain" data-keys aria-label="Keys" title="Keys">?</button>
            <button type="button" class="go" popovertarget="hand-over">Hand over</button>
        </div>
        <div class="editor" popover id="version" role="group" aria-label="Version of the data">
            <form method="post" action="{{ route('studies.pin', $study) }}">@csrf<input type="hidden" name="pinned" value="{{ $study->version === null ? 1 : 0 }}">
                <p>{{ $study->version === null ? "This study follows the newest figures, now version {$study->dataset->version}." : "This study is held to version {$study->version} of the figures; the newest is {$study->dataset->version}." }}</p>
                <button class="button is-small">{{ $study->version === null ? 'Hold it to this version' : 'Follow the newest again' }}</button>
            </form>
        </div>
        <div class="editor menu" popover id="hand-over">
            <form class="hand-over" method="get" action="{{ route('hand-over', [$study, 'png']) }}">
                <input type="hidden" name="ground" value="day">
                <label for="picture-size">Picture</label>
                <span class="select is-small"><select id="picture-size" name="size">
                    @foreach (\App\View\PictureSize::cases() as $size)<option value="{{ $size->value }}">{{ $size->label() }}</option>@endforeach
                </select></span>
                <span class="select is-small"><select name="times" aria-label="Pixels of a PNG">
                    @foreach ([1, 2, 3, 4] as $times)<option value="{{ $times }}" @selected($times === 2)>{{ $times }} ×</option>@endforeach
                </select></span>
                <button data-hand-over formaction="{{ route('hand-over', [$study, 'png']) }}">PNG</button>
                <button data-hand-over formaction="{{ route('hand-over', [$study, 'svg']) }}">SVG</button>
                <button data-hand-over formaction="{{ route('hand-over', [$study, 'pdf']) }}">PDF</button>
            </form>
            <form class="hand-over" method="get" action="{{ route('hand-over', [$study, 'html']) }}">
                <span>A page to point at</span>
                <span>the reader sets</span>
                @foreach (\DuskRail\Study\ReaderChoices::CONTROLS as $control => $label)<label><input type="checkbox" name="{{ $control }}" value="1"> {{ $label }}</label>@endforeach
                <button>HTML</button>
            </form>
            <a href="{{ route('hand-over', [$study, 'csv']) }}">Figures, CSV</a>
            <a href="{{ route('hand-over', [$study, 'xlsx']) }}">Figures, Excel</a>
            <a href="{{ route('hand-over', [$study, 'json']) }}">The study itself, to be brought to other figures</a>
            <a href="{{ route('hand-over', [$study, 'data.json']) }}">The study with its figures</a>
        </div>
    </header>
    @include('study.rail')
    <div class="body">
        @include('study.roster')
        <main @class(['sheet', "text-{$document->text->size}" => $document->text->size !== 'usual']) id="sheet">
            <x-words :screen="$screen" part="headline" :text="$screen->wording->marked" empty="Write a headline" />
            <div class="under-headline">
                <x-words :screen="$screen" part="subtitle" :text="$screen->wording->subtitle" empty="Write a subtitle" />
                <x-settings :screen="$screen" part="lines" label="Lines of" />
                @if ($document->view === \DuskRail\Study\View::Overlay)<x-settings :screen="$screen" part="overlay" label="Overlay" />@endif
                @if ($document->view === \DuskRail\Study\View::Stack)<x-settings :screen="$screen" part="stack" label="Stack" />@endif
                @if ($document->view === \DuskRail\Study\View::Sparks)<x-settings :screen="$screen" part="sparks" label="Sparks" />@endif
                @if ($document->view === \DuskRail\Study\View::Scatter)<x-settings :screen="$screen" part="scatter" label="Scatter" />@endif
                @if (in_array($document->view, [\DuskRail\Study\View::Lines, \DuskRail\Study\View::Overlay], true))<x-settings :screen="$screen" part="axis" label="Axis" /><x-settings :screen="$screen" part="labels" label="Labels"><x-own-looks :screen="$screen" part="labels" :choices="\DuskRail\Study\Parts\LabelsPart::OWN" /></x-settings><x-marks :screen="$screen" />@endif
                @includeWhen($document->view === \DuskRail\Study\View::Figures, 'study.figures-tools')
                @if ($document->view->splits())<x-settings :screen="$screen" part="panels" label="Panels" />@endif
                @include('study.finish')
                <button type="button" class="plain small" popovertarget="sentences">What to say</button>
                <button type="button" class="plain small" popovertarget="standing">Standing</button>
            </div>
            @if ($document->view === \DuskRail\Study\View::Figures)
                @include('study.figures')
            @elseif ($screen->sparks !== null)
                @include('study.sparks')
            @else
                @include('study.chart')
            @endif
            @includeWhen($screen->scatter !== null, 'study.scatter-notes')
            <x-words :screen="$screen" part="source" :text="$screen->wording->source" empty="Write where the figures come from" />
            @include('study.signals')
            @include('study.track')
        </main>
    </div>
    <div class="editor" popover id="sentences" role="group" aria-label="What to say"><div data-lazy="{{ route('sentences.show', $study) }}" hx-morph-skip-children></div></div>
    <div class="editor" popover id="standing" role="group" aria-label="Standing and peers"><div data-lazy="{{ route('standing.show', $study) }}" hx-morph-skip-children></div></div>
    @include('study.message', ['message' => session('said') ?? $errors->first()])
</div>
