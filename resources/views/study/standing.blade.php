@php
    $decimals = $comparison->fineDecimals();
    $number = fn (float $v): string => \DuskRail\Data\Numerals::text($v, $decimals);
    $signed = fn (float $v): string => is_nan($v) ? '–' : \DuskRail\Data\Numerals::signed($v, $decimals);
    $peers = $comparison->study->part(\DuskRail\Document\Parts\PeersPart::class);
@endphp
<div>
    @if ($standings === [])
        <p>{{ __('Choose a line in the roster to compare it with its peers.') }}</p>
    @else
        <p>{{ __('Compared with :peers.', ['peers' => \DuskRail\Words\PeersInWords::of($comparison)]) }}</p>
        <table class="standing">
            <thead><tr><td></td><th scope="col">{{ __('Value') }}</th><th scope="col">{{ __('Rank') }}</th><th scope="col">{{ __('Rank a year earlier') }}</th><th scope="col">{{ __('Percentile') }}</th><th scope="col">{{ __('Gap to median') }}</th><th scope="col">{{ __('Gap to best quartile') }}</th>@if (! $peers->target->isNone())<th scope="col">{{ __('Gap to target') }}</th>@endif<th scope="col">{{ __('Growth per year') }}</th><th scope="col">{{ __('Trend') }}</th></tr></thead>
            <tbody>
                @foreach ($standings as $standing)
                    @php($before = $standing->before())
                    <tr class="hue-{{ $standing->line->hue }}">
                        <th scope="row">{{ $standing->line->name }}</th>
                        <td>{{ $number($standing->line->latest()) }}</td>
                        @php($range = \DuskRail\Outcome\PlaceRange::of($comparison, $standing->line))
                        <td>{{ \DuskRail\Words\PlaceWords::short($standing->now) }}@if ($range !== null)<small title="{{ __('Ranks in 95 of 100 redraws of the counts') }}"> {{ __(':ranks by chance', ['ranks' => $range->inWords()]) }}</small>@endif</td>
                        <td>{{ $before === null ? '–' : \DuskRail\Words\PlaceWords::short($before) }}</td>
                        <td>{{ number_format($standing->now->percentile) }}</td>
                        <td>{{ $signed($standing->line->latest() - $standing->now->median) }}</td>
                        <td>{{ $signed($standing->line->latest() - $standing->now->bestQuartile) }}</td>
                        @if (! $peers->target->isNone())<td>{{ $signed($standing->line->latest() - $standing->years[0]['target']) }}</td>@endif
                        <td>{{ is_nan($standing->course->growth) ? '–' : \DuskRail\Data\Numerals::signed($standing->course->growth, 1).' %' }}</td>
                        <td>{{ $comparison->verdict($standing->course->trend) }}</td>
                    </tr>
                    <tr class="why"><td colspan="10">{{ __(':reason; median slope :slope per period (Theil–Sen)', ['reason' => $standing->course->trend->reason, 'slope' => \DuskRail\Rail\Explanation::number($standing->course->slope)]) }}@if ($standing->course->line !== null); {{ __('straight line :intercept :sign :slope × periods', ['intercept' => \DuskRail\Rail\Explanation::number($standing->course->line->intercept), 'sign' => $standing->course->line->slope < 0 ? '−' : '+', 'slope' => \DuskRail\Rail\Explanation::number(abs($standing->course->line->slope))]) }}{{ is_nan($standing->course->line->rSquared) ? '' : ', R² '.number_format($standing->course->line->rSquared, 2) }}@endif.@if ($comparison->isSmoothed()) {{ __('Rolling values overlap, so the values before the window were tested.') }}@endif</td></tr>
                    @if (count($standing->years) > 1)
                        <tr class="over-time"><td colspan="10">
                            <details>
                                <summary>{{ __(':name over time', ['name' => $standing->line->name]) }}</summary>
                                <table>
                                    <thead><tr><td></td><th scope="col">{{ __('Value') }}</th><th scope="col">{{ __('Rank') }}</th><th scope="col">{{ __('Percentile') }}</th><th scope="col">{{ __('Gap to median') }}</th><th scope="col">{{ __('Gap to best quartile') }}</th>@if (! $peers->target->isNone())<th scope="col">{{ __('Gap to target') }}</th>@endif</tr></thead>
                                    <tbody>
                                        @foreach ($standing->years as $then)
                                            <tr>
                                                <th scope="row">{{ $then['period'] }}</th>
                                                <td>{{ $number($then['value']) }}</td>
                                                <td>{{ \DuskRail\Words\PlaceWords::short($then['position']) }}</td>
                                                <td>{{ number_format($then['position']->percentile) }}</td>
                                                <td>{{ $signed($then['value'] - $then['position']->median) }}</td>
                                                <td>{{ $signed($then['value'] - $then['position']->bestQuartile) }}</td>
                                                @if (! $peers->target->isNone())<td>{{ $signed($then['value'] - $then['target']) }}</td>@endif
                                            </tr>
                                        @endforeach
                                    </tbody>
                                </table>
                            </details>
                        </td></tr>
                    @endif
                @endforeach
            </tbody>
        </table>
        <p class="quiet">{{ $standings[0]->years[0]['period'] }}. {{ match ($comparison->better()) {
            \DuskRail\Data\Better::Lower => __('Rank 1 is the lowest.'),
            \DuskRail\Data\Better::Higher => __('Rank 1 is the highest.'),
            \DuskRail\Data\Better::Neither => __('Rank 1 is the highest (the measure does not define which is better).'),
        } }} {{ __('Growth per year compares :what.', ['what' => \DuskRail\Words\CourseWords::compared($comparison)]) }}</p>
    @endif
</div>
