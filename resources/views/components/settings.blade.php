{{-- A button, and the editor of one part of a study under it. --}}
@props(['screen', 'part', 'label'])
<button type="button" class="plain small" popovertarget="set-{{ $part::name() }}">{{ $label }}</button>
<div class="editor" popover id="set-{{ $part::name() }}" role="group" aria-label="{{ $label }}">
    <x-settings-form :screen="$screen" :part="$part" />
    {{ $slot }}
</div>
