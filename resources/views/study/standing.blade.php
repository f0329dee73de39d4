@php
    $decimals = $comparison->decimals + 1;
    $signed = fn (float $v): string => is_nan($v) ? '–' : \DuskRail\Data\Numerals::signed($v, $decimals);
@endphp
<div>
    @if ($standings === [])
        <p>Put a line in focus, with peers behind it, to see where it stands.</p>
    @else
        <table class="standing">
            <thead><tr><td></td><th scope="col">value</th><th scope="col">place</th><th scope="col">a year before</th><th scope="col">percentile</th><th scope="col">to median</th><th scope="col">to best quartile</th><th scope="col">a year</th><th scope="col">course</th></tr></thead>
            <tbody>
                @foreach ($standings as $standing)
                    <tr class="hue-{{ $standing->line->hue }}">
                        <th scope="row">{{ $standing->line->name }}</th>
                        <td>{{ \DuskRail\Data\Numerals::text($standing->line->latest(), $decimals) }}</td>
                        <td>{{ $standing->now->rank }} of {{ $standing->now->of }}</td>
                        <td>{{ $standing->before === null ? '–' : "{$standing->before->rank} of {$standing->before->of}" }}</td>
                        <td>{{ number_format($standing->now->percentile) }}</td>
                        <td>{{ $signed($standing->line->latest() - $standing->now->median) }}</td>
                        <td>{{ $signed($standing->line->latest() - $standing->now->bestQuartile) }}</td>
                        <td>{{ is_nan($standing->trend->growth) ? '–' : \DuskRail\Data\Numerals::signed($standing->trend->growth, 1).' %' }}</td>
                        <td>{{ $standing->trend->verdict }}</td>
                    </tr>
                    <tr class="why"><td colspan="9">{{ $standing->trend->reason }}; median slope {{ \DuskRail\Rail\Explanation::number($standing->trend->slope) }} a period (Theil–Sen)@if ($standing->trend->line !== null); straight line {{ \DuskRail\Rail\Explanation::number($standing->trend->line->intercept) }} {{ $standing->trend->line->slope < 0 ? '−' : '+' }} {{ \DuskRail\Rail\Explanation::number(abs($standing->trend->line->slope)) }} × periods, R² {{ number_format($standing->trend->line->rSquared, 2) }}@endif.@if ($comparison->isSmoothed()) The values overlap, as rolling ones do, so the test looks surer than it is.@endif</td></tr>
                @endforeach
            </tbody>
        </table>
        <p class="quiet">In {{ $standings[0]->period }}; the first place is the {{ $comparison->data->better === \DuskRail\Data\Better::Lower ? 'lowest' : 'highest' }}{{ $comparison->data->better === \DuskRail\Data\Better::Neither ? ', since the measure does not say which way is better' : '' }}.</p>
    @endif
    <form hx-post="{{ route('changes.store', $study) }}" hx-trigger="change" hx-target="#workspace" hx-swap="outerMorph">
        <input type="hidden" name="change" value="peers">
        <label class="lead" for="band">behind the lines</label>
        <span class="select is-small"><select name="band" id="band">
            @foreach (\DuskRail\Study\Band::cases() as $band)<option value="{{ $band->value }}" @selected($band === $comparison->study->band)>{{ $band->label() }}</option>@endforeach
        </select></span>
        <label><input type="checkbox" name="median" value="1" @checked($comparison->study->median)> the peer median</label>
    </form>
</div>
