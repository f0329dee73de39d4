@php
    $study = $screen->study;
    $document = $screen->comparison->study;
    $undo = $study->undoable();
    $redo = $study->redoable();
@endphp
<div id="workspace" data-study="{{ $study->id }}" data-changes="{{ route('changes.store', $study) }}" data-page="{{ route('studies.show', $study) }}" data-history="{{ route('history.update', $study) }}" data-seen="{{ $document->view }}" data-split="{{ $document->part(\DuskRail\Document\Parts\PanelsPart::class)->by }}" data-revision="{{ $study->revision_id }}" data-version="{{ $study->version ?? $study->dataset->version }}">
    <header class="top">
        <x-mark />
        <button type="button" class="plain" data-drawer aria-controls="roster" title="Show or hide the roster">Roster</button>
        <a class="crumb" title="Open the data set" href="{{ route('datasets.show', $study->dataset) }}">{{ $study->dataset->name }}</a>
        <button type="button" class="plain small pin" popovertarget="version" title="Version of the data">{{ $study->version === null ? "v{$study->dataset->version}" : "pinned to v{$study->version}" }}</button>
        <form class="rename" hx-post="{{ route('changes.store', $study) }}" hx-trigger="change, submit" hx-target="#workspace" hx-swap="outerMorph">
            <input type="hidden" name="change" value="rename">
            <input class="title" name="name" value="{{ $document->name }}" aria-label="Name of the study" maxlength="120" autocomplete="off" spellcheck="false">
        </form>
        <div class="right">
            <button type="button" class="plain" data-history="undo" @disabled($undo === null) title="{{ $undo === null ? 'Nothing to undo' : "Undo: {$undo}" }}">Undo</button>
            <button type="button" class="plain" data-history="redo" @disabled($redo === null) title="{{ $redo === null ? 'Nothing to redo' : "Redo: {$redo->summary}" }}">Redo</button>
            <button type="button" class="plain ground" data-ground-switch title="Switch theme"><span class="to-night">Dark</span><span class="to-day">Light</span></button>
            <button type="button" class="plain" data-keys aria-label="? Keyboard shortcuts" title="Keyboard shortcuts">?</button>
            <button type="button" class="go" popovertarget="hand-over" title="Download the chart, its values or the study">Hand over</button>
        </div>
        <div class="editor" popover id="version" role="group" aria-label="Version of the data">
            <form method="post" action="{{ route('studies.pin', $study) }}">@csrf<input type="hidden" name="pinned" value="{{ $study->version === null ? 1 : 0 }}">
                <p>{{ $study->version === null ? "This study uses the latest data, now version {$study->dataset->version}." : "This study is pinned to version {$study->version} of the data. The latest is version {$study->dataset->version}." }}</p>
                <button class="button is-small">{{ $study->version === null ? 'Pin to this version' : 'Use the latest version' }}</button>
            </form>
        </div>
        <div class="editor menu" popover id="hand-over">
            <form class="hand-over" method="get" action="{{ route('hand-over', [$study, 'png']) }}">
                <input type="hidden" name="ground" value="day">
                <label for="picture-size">Image</label>
                <span class="select is-small"><select id="picture-size" name="size">
                    @foreach (\App\View\PictureSize::cases() as $size)<option value="{{ $size->value }}">{{ $size->label() }}</option>@endforeach
                </select></span>
                <span class="select is-small"><select name="times" aria-label="PNG resolution">
                    @foreach ([1, 2, 3, 4] as $times)<option value="{{ $times }}" @selected($times === 2)>{{ $times }} ×</option>@endforeach
                </select></span>
                <button data-hand-over formaction="{{ route('hand-over', [$study, 'png']) }}">PNG</button>
                <button data-hand-over formaction="{{ route('hand-over', [$study, 'svg']) }}">SVG</button>
                <button data-hand-over formaction="{{ route('hand-over', [$study, 'pdf']) }}">PDF</button>
            </form>
            <form class="hand-over" method="get" action="{{ route('hand-over', [$study, 'html']) }}">
                <span>Interactive page</span>
                <span>Reader can change</span>
                @foreach (\DuskRail\Outcome\ReaderChoices::CONTROLS as $control => $label)<label><input type="checkbox" name="{{ $control }}" value="1"> {{ $label }}</label>@endforeach
                <button title="One file with highlighting and readouts; needs no network">HTML</button>
            </form>
            <a href="{{ route('hand-over', [$study, 'csv']) }}" title="The values shown, as comma-separated text">Values, CSV</a>
            <a href="{{ route('hand-over', [$study, 'xlsx']) }}" title="The values shown, as a workbook">Values, Excel</a>
            <a href="{{ route('hand-over', [$study, 'json']) }}" title="To open in a Dusk Rail that has the data set">Study file without data</a>
            <a href="{{ route('hand-over', [$study, 'data.json']) }}" title="To open in any Dusk Rail">Study file with data</a>
        </div>
    </header>
    @include('study.rail')
    <div class="body">
        @include('study.roster')
        <main @class(['sheet', "text-{$document->part(\DuskRail\Document\Parts\TextPart::class)->size}" => $document->part(\DuskRail\Document\Parts\TextPart::class)->size !== 'usual']) id="sheet">
            <x-words :screen="$screen" part="headline" :text="$screen->wording->marked" empty="Add a headline" />
            <div class="under-headline">
                <x-words :screen="$screen" part="subtitle" :text="$screen->wording->subtitle" empty="Add a subtitle" />
                <div class="tools" role="group" aria-label="Chart settings">
                <x-settings :screen="$screen" :part="\DuskRail\Document\Parts\LinesPart::class" label="Compare" />
                @if ($screen->view->hasPeers())
                    <x-tool of="peers" label="Peers" />
                    <div class="editor dock" popover id="set-peers" role="group" aria-label="Peers">
                        @include('study.peer-sets')
                        <x-settings-form :screen="$screen" :part="\DuskRail\Document\Parts\PeersPart::class" />
                        <x-settings-form :screen="$screen" :part="\DuskRail\Document\Parts\ConventionsPart::class" />
                        <x-close of="set-peers" />
                    </div>
                @endif
                @foreach ($screen->view->parts() as $part)
                    @includeFirst(["study.tools.{$part::name()}", 'study.tools.any'], ['part' => $part])
                @endforeach
                @include('study.finish')
                <x-tool of="sentences" label="Headline ideas" />
                <x-tool of="standing" label="Peer comparison" />
                </div>
            </div>
            @includeFirst([$screen->outcome === null ? 'study.chart' : "study.views.{$screen->view->name()}", 'study.chart'])
            @includeIf($screen->outcome === null ? 'none' : "study.views.{$screen->view->name()}-notes")
            <x-words :screen="$screen" part="source" :text="$screen->wording->source" empty="Add a source" />
            @include('study.signals')
            @include('study.track')
        </main>
    </div>
    <aside class="editor dock" popover id="sentences" aria-label="Headline ideas"><div data-lazy="{{ route('sentences.show', $study) }}" hx-morph-skip-children></div><x-close of="sentences" /></aside>
    <aside class="editor dock under" popover id="standing" aria-label="Peer comparison"><div data-lazy="{{ route('standing.show', $study) }}" hx-morph-skip-children></div><x-close of="standing" /></aside>
    @include('study.message', ['message' => ($message ?? '') !== '' ? $message : session('message') ?? $errors->first()])
</div>
