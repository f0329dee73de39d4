@php
    $comparison = $screen->railed;
    $steps = $comparison->run->steps;
    $document = $screen->comparison->study;
@endphp
<nav class="rail" id="rail" aria-label="{{ __('Rail: calculations, in order') }}">
    @includeIf("study.views.{$screen->view->name()}-rail")
    <ol>
        <li class="stop from" id="stop-origin">
            <button type="button" class="name" popovertarget="editor-origin" title="{{ __('Measure, breakdowns and kind of the values') }}"><b>{{ $comparison->measure->name }}</b><i></i><small>{{ $comparison->cellInWords() === '' ? $comparison->run->origin->unit->text() : $comparison->cellInWords() }}</small></button>
            <x-editor :screen="$screen" id="editor-origin" />
        </li>
        @foreach ($steps as $step)
            <x-stop :screen="$screen" :step="$step" />
        @endforeach
        <li class="stop add" id="stop-add">
            <button type="button" class="name" popovertarget="editor-add" title="{{ __('Add a calculation to the rail') }}"><b>{{ __('Add') }}</b><i></i> <small>{{ __('calculation') }}</small></button>
            <x-editor :screen="$screen" id="editor-add" />
        </li>
        @if ($steps === [] && ! in_array('fits-next', $document->dismissed, true))
            <li class="proposals" id="fits-{{ $comparison->measure->key }}" hx-sync="this" hx-get="{{ route('proposals.show', [$screen->study, 'rail' => 1]) }}" hx-trigger="load" hx-swap="innerHTML" hx-target="this" hx-morph-skip-children></li>
        @endif
    </ol>
    <div class="views" role="group" aria-label="{{ __('Views') }}">
        @foreach (\DuskRail\Document\ViewCatalogue::all() as $name => $view)
            <x-change :study="$screen->study" change="view" data-view="{{ $name }}" :with="['view' => $name]" :class="$view === $screen->view ? 'on' : ''" :title="$view instanceof \DuskRail\Views\View ? \App\View\Label::of($view->about()) : ''" :aria-pressed="$view === $screen->view ? 'true' : 'false'">{{ \App\View\Label::of($view->title()) }}</x-change>
            @if ($loop->iteration === 2)
                <x-change :study="$screen->study" change="panels" :class="$screen->view->isSplit($document) ? 'on' : ''" :aria-pressed="$screen->view->isSplit($document) ? 'true' : 'false'" :title="__('Split the chart into small panels')">{{ __('Panels') }}</x-change>
            @endif
        @endforeach
    </div>
</nav>
