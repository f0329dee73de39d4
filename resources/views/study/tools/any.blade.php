{{-- The settings of a part under a button of its name. --}}
<x-tool :of="$part::name()" :screen="$screen" />
