@php
    $comparison = $screen->railed;
    $steps = $comparison->run->steps;
    $document = $screen->comparison->study;
@endphp
<nav class="rail" aria-label="Rail: calculations, in order">
    @includeIf("study.views.{$screen->view->name()}-rail")
    <ol>
        <li class="stop from" id="stop-origin">
            <button type="button" class="name" popovertarget="editor-origin" title="Measure, breakdowns and kind of the values"><b>{{ $comparison->measure->name }}</b><i></i><small>{{ $comparison->cellInWords() === '' ? $comparison->run->origin->unit->text() : $comparison->cellInWords() }}</small></button>
            <div class="editor dock" popover id="editor-origin" role="group" aria-label="Measure">
                <form hx-post="{{ route('changes.store', $screen->study) }}" hx-trigger="change, submit" hx-target="#workspace" hx-swap="outerMorph">
                    <input type="hidden" name="change" value="measure">
                    <label class="lead" for="origin-measure">Measure</label>
                    <span class="select is-small"><select id="origin-measure" name="measure">
                        @foreach ($comparison->data->measures() as $measure)
                            <option value="{{ $measure->key }}" @selected($measure->key === $comparison->measure->key)>{{ $measure->name }}, {{ $measure->frequency->adjective() }}</option>
                        @endforeach
                    </select></span>
                </form>
                @foreach ($comparison->data->breakdowns() as $key => $breakdown)
                    @continue(! in_array($key, $comparison->data->splitBy($comparison->measure->key), true))
                    @php($shown = $document->part(\DuskRail\Document\Parts\BreakdownsPart::class))
                    @php($chosen = $shown->of($key)->show === 'one' ? 'one:'.$shown->held($breakdown) : $shown->of($key)->show)
                    <form hx-post="{{ route('changes.store', $screen->study) }}" hx-trigger="change, submit" hx-target="#workspace" hx-swap="outerMorph">
                        <input type="hidden" name="change" value="breakdown">
                        <input type="hidden" name="breakdown" value="{{ $key }}">
                        <label class="lead" for="breakdown-{{ $loop->index }}">{{ $breakdown->name }}</label>
                        <span class="select is-small"><select id="breakdown-{{ $loop->index }}" name="choice">
                            @foreach ($breakdown->categories as $category => $name)
                                <option value="one:{{ $category }}" @selected($chosen === "one:{$category}")>{{ $name }}</option>
                            @endforeach
                            <option value="lines" @selected($chosen === 'lines')>One line each, for one entity</option>
                            <option value="panels" @selected($chosen === 'panels')>One panel each</option>
                            <option value="sum" @selected($chosen === 'sum')>Sum of all</option>
                        </select></span>
                    </form>
                    @if ($chosen === 'lines')
                        <form hx-post="{{ route('changes.store', $screen->study) }}" hx-trigger="change, submit" hx-target="#workspace" hx-swap="outerMorph">
                            <input type="hidden" name="change" value="set">
                            <input type="hidden" name="part" value="lines">
                            <label class="lead" for="breakdown-of">Entity</label>
                            <span class="select is-small"><select id="breakdown-of" name="settings[of]">
                                @foreach ($comparison->wholeData()->entities() as $entity)<option value="{{ $entity->key }}" @selected($entity->key === $comparison->brokenDown()?->key)>{{ $entity->name }}</option>@endforeach
                            </select></span>
                        </form>
                    @endif
                @endforeach
                <p class="leaves">{{ implode(', ', array_filter([$comparison->measure->kind->meaning(), $comparison->run->origin->unit->text()])) }}</p>
                <x-close of="editor-origin" />
            </div>
        </li>
        @foreach ($steps as $step)
            <x-stop :screen="$screen" :step="$step" :first="$loop->first" :last="$loop->last" />
        @endforeach
        <li class="stop add" id="stop-add">
            <button type="button" class="name" popovertarget="editor-add" title="Add a calculation to the rail"><b>Add</b><i></i> <small>calculation</small></button>
            <div class="editor menu" popover id="editor-add">
                <div data-lazy="{{ route('proposals.show', $screen->study) }}" hx-morph-skip-children></div>
                <div class="all">
                @foreach (\DuskRail\Rail\Purpose::cases() as $purpose)
                    <section>
                    <p class="head">{{ $purpose->label() }}</p>
                    @foreach (\DuskRail\Rail\StopCatalogue::all() as $type => $stop)
                        @continue($stop::isFor() !== $purpose)
                        <x-change :study="$screen->study" change="add-stop" :with="['stop' => $type]"><b>{{ $stop::title() }}</b> <span>{{ $stop::purpose() }}</span></x-change>
                    @endforeach
                    </section>
                @endforeach
                </div>
            </div>
        </li>
        @if ($steps === [] && ! in_array('fits-next', $document->dismissed, true))
            <li class="proposals" id="fits-{{ $comparison->measure->key }}" hx-get="{{ route('proposals.show', [$screen->study, 'rail' => 1]) }}" hx-trigger="load" hx-swap="innerHTML" hx-target="this" hx-morph-skip-children></li>
        @endif
    </ol>
    <div class="views" role="group" aria-label="Views">
        @foreach (\DuskRail\Document\ViewCatalogue::all() as $name => $view)
            <x-change :study="$screen->study" change="view" data-view="{{ $name }}" :with="['view' => $name]" :class="$view === $screen->view ? 'on' : ''" :title="$view instanceof \DuskRail\Views\View ? $view->about() : ''" :aria-pressed="$view === $screen->view ? 'true' : 'false'">{{ $view->title() }}</x-change>
            @if ($loop->iteration === 2)
                <x-change :study="$screen->study" change="panels" :class="$screen->view->isSplit($document) ? 'on' : ''" :aria-pressed="$screen->view->isSplit($document) ? 'true' : 'false'" title="Split the chart into small panels">Panels</x-change>
            @endif
        @endforeach
    </div>
</nav>
