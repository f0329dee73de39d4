{{-- Which measure enters the rail, and what of its breakdowns. --}}
@php
    $comparison = $screen->railed;
    $document = $screen->comparison->study;
@endphp
<form hx-post="{{ $screen->study->changesAddress() }}" hx-trigger="change, submit" hx-target="#workspace" hx-swap="outerMorph">
    <input type="hidden" name="change" value="measure">
    <label class="lead" for="origin-measure">{{ __('Measure') }}</label>
    <span class="select is-small"><select id="origin-measure" name="measure">
        @foreach ($comparison->data->measures() as $measure)@continue($measure->isAttribute() && $comparison === $screen->comparison)
            <option value="{{ $measure->key }}" @selected($measure->key === $comparison->measure->key)>{{ $measure->name }}, {{ $measure->isTimeless ? __('same in all periods') : \App\View\Label::of($measure->frequency->adjective()) }}</option>
        @endforeach
    </select></span>
</form>
@foreach ($comparison->data->breakdowns() as $key => $breakdown)
    @continue(! in_array($key, $comparison->data->splitBy($comparison->measure->key), true))
    @php($shown = $document->part(\DuskRail\Document\Parts\BreakdownsPart::class))
    @php($chosen = $shown->of($key)->show === 'one' ? 'one:'.$shown->held($breakdown) : $shown->of($key)->show)
    <form hx-post="{{ $screen->study->changesAddress() }}" hx-trigger="change, submit" hx-target="#workspace" hx-swap="outerMorph">
        <input type="hidden" name="change" value="breakdown">
        <input type="hidden" name="breakdown" value="{{ $key }}">
        <label class="lead" for="breakdown-{{ $loop->index }}">{{ $breakdown->name }}</label>
        <span class="select is-small"><select id="breakdown-{{ $loop->index }}" name="choice">
            @foreach ($breakdown->categories as $category => $name)
                <option value="one:{{ $category }}" @selected($chosen === "one:{$category}")>{{ $name }}</option>
            @endforeach
            <option value="lines" @selected($chosen === 'lines')>{{ __('One line each, for one entity') }}</option>
            <option value="panels" @selected($chosen === 'panels')>{{ __('One panel each') }}</option>
            @php($apart = \DuskRail\Data\DataSlice::whyApart($comparison->wholeData(), $comparison->measure, $breakdown))
            @if ($apart === null || $chosen === 'sum')<option value="sum" @selected($chosen === 'sum')>{{ $comparison->measure->kind === \DuskRail\Data\MeasureKind::Rate ? __('All, weighted by :measure', ['measure' => $comparison->wholeData()->measures()[$comparison->measure->per]->name ?? '']) : __('Sum of all') }}</option>@endif
        </select></span>
    </form>
    @if ($chosen === 'lines')
        <form hx-post="{{ $screen->study->changesAddress() }}" hx-trigger="change, submit" hx-target="#workspace" hx-swap="outerMorph">
            <input type="hidden" name="change" value="set">
            <input type="hidden" name="part" value="lines">
            <label class="lead" for="breakdown-of">{{ __('Entity') }}</label>
            <span class="select is-small"><select id="breakdown-of" name="settings[of]">
                @foreach ($comparison->wholeData()->entities() as $entity)<option value="{{ $entity->key }}" @selected($entity->key === $comparison->brokenDown()?->key)>{{ $entity->name }}</option>@endforeach
            </select></span>
        </form>
    @endif
@endforeach
@php($stored = $screen->study->version === null ? $screen->study->dataset->measures->where('key', $comparison->measure->key)->where('formula', '')->first() : null)
@if ($stored !== null)
    <form hx-patch="{{ route('studies.kind', $screen->study) }}" hx-trigger="change, submit" hx-target="#workspace" hx-swap="outerMorph">
        <input type="hidden" name="measure" value="{{ $comparison->measure->key }}">
        <label class="lead" for="origin-kind">{{ __('Type') }}</label>
        <span class="select is-small"><select id="origin-kind" name="kind" title="{{ __('It holds for all studies of the data set') }}">
            @foreach (\DuskRail\Data\MeasureKind::cases() as $kind)<option value="{{ $kind->value }}" @selected($kind === $comparison->measure->kind)>{{ \App\View\Label::of(\DuskRail\Settings\Setting::capital($kind->meaning())) }}</option>@endforeach
        </select></span>
        @if ($comparison->measure->kind === \DuskRail\Data\MeasureKind::Rate)
            <label class="lead" for="origin-per">{{ __('Weighted by') }}</label>
            <span class="select is-small"><select id="origin-per" name="per">
                <option value="">{{ __('nothing') }}</option>
                @foreach ($comparison->data->measures() as $other)@continue(! $other->canDivide() || $other->isAttribute())<option value="{{ $other->key }}" @selected($other->key === $comparison->measure->per)>{{ $other->name }}</option>@endforeach
            </select></span>
        @endif
    </form>
    <p class="leaves">{{ $comparison->run->origin->unit->text() }} <span class="quiet">{{ __('The type holds for all studies of the data set.') }}</span></p>
@else
    <p class="leaves">{{ implode(', ', array_filter([\App\View\Label::of($comparison->measure->kind->meaning()), $comparison->run->origin->unit->text()])) }}</p>
@endif
