{{-- Closes the editor that it is in. --}}
@props(['of'])
<button type="button" class="close" popovertarget="{{ $of }}" popovertargetaction="hide" aria-label="Close" title="Close">×</button>
