{{-- A button that makes one change of a study. Settings go out as a form sends them, `settings[base]`. --}}
@props(['study', 'change', 'with' => []])
@php
    $values = ['change' => $change];
    foreach ($with as $name => $value) {
        foreach (is_array($value) ? $value : [$value] as $key => $one) {
            $values[is_array($value) ? "{$name}[{$key}]" : $name] = $one;
        }
    }
@endphp
<button type="button" {{ $attributes }} hx-post="{{ $study->changesAddress() }}" hx-vals="{{ json_encode($values, JSON_THROW_ON_ERROR) }}" hx-target="#workspace" hx-swap="outerMorph">{{ $slot }}</button>
