{{-- A button that makes one change of a study. --}}
@props(['study', 'change', 'with' => []])
<button type="button" {{ $attributes }} hx-post="{{ route('changes.store', $study) }}" hx-vals="{{ json_encode(['change' => $change, ...$with], JSON_THROW_ON_ERROR) }}" hx-target="#workspace" hx-swap="outerMorph">{{ $slot }}</button>
