{{-- The settings of a stop, its order and what leaves it. --}}
@php
    $placed = $step->placed;
    $state = $step->state();
    $steps = $screen->railed->run->steps;
    [$first, $last] = [$step === $steps[0], $step === end($steps)];
@endphp
<form hx-post="{{ $screen->study->changesAddress() }}" hx-trigger="change, submit" hx-target="#workspace" hx-swap="outerMorph">
    <input type="hidden" name="change" value="change-stop">
    <input type="hidden" name="id" value="{{ $placed->id }}">
    @foreach (\DuskRail\Rail\RunOffer::fields($placed->stop, $step->arriving, $screen->railed->data) as $field)
        <x-field :field="$field" id="{{ $placed->id }}-{{ $field->name }}" />
    @endforeach
</form>
<p class="leaves">{{ __('Result: :unit', ['unit' => $state === '' ? __('no unit') : $state]) }}@if ($step->outcome->note !== ''), {{ $step->outcome->note }}@endif</p>
<div data-lazy="{{ route('orders.show', [$screen->study, $placed->id]) }}" hx-morph-skip-children></div>
@if ($step->refusal !== null)<p class="leaves">{{ $step->refusal }} <a href="{{ route('help') }}#units" target="_blank">{{ __('Help: units') }}</a></p>@endif
<div class="acts">
    <x-change :study="$screen->study" change="move-stop" :with="['id' => $placed->id, 'by' => 'earlier']" class="act" :disabled="$first">{{ __('← Move earlier') }}</x-change>
    <x-change :study="$screen->study" change="move-stop" :with="['id' => $placed->id, 'by' => 'later']" class="act" :disabled="$last">{{ __('Move later →') }}</x-change>
    <x-change :study="$screen->study" change="bypass-stop" :with="['id' => $placed->id, 'bypassed' => $placed->bypassed ? '0' : '1']" class="act">{{ $placed->bypassed ? __('Turn on') : __('Turn off') }}</x-change>
    <x-change :study="$screen->study" change="remove-stop" :with="['id' => $placed->id]" class="act">{{ __('Remove') }}</x-change>
</div>
