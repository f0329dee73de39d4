{{-- The fields of one part of a study, read as a sentence; each change is made at once. --}}
@props(['screen', 'part'])
<form hx-post="{{ route('changes.store', $screen->study) }}" hx-trigger="change, submit" hx-target="#workspace" hx-swap="outerMorph">
    <input type="hidden" name="change" value="set">
    <input type="hidden" name="part" value="{{ $part }}">
    @if ($part === 'axis')<input type="hidden" name="settings[view]" value="{{ $screen->comparison->study->view->value }}">@endif
    @foreach ($screen->comparison->study->part($part)->fields($screen->comparison) as $field)
        <x-field :field="$field" id="set-{{ $part }}-{{ $field->name }}" />
    @endforeach
</form>
