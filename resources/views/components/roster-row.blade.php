{{-- One line in the roster: its state, course and latest value. --}}
@props(['screen', 'line'])
@php
    $comparison = $screen->comparison;
    $focus = $line->state === \DuskRail\Study\LineState::Focus;
    $off = $line->state === \DuskRail\Study\LineState::Off;
    $post = route('changes.store', $screen->study);
@endphp
<li @class(['row', 'f' => $focus, 'off' => $off, 'hue-'.$line->hue => $focus]) id="row-{{ $line->key }}" data-line="{{ $line->key }}" data-name="{{ mb_strtolower($line->name) }}">
    <button type="button" class="pick" tabindex="-1" aria-pressed="{{ $focus ? 'true' : 'false' }}" title="{{ $line->name }}" data-change="state" data-entity="{{ $line->key }}" data-state="{{ $focus ? 'peer' : 'focus' }}"><i></i><span>{{ $line->name }}</span><svg width="46" height="20" aria-hidden="true"><path d="{{ \App\Drawing\Svg::path(\DuskRail\Chart\Spark::pieces($line->values, $comparison->from, $comparison->to, 46, 20)) }}"/></svg><em>{{ $comparison->format($line->latest()) }}</em></button><button type="button" class="away" tabindex="-1" aria-label="{{ $off ? 'Bring back' : 'Take off' }} {{ $line->name }}" title="{{ $off ? 'Bring back' : 'Take off' }}" data-change="state" data-entity="{{ $line->key }}" data-state="{{ $off ? 'peer' : 'off' }}">{{ $off ? '+' : '×' }}</button>
</li>
