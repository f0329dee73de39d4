{{-- A rule that keeps lines in focus, and the way out of it. --}}
<x-settings-form :screen="$screen" :part="$part" />
@if ($screen->comparison->study->part($part)->by !== 'hand')<p class="leaves">{{ __('Updated when new data arrive.') }} <x-change :study="$screen->study" change="set" :with="['part' => 'rule', 'settings' => ['by' => 'hand']]" class="remedy">{{ __('Keep these lines, turn the rule off') }}</x-change></p>@endif
