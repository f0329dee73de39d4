{{-- The stops that fit next, each with its reason and what the line in focus would become. --}}
@if ($proposals !== [])
    @if ($isOnRail)
        <span class="fits">{{ __('Fits next') }}</span>
        @foreach ($proposals as $proposal)
            <x-change :study="$study" change="add-stop" :with="['stop' => $proposal->stop::type(), 'settings' => $proposal->settings()]" class="fit" title="{{ $proposal->stop::title() }}: {{ $proposal->reason }}"><b>{{ \DuskRail\Settings\Setting::capital($proposal->label) }}</b> <small>{{ \DuskRail\Settings\Setting::capital($proposal->reason) }}</small></x-change>
        @endforeach
        <x-change :study="$study" change="dismiss" :with="['signal' => 'fits-next']" class="dismiss" :aria-label="__('Dismiss the proposals')" :title="__('Dismiss')">×</x-change>
    @else
        <p class="head">{{ __('Fits next') }}</p>
        @foreach ($proposals as $proposal)
            <x-change :study="$study" change="add-stop" :with="['stop' => $proposal->stop::type(), 'settings' => $proposal->settings()]" class="fit"><svg width="64" height="26" aria-hidden="true"><path transform="scale(.1)" d="{{ \App\Drawing\Svg::path(\DuskRail\Chart\Spark::pieces($proposal->values, $proposal->from, $proposal->to, 64, 26)) }}"/></svg><b>{{ \DuskRail\Settings\Setting::capital($proposal->label) }}</b> <span>{{ \DuskRail\Settings\Setting::capital($proposal->reason) }}</span></x-change>
        @endforeach
    @endif
@endif
