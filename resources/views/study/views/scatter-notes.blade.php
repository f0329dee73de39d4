@php
    $scatter = $screen->outcome;
    $number = fn (\DuskRail\Outcome\Comparison $c, float $v): string => is_nan($v) ? '–' : $c->format($v);
@endphp
<p class="scatter-notes">@if ($scatter->leftOut !== [])
    Excluded: {{ implode(', ', array_map(fn ($p) => $p->line->name, $scatter->leftOut)) }}. Quadrant lines at {{ $number($scatter->vertical, $scatter->cut[1]) }} and {{ $number($scatter->horizontal, $scatter->cut[0]) }}; with the excluded {{ count($scatter->leftOut) === 1 ? 'point' : 'points' }}, {{ $number($scatter->vertical, $scatter->cutWithAll[1]) }} and {{ $number($scatter->horizontal, $scatter->cutWithAll[0]) }}.
@endif
@if ($scatter->without !== [])Only one of the two values available: {{ implode(', ', $scatter->without) }}.@endif
</p>
