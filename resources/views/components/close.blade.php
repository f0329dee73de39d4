{{-- Closes the editor that it is in. --}}
@props(['of'])
<button type="button" class="close" popovertarget="{{ $of }}" popovertargetaction="hide" aria-label="{{ __('Close') }}" title="{{ __('Close') }}">×</button>
