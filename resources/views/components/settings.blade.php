{{-- A button, and the editor of one part of a study under it. --}}
@props(['screen', 'part', 'label'])
<x-tool :of="$part::name()" :label="$label" />
<div class="editor dock" popover id="set-{{ $part::name() }}" role="group" aria-label="{{ $label }}">
    <x-settings-form :screen="$screen" :part="$part" />
    {{ $slot }}
    <x-close :of="'set-'.$part::name()" />
</div>
