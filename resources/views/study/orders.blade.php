@foreach ($orders as $order)
    @php($where = $order->earlier ? __('Before “:stop”', ['stop' => $order->neighbour]) : __('After “:stop”', ['stop' => $order->neighbour]))
    @if ($order->refusal !== '')
        <p class="quiet">{{ __(':where, this stop is not possible: :refusal', ['where' => $where, 'refusal' => $order->refusal]) }}</p>
    @elseif (! $order->differs)
        <p class="quiet">{{ __(':where, the result would be the same.', ['where' => $where]) }}</p>
    @else
        <figure class="orders">
            <svg width="220" height="54" role="img" aria-label="{{ __(':name in both orders', ['name' => $line->name]) }}">
                @foreach (\DuskRail\Chart\Spark::together([$line->values, $order->values], $comparison->from, $comparison->to, 220, 54) as $i => $pieces)
                    <path transform="scale(.1)" d="{{ \App\Drawing\Svg::path($pieces) }}" @class(['now' => $i === 0, 'other' => $i === 1]) />
                @endforeach
            </svg>
            <figcaption>{!! __(':where, :name would end at :then (dashed), not at :now.', ['where' => e($where), 'name' => e($line->name), 'then' => '<b>'.$comparison->precision->text($order->at($line->last), $comparison->fineDecimals()).'</b>', 'now' => '<b>'.$comparison->precision->text($line->latest(), $comparison->fineDecimals()).'</b>']) !!}</figcaption>
        </figure>
    @endif
@endforeach
