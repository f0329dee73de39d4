@php
    $study = $screen->study;
    $document = $screen->comparison->study;
    $undo = $study->undoable();
    $redo = $study->redoable();
@endphp
<div id="workspace" hx-sync:inherited="#workspace:queue all" data-study="{{ $study->id }}" data-changes="{{ $study->changesAddress() }}" data-page="{{ route('studies.show', $study) }}" data-history="{{ route('history.update', $study) }}" data-seen="{{ $document->view }}" data-split="{{ $document->part(\DuskRail\Document\Parts\PanelsPart::class)->by }}" data-revision="{{ $study->revision_id }}" data-version="{{ $study->version ?? $study->dataset->version }}">
    <header class="top">
        <x-mark />
        <button type="button" class="plain" data-drawer aria-controls="roster" title="{{ __('Show or hide the roster') }}">{{ __('Roster') }}</button>
        <a class="crumb" title="{{ __('Open the data set') }}" href="{{ route('datasets.show', $study->dataset) }}">{{ $study->dataset->name }}</a>
        <button type="button" class="plain small pin" popovertarget="version" title="{{ __('Version of the data') }}">{{ $study->version === null ? "v{$study->dataset->version}" : __('pinned to v:version', ['version' => $study->version]) }}</button>
        <form class="rename" hx-post="{{ $study->changesAddress() }}" hx-trigger="change, submit" hx-target="#workspace" hx-swap="outerMorph">
            <input type="hidden" name="change" value="rename">
            <input class="title" name="name" value="{{ $document->name }}" aria-label="{{ __('Name of the study') }}" maxlength="120" autocomplete="off" spellcheck="false">
        </form>
        <div class="right">
            <button type="button" class="plain" data-history="undo" @disabled($undo === null) title="{{ $undo === null ? __('Nothing to undo') : __('Undo: :change', ['change' => $undo]) }}">{{ __('Undo') }}</button>
            <button type="button" class="plain" data-history="redo" @disabled($redo === null) title="{{ $redo === null ? __('Nothing to redo') : __('Redo: :change', ['change' => $redo->summary]) }}">{{ __('Redo') }}</button>
            <button type="button" class="plain" popovertarget="steps" title="{{ __('All steps of this study, with their dates') }}">{{ __('History') }}</button>
            <x-theme-switch />
            <button type="button" class="plain" data-keys aria-label="? {{ __('Keyboard shortcuts') }}" title="{{ __('Keyboard shortcuts') }}">?</button>
            <button type="button" class="go" popovertarget="hand-over" title="{{ __('Download the chart, its values or the study') }}">{{ __('Hand over') }}</button>
        </div>
        <div class="editor" popover id="version" role="group" aria-label="{{ __('Version of the data') }}">
            <form method="post" action="{{ route('studies.pin', $study) }}">@csrf<input type="hidden" name="pinned" value="{{ $study->version === null ? 1 : 0 }}">
                <p>{{ $study->version === null ? __('This study uses the latest data, now version :latest.', ['latest' => $study->dataset->version]) : __('This study is pinned to version :version of the data. The latest is version :latest.', ['version' => $study->version, 'latest' => $study->dataset->version]) }}</p>
                <button class="button is-small">{{ $study->version === null ? __('Pin to this version') : __('Use the latest version') }}</button>
            </form>
        </div>
        <x-editor :screen="$screen" id="hand-over" />
        <x-editor :screen="$screen" id="steps" />
    </header>
    {{-- What an edit came to, for those who listen: the page says the rest by showing it. --}}
    <p class="is-sr-only" id="changed" role="status">{{ $study->revision?->summary }}. {{ $screen->refusal ?: $screen->wording->headline }}</p>
    @region
    @include('study.rail')
    @endregion
    <div class="body">
        @include('study.roster')
        <main @class(['sheet', "text-{$document->part(\DuskRail\Document\Parts\TextPart::class)->size}" => $document->part(\DuskRail\Document\Parts\TextPart::class)->size !== 'usual']) id="sheet">
            <x-words :screen="$screen" part="headline" :text="$screen->wording->marked" :empty="__('Add a headline')" />
            <div class="under-headline">
                <x-words :screen="$screen" part="subtitle" :text="$screen->wording->subtitle" :empty="__('Add a subtitle')" />
                @region
                <div class="tools" id="tools" role="group" aria-label="{{ __('Chart settings') }}">
                <x-tool of="lines" :screen="$screen" />
                @if ($screen->view->hasPeers())<x-tool of="peers" :screen="$screen" />@endif
                @foreach ($screen->view->parts() as $part)
                    @includeFirst(["study.tools.{$part::name()}", 'study.tools.any'], ['part' => $part])
                @endforeach
                <x-tool of="style" :screen="$screen" />
                <x-tool of="sentences" :label="__('Headline ideas')" />
                <x-tool of="peer-comparison" :label="__('Peer comparison')" />
                </div>
                @endregion
            </div>
            @includeFirst([$screen->outcome === null ? 'study.chart' : "study.views.{$screen->view->name()}", 'study.chart'])
            @includeIf($screen->outcome === null ? 'none' : "study.views.{$screen->view->name()}-notes")
            <x-words :screen="$screen" part="source" :text="$screen->wording->source" :empty="__('Add a source')" />
            @include('study.signals')
            @include('study.track')
        </main>
    </div>
    <aside class="editor dock" popover id="sentences" aria-label="{{ __('Headline ideas') }}"><div data-lazy="{{ route('sentences.show', $study) }}" hx-morph-skip-children></div><x-close of="sentences" /></aside>
    <aside class="editor dock under" popover id="peer-comparison" aria-label="{{ __('Peer comparison') }}"><div data-lazy="{{ route('peer-comparison.show', $study) }}" hx-morph-skip-children></div><x-close of="peer-comparison" /></aside>
    @include('study.message', ['message' => ($message ?? '') !== '' ? $message : session('message') ?? $errors->first()])
</div>
