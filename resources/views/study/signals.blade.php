@php
    $notices = \DuskRail\Signals\Signals::of($screen->comparison);
    // The first two are said; of the others it is said that they are there.
    [$said, $more] = [array_slice($notices, 0, 2), array_slice($notices, 2)];
@endphp
<div class="signals" id="signals">
    <ul aria-label="{{ __('Signals') }}">
        @foreach ($said as $notice)
            <x-notice :study="$screen->study" :notice="$notice" />
        @endforeach
    </ul>
    @if ($more !== [])
        <details id="more-signals">
            <summary>{{ __(':count more', ['count' => count($more)]) }}</summary>
            <ul aria-label="{{ __('More signals') }}">
                @foreach ($more as $notice)
                    <x-notice :study="$screen->study" :notice="$notice" />
                @endforeach
            </ul>
        </details>
    @endif
</div>
