{{-- The settings of one part of a study. --}}
<x-settings-form :screen="$screen" :part="$part" />
