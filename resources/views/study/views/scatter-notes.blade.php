@php
    $scatter = $screen->outcome;
    $number = fn (\DuskRail\Outcome\Comparison $c, float $v): string => is_nan($v) ? '–' : $c->format($v);
@endphp
<p class="scatter-notes">@if ($screen->comparison->axis->count > 1 || $screen->comparison->axis->frequency !== \DuskRail\Time\Frequency::Number){{ ucfirst($scatter->when) }}.@endif
@if ($scatter->leftOut !== [])
    Left out: {{ implode(', ', array_map(fn ($p) => $p->line->name, $scatter->leftOut)) }}. Cut without {{ count($scatter->leftOut) === 1 ? 'it' : 'them' }} at {{ $number($scatter->vertical, $scatter->cut[1]) }} and {{ $number($scatter->horizontal, $scatter->cut[0]) }}; with, at {{ $number($scatter->vertical, $scatter->cutWithAll[1]) }} and {{ $number($scatter->horizontal, $scatter->cutWithAll[0]) }}.
@endif
@if ($scatter->without !== [])Without one of the two values: {{ implode(', ', $scatter->without) }}.@endif
</p>
