{{-- A stop on the rail, and its editor. --}}
@props(['screen', 'leg', 'first', 'last'])
@php
    $placed = $leg->placed;
    $data = $screen->railed->data;
    $label = $placed->stop->label($leg->arriving, $data);
    $state = $placed->bypassed ? 'passed by' : ($leg->refusal !== null ? 'makes no sense here' : ($leg->outcome->table->unit->sort === \DuskRail\Data\Sort::Index ? 'index' : $leg->outcome->table->unit->text()));
@endphp
<li @class(['stop', 'off' => $placed->bypassed, 'refused' => $leg->refusal !== null]) id="stop-{{ $placed->id }}">
    <button type="button" class="name" popovertarget="editor-{{ $placed->id }}" title="{{ $label }}: {{ $state }}{{ $leg->outcome->note === '' ? '' : ', '.$leg->outcome->note }}">
        <b>{{ $label }}</b><i></i><small>{{ $state }}@if ($leg->outcome->note !== '' && ! $placed->bypassed)<span class="note">{{ $leg->outcome->note }}</span>@endif</small>
    </button>
    <div class="editor" popover id="editor-{{ $placed->id }}" @if($screen->opened === $placed->id) data-open @endif role="group" aria-label="{{ $placed->stop::title() }}">
        <form hx-post="{{ route('changes.store', $screen->study) }}" hx-trigger="change, submit" hx-target="#workspace" hx-swap="outerMorph">
            <input type="hidden" name="change" value="change-stop">
            <input type="hidden" name="id" value="{{ $placed->id }}">
            @foreach ($placed->stop->fields($leg->arriving, $data) as $field)
                <x-field :field="$field" id="{{ $placed->id }}-{{ $field->name }}" />
            @endforeach
        </form>
        <p class="leaves">leaves {{ $state === '' ? 'figures without a unit' : $state }}@if ($leg->outcome->note !== ''), {{ $leg->outcome->note }}@endif</p>
        <div data-lazy="{{ route('orders.show', [$screen->study, $placed->id]) }}" hx-morph-skip-children></div>
        <div class="acts">
            <x-change :study="$screen->study" change="move-stop" :with="['id' => $placed->id, 'by' => 'earlier']" class="act" :disabled="$first">← earlier</x-change>
            <x-change :study="$screen->study" change="move-stop" :with="['id' => $placed->id, 'by' => 'later']" class="act" :disabled="$last">later →</x-change>
            <x-change :study="$screen->study" change="bypass-stop" :with="['id' => $placed->id, 'bypassed' => $placed->bypassed ? '0' : '1']" class="act">{{ $placed->bypassed ? 'use again' : 'pass by' }}</x-change>
            <x-change :study="$screen->study" change="remove-stop" :with="['id' => $placed->id]" class="act">remove</x-change>
        </div>
    </div>
</li>
