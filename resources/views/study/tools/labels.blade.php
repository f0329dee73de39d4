<x-settings :screen="$screen" :part="$part" :label="$part::title()"><x-own-looks :screen="$screen" :part="$part" :of="\DuskRail\Document\Parts\OwnLabels::class" /></x-settings>
