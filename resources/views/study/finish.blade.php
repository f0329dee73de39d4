{{-- How the picture is drawn, and whom else it is to look like. --}}
<button type="button" class="plain small" popovertarget="set-finish">Finish</button>
<div class="editor" popover id="set-finish" role="group" aria-label="Finish">
    @if (in_array($document->view, [\DuskRail\Study\View::Lines, \DuskRail\Study\View::Overlay], true))
        <x-settings-form :screen="$screen" part="look" />
        <x-settings-form :screen="$screen" part="tone" />
    @endif
    <x-settings-form :screen="$screen" part="text" />
    @if (in_array($document->view, [\DuskRail\Study\View::Lines, \DuskRail\Study\View::Overlay], true))
        <x-own-looks :screen="$screen" part="look" :choices="\DuskRail\Study\Parts\LookPart::OWN" />
    @endif
    <details class="give">
        <summary>Give this finish to other studies</summary>
        <div data-lazy="{{ route('finish.others', $study) }}" hx-morph-skip-children></div>
    </details>
</div>
