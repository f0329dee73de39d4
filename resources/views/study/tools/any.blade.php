{{-- The settings of a part under a button of its name. --}}
<x-settings :screen="$screen" :part="$part" :label="$part::title()" />
