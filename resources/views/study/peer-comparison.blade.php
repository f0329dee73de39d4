@php
    $number = fn (float $v): string => \DuskRail\Rail\Explanation::number($v);
    $yearly = array_values(array_filter($statistics, fn ($one) => $one->isYearly()));
@endphp
<div>
    @if ($comparisons === [])
        <p>{{ __('Choose a line in the roster to compare it with its peers.') }}</p>
    @else
        <p>{{ __('Compared with :peers.', ['peers' => \DuskRail\Words\PeersInWords::of($comparison)]) }}</p>
        <table class="peer-comparison">
            <thead><tr><td></td>@foreach ($statistics as $one)<th scope="col">{{ \App\View\Label::of($one::title()) }}</th>@endforeach</tr></thead>
            <tbody>
                @foreach ($comparisons as $of)
                    @php($trend = $of->trend)
                    <tr class="hue-{{ $of->line->hue }}">
                        <th scope="row">{{ $of->line->name }}</th>
                        @foreach ($statistics as $one)<td>{{ $one->text($of, $of->years[0]) }}</td>@endforeach
                    </tr>
                    <tr class="why"><td colspan="{{ count($statistics) + 1 }}">{{ __(':reason; median slope :slope per period (Theil–Sen)', ['reason' => $trend->trend->reason, 'slope' => $number($trend->slope)]) }}@if ($trend->line !== null); {{ __('straight line :intercept :sign :slope × periods', ['intercept' => $number($trend->line->intercept), 'sign' => $trend->line->slope < 0 ? '−' : '+', 'slope' => $number(abs($trend->line->slope))]) }}{{ is_nan($trend->line->rSquared) ? '' : ', R² '.\DuskRail\Data\Numerals::text($trend->line->rSquared, 2) }}@endif.@if ($comparison->isSmoothed()) {{ __('Rolling values overlap, so the values before the window were tested.') }}@endif</td></tr>
                    @if (count($of->years) > 1)
                        <tr class="over-time"><td colspan="{{ count($statistics) + 1 }}">
                            <details>
                                <summary>{{ __(':name over time', ['name' => $of->line->name]) }}</summary>
                                <table>
                                    <thead><tr><td></td>@foreach ($yearly as $one)<th scope="col">{{ \App\View\Label::of($one::title()) }}</th>@endforeach</tr></thead>
                                    <tbody>
                                        @foreach ($of->years as $year)<tr><th scope="row">{{ $year->period }}</th>@foreach ($yearly as $one)<td>{{ $one->text($of, $year) }}</td>@endforeach</tr>@endforeach
                                    </tbody>
                                </table>
                            </details>
                        </td></tr>
                    @endif
                @endforeach
            </tbody>
        </table>
        <p class="quiet">{{ $comparisons[0]->years[0]->period }}. {{ match ($comparison->better()) {
            \DuskRail\Data\Better::Lower => __('Rank 1 is the lowest.'),
            \DuskRail\Data\Better::Higher => __('Rank 1 is the highest.'),
            \DuskRail\Data\Better::Neither => __('Rank 1 is the highest (the measure does not define which is better).'),
        } }} {{ __('Growth per year compares :what.', ['what' => \DuskRail\Words\TrendWords::compared($comparison)]) }}</p>
    @endif
</div>
