@php
    $comparison = $screen->railed;
    $steps = $comparison->run->steps;
    $document = $screen->comparison->study;
@endphp
<nav class="rail" aria-label="Rail: what is done to the figures, in order">
    @includeIf("study.views.{$screen->view->name()}-rail")
    <ol>
        <li class="stop from" id="stop-origin">
            <button type="button" class="name" popovertarget="editor-origin"><b>{{ $comparison->measure->name }}</b><i></i><small>{{ $comparison->run->origin->unit->text() }}</small></button>
            <div class="editor" popover id="editor-origin" role="group" aria-label="Measure">
                <form hx-post="{{ route('changes.store', $screen->study) }}" hx-trigger="change, submit" hx-target="#workspace" hx-swap="outerMorph">
                    <input type="hidden" name="change" value="measure">
                    <label class="lead" for="origin-measure">compare</label>
                    <span class="select is-small"><select id="origin-measure" name="measure">
                        @foreach ($comparison->data->measures() as $measure)
                            <option value="{{ $measure->key }}" @selected($measure->key === $comparison->measure->key)>{{ $measure->name }}, {{ $measure->frequency->adjective() }}</option>
                        @endforeach
                    </select></span>
                </form>
                <p class="leaves">{{ $comparison->measure->kind->meaning() }}, {{ $comparison->run->origin->unit->text() }}</p>
            </div>
        </li>
        @foreach ($steps as $step)
            <x-stop :screen="$screen" :step="$step" :first="$loop->first" :last="$loop->last" />
        @endforeach
        <li class="stop add" id="stop-add">
            <button type="button" class="name" popovertarget="editor-add"><b>add</b><i></i><small>a calculation</small></button>
            <div class="editor menu" popover id="editor-add">
                @foreach (\DuskRail\Rail\StopCatalogue::all() as $type => $stop)
                    <x-change :study="$screen->study" change="add-stop" :with="['stop' => $type]"><b>{{ $stop::title() }}</b> <span>{{ $stop::purpose() }}</span></x-change>
                @endforeach
            </div>
        </li>
    </ol>
    <div class="views" role="group" aria-label="Views">
        @foreach (\DuskRail\Document\ViewCatalogue::all() as $name => $view)
            <x-change :study="$screen->study" change="view" data-view="{{ $name }}" :with="['view' => $name]" :class="$view === $screen->view ? 'on' : ''" :aria-pressed="$view === $screen->view ? 'true' : 'false'">{{ $view->title() }}</x-change>
            @if ($loop->iteration === 2)
                <x-change :study="$screen->study" change="panels" :class="$screen->view->isSplit($document) ? 'on' : ''" :aria-pressed="$screen->view->isSplit($document) ? 'true' : 'false'" title="Split the picture into small ones">Panels</x-change>
            @endif
        @endforeach
    </div>
</nav>
