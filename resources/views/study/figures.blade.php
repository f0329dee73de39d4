@php
    $comparison = $screen->comparison;
    $lines = $comparison->sorted();
    $lines = array_values(array_filter($lines, fn ($line) => $line->state !== \DuskRail\Study\LineState::Off));
    usort($lines, fn ($a, $b) => ($a->hue ?: 99) <=> ($b->hue ?: 99));
@endphp
<div class="figures" id="figures" tabindex="0" role="region" aria-label="Figures, {{ $screen->wording->subtitle }}">
    <table class="table is-narrow">
        <caption>{{ $comparison->unit() === '' ? 'Figures' : $comparison->unit() }}</caption>
        <thead>
            <tr>
                <th scope="col">Period</th>
                @foreach ($lines as $line)
                    <th scope="col" @class(['hue-'.$line->hue => $line->hue > 0])>{{ $line->name }}</th>
                @endforeach
                @if ($comparison->peerLine !== [])<th scope="col" class="quiet">{{ $comparison->study->peers->lineName() }}</th>@endif
            </tr>
        </thead>
        <tbody>
            @for ($i = $comparison->to; $i >= $comparison->from; $i--)
                <tr>
                    <th scope="row">{{ $comparison->axis->period($i)->short() }}</th>
                    @foreach ($lines as $line)
                        <td>{{ \DuskRail\Data\Numerals::text($line->values[$i], $comparison->decimals + 1) }}</td>
                    @endforeach
                    @if ($comparison->peerLine !== [])<td class="quiet">{{ \DuskRail\Data\Numerals::text($comparison->peerLine[$i], $comparison->decimals + 1) }}</td>@endif
                </tr>
            @endfor
        </tbody>
    </table>
</div>
