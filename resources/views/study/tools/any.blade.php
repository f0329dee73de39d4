{{-- The settings of a part under a button of its name. --}}
<x-settings :screen="$screen" :part="$part" :label="['overlay' => 'Overlay options', 'stack' => 'Stack options', 'sparks' => 'Table options', 'scatter' => 'Scatter options', 'panels' => 'Panel options', 'variation' => 'Variation'][$part::name()] ?? $part::title()" />
