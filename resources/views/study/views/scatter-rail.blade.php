{{-- Which of the two rails of a scatter is shown. --}}
@php($editing = $document->part(\DuskRail\Document\Parts\ScatterPart::class)->editing)
<div class="which" role="group" aria-label="{{ __('Axis') }}">
    @foreach (['y' => __('↑ Vertical axis'), 'x' => __('→ Horizontal axis')] as $which => $label)
        <x-change :study="$screen->study" change="set" :with="['part' => 'scatter', 'settings' => ['editing' => $which]]" :class="$editing === $which ? 'on' : ''" :aria-pressed="$editing === $which ? 'true' : 'false'">{{ $label }}</x-change>
    @endforeach
</div>
