@php
    $decimals = $comparison->fineDecimals();
    $number = fn (float $v): string => \DuskRail\Data\Numerals::text($v, $decimals);
    $signed = fn (float $v): string => is_nan($v) ? '–' : \DuskRail\Data\Numerals::signed($v, $decimals);
    $peers = $comparison->study->part(\DuskRail\Document\Parts\PeersPart::class);
@endphp
<div>
    @if ($standings === [])
        <p>Choose a line in the roster to compare it with its peers.</p>
    @else
        <p>Compared with {{ \DuskRail\Words\PeersInWords::of($comparison) }}.</p>
        <table class="standing">
            <thead><tr><td></td><th scope="col">Value</th><th scope="col">Rank</th><th scope="col">Rank a year earlier</th><th scope="col">Percentile</th><th scope="col">Gap to median</th><th scope="col">Gap to best quartile</th>@if (! $peers->target->isNone())<th scope="col">Gap to target</th>@endif<th scope="col">Growth per year</th><th scope="col">Trend</th></tr></thead>
            <tbody>
                @foreach ($standings as $standing)
                    @php($before = $standing->before())
                    <tr class="hue-{{ $standing->line->hue }}">
                        <th scope="row">{{ $standing->line->name }}</th>
                        <td>{{ $number($standing->line->latest()) }}</td>
                        @php($range = \DuskRail\Outcome\PlaceRange::of($comparison, $standing->line))
                        <td>{{ \DuskRail\Words\PlaceWords::short($standing->now) }}@if ($range !== null)<small title="Ranks in 95 of 100 redraws of the counts"> {{ $range->inWords() }} by chance</small>@endif</td>
                        <td>{{ $before === null ? '–' : \DuskRail\Words\PlaceWords::short($before) }}</td>
                        <td>{{ number_format($standing->now->percentile) }}</td>
                        <td>{{ $signed($standing->line->latest() - $standing->now->median) }}</td>
                        <td>{{ $signed($standing->line->latest() - $standing->now->bestQuartile) }}</td>
                        @if (! $peers->target->isNone())<td>{{ $signed($standing->line->latest() - $standing->years[0]['target']) }}</td>@endif
                        <td>{{ is_nan($standing->course->growth) ? '–' : \DuskRail\Data\Numerals::signed($standing->course->growth, 1).' %' }}</td>
                        <td>{{ $comparison->verdict($standing->course->trend) }}</td>
                    </tr>
                    <tr class="why"><td colspan="10">{{ $standing->course->trend->reason }}; median slope {{ \DuskRail\Rail\Explanation::number($standing->course->slope) }} per period (Theil–Sen)@if ($standing->course->line !== null); straight line {{ \DuskRail\Rail\Explanation::number($standing->course->line->intercept) }} {{ $standing->course->line->slope < 0 ? '−' : '+' }} {{ \DuskRail\Rail\Explanation::number(abs($standing->course->line->slope)) }} × periods{{ is_nan($standing->course->line->rSquared) ? '' : ', R² '.number_format($standing->course->line->rSquared, 2) }}@endif.@if ($comparison->isSmoothed()) Rolling values overlap, so the values before the window were tested.@endif</td></tr>
                    @if (count($standing->years) > 1)
                        <tr class="over-time"><td colspan="10">
                            <details>
                                <summary>{{ $standing->line->name }} over time</summary>
                                <table>
                                    <thead><tr><td></td><th scope="col">Value</th><th scope="col">Rank</th><th scope="col">Percentile</th><th scope="col">Gap to median</th><th scope="col">Gap to best quartile</th>@if (! $peers->target->isNone())<th scope="col">Gap to target</th>@endif</tr></thead>
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
        <p class="quiet">{{ $standings[0]->years[0]['period'] }}. Rank 1 is the {{ $comparison->better() === \DuskRail\Data\Better::Lower ? 'lowest' : 'highest' }}{{ $comparison->better() === \DuskRail\Data\Better::Neither ? ' (the measure does not define which is better)' : '' }}. Growth per year compares {{ \DuskRail\Words\CourseWords::compared($comparison) }}.</p>
    @endif
</div>
