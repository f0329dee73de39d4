@foreach ($orders as $order)
    @php($where = ($order->earlier ? 'Before' : 'After')." “{$order->neighbour}”")
    @if ($order->refusal !== '')
        <p class="quiet">{{ $where }}, this stop is not possible: {{ $order->refusal }}</p>
    @elseif (! $order->differs)
        <p class="quiet">{{ $where }}, the result would be the same.</p>
    @else
        <figure class="orders">
            <svg width="220" height="54" role="img" aria-label="{{ $line->name }} in both orders">
                @foreach (\DuskRail\Chart\Spark::together([$line->values, $order->values], $comparison->from, $comparison->to, 220, 54) as $i => $pieces)
                    <path transform="scale(.1)" d="{{ \App\Drawing\Svg::path($pieces) }}" @class(['now' => $i === 0, 'other' => $i === 1]) />
                @endforeach
            </svg>
            <figcaption>{{ $where }}, {{ $line->name }} would end at <b>{{ \DuskRail\Data\Numerals::text($order->at($line->last), $comparison->fineDecimals()) }}</b> (dashed), not at <b>{{ \DuskRail\Data\Numerals::text($line->latest(), $comparison->fineDecimals()) }}</b>.</figcaption>
        </figure>
    @endif
@endforeach
