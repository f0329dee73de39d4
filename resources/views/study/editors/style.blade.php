{{-- How the picture is drawn, and whom else it is to look like. --}}
@foreach ([\DuskRail\Document\Parts\LookPart::class, \DuskRail\Document\Parts\PointsPart::class, \DuskRail\Document\Parts\TonePart::class] as $part)
    @if ($screen->view->uses($part))<x-settings-form :screen="$screen" :part="$part" />@endif
@endforeach
<x-settings-form :screen="$screen" :part="\DuskRail\Document\Parts\TextPart::class" />
@if ($screen->view->uses(\DuskRail\Document\Parts\LookPart::class))
    <x-own-looks :screen="$screen" :part="\DuskRail\Document\Parts\LookPart::class" :of="\DuskRail\Document\Parts\OwnLook::class" />
@endif
<details class="give">
    <summary>{{ __('Apply this style to other studies') }}</summary>
    <div data-lazy="{{ route('style.others', $screen->study) }}" hx-morph-skip-children></div>
</details>
