@php
    $comparison = $screen->railed;
    $legs = $comparison->run->legs;
    $document = $screen->comparison->study;
@endphp
<nav class="rail" aria-label="Rail: what is done to the figures, in order">
    @if ($screen->scatter !== null)
        <div class="which" role="group" aria-label="Which axis">
            @foreach (['y' => '↑ upwards', 'x' => '→ along'] as $which => $label)
                <x-change :study="$screen->study" change="set" :with="['part' => 'scatter', 'settings' => ['editing' => $which]]" :class="$document->scatter->editing === $which ? 'on' : ''" :aria-pressed="$document->scatter->editing === $which ? 'true' : 'false'">{{ $label }}</x-change>
            @endforeach
        </div>
    @endif
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
        @foreach ($legs as $leg)
            <x-stop :screen="$screen" :leg="$leg" :first="$loop->first" :last="$loop->last" />
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
        @foreach (\DuskRail\Study\View::cases() as $view)
            <x-change :study="$screen->study" change="view" data-view="{{ $view->value }}" :with="['view' => $view->value]" :class="$view === $document->view ? 'on' : ''" :aria-pressed="$view === $document->view ? 'true' : 'false'">{{ $view->label() }}</x-change>
            @if ($view === \DuskRail\Study\View::Overlay)
                <x-change :study="$screen->study" change="panels" :class="$document->isSplit() ? 'on' : ''" :aria-pressed="$document->isSplit() ? 'true' : 'false'" title="Split the picture into small ones">Panels</x-change>
            @endif
        @endforeach
    </div>
</nav>
