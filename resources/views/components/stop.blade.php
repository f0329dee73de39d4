{{-- A stop on the rail, and its editor. --}}
@props(['screen', 'step', 'first', 'last'])
@php
    $placed = $step->placed;
    $data = $screen->railed->data;
    $label = $placed->stop->label($step->arriving, $data);
    $state = $placed->bypassed ? 'off' : ($step->refusal !== null ? 'not possible here' : ($step->outcome->table->unit->sort === \DuskRail\Data\ValueType::Index ? 'index' : $step->outcome->table->unit->text()));
@endphp
<li @class(['stop', 'off' => $placed->bypassed, 'refused' => $step->refusal !== null]) id="stop-{{ $placed->id }}">
    <button type="button" class="name" popovertarget="editor-{{ $placed->id }}" title="{{ $label }}: {{ $state }}{{ $step->outcome->note === '' ? '' : ', '.$step->outcome->note }}">
        <b>{{ $label }}</b><i></i><small>{{ $state }}@if ($step->outcome->note !== '' && ! $placed->bypassed)<span class="note">{{ $step->outcome->note }}</span>@endif</small>
    </button>
    <div class="editor dock" popover id="editor-{{ $placed->id }}" @if($screen->opened === $placed->id) data-open @endif role="group" aria-label="{{ $placed->stop::title() }}">
        <form hx-post="{{ route('changes.store', $screen->study) }}" hx-trigger="change, submit" hx-target="#workspace" hx-swap="outerMorph">
            <input type="hidden" name="change" value="change-stop">
            <input type="hidden" name="id" value="{{ $placed->id }}">
            @foreach (\DuskRail\Rail\RunOffer::fields($placed->stop, $step->arriving, $data) as $field)
                <x-field :field="$field" id="{{ $placed->id }}-{{ $field->name }}" />
            @endforeach
        </form>
        <p class="leaves">Result: {{ $state === '' ? 'no unit' : $state }}@if ($step->outcome->note !== ''), {{ $step->outcome->note }}@endif</p>
        <div data-lazy="{{ route('orders.show', [$screen->study, $placed->id]) }}" hx-morph-skip-children></div>
 @if ($step->refusal !== null)<p class="leaves">{{ $step->refusal }} <a href="{{ route('help') }}#units" target="_blank">Help: units</a></p>@endif
        <div class="acts">
            <x-change :study="$screen->study" change="move-stop" :with="['id' => $placed->id, 'by' => 'earlier']" class="act" :disabled="$first">← Move earlier</x-change>
            <x-change :study="$screen->study" change="move-stop" :with="['id' => $placed->id, 'by' => 'later']" class="act" :disabled="$last">Move later →</x-change>
            <x-change :study="$screen->study" change="bypass-stop" :with="['id' => $placed->id, 'bypassed' => $placed->bypassed ? '0' : '1']" class="act">{{ $placed->bypassed ? 'Turn on' : 'Turn off' }}</x-change>
            <x-change :study="$screen->study" change="remove-stop" :with="['id' => $placed->id]" class="act">Remove</x-change>
        </div>
        <x-close :of="'editor-'.$placed->id" />
    </div>
</li>
