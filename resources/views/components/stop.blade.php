{{-- A stop on the rail, and its editor. --}}
@props(['screen', 'step'])
@php
    $placed = $step->placed;
    $label = $placed->stop->label($step->arriving, $screen->railed->data);
    $state = $step->state();
@endphp
<li @class(['stop', 'off' => $placed->bypassed, 'refused' => $step->refusal !== null]) id="stop-{{ $placed->id }}">
    <button type="button" class="name" popovertarget="editor-{{ $placed->id }}" title="{{ $label }}: {{ $state }}{{ $step->outcome->note === '' ? '' : ', '.$step->outcome->note }}">
        <b>{{ $label }}</b><i></i><small>{{ $state }}@if ($step->outcome->note !== '' && ! $placed->bypassed)<span class="note">{{ $step->outcome->note }}</span>@endif</small>
    </button>
    <x-editor :screen="$screen" :id="'editor-'.$placed->id" />
</li>
