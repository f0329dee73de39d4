{{-- A button, and the editor of one part of a study under it: its fields read as a sentence. --}}
@props(['screen', 'part', 'label'])
@php($settings = $screen->comparison->study->part($part))
<button type="button" class="plain small" popovertarget="set-{{ $part }}">{{ $label }}</button>
<div class="editor" popover id="set-{{ $part }}" role="group" aria-label="{{ $label }}">
    <form hx-post="{{ route('changes.store', $screen->study) }}" hx-trigger="change, submit" hx-target="#workspace" hx-swap="outerMorph">
        <input type="hidden" name="change" value="set">
        <input type="hidden" name="part" value="{{ $part }}">
        @if ($part === 'axis')<input type="hidden" name="settings[view]" value="{{ $screen->comparison->study->view->value }}">@endif
        @foreach ($settings->fields($screen->comparison) as $field)
            <x-field :field="$field" id="set-{{ $part }}-{{ $field->name }}" />
        @endforeach
    </form>
    {{ $slot }}
</div>
