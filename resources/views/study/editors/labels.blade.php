{{-- What stands beside the lines, for all and for single ones. --}}
<x-settings-form :screen="$screen" :part="$part" />
<x-own-looks :screen="$screen" :part="$part" :of="\DuskRail\Document\Parts\OwnLabels::class" />
