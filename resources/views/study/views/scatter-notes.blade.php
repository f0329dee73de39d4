@php
    $scatter = $screen->outcome;
    $number = fn (\DuskRail\Outcome\Comparison $c, float $v): string => is_nan($v) ? '–' : $c->format($v);
@endphp
@php($same = \DuskRail\Outcome\SameResult::of($scatter))
@if ($same !== null)
<p class="scatter-notes">Same {{ mb_strtolower($scatter->horizontal->measure->name) }} within ± {{ \DuskRail\Data\Numerals::plain((float) $screen->comparison->study->part(\DuskRail\Document\Parts\ScatterPart::class)->likeness->within) }}, highest first: @foreach (array_reverse($same->points) as $point)@if ($point === $same->subject)<b>{{ $point->line->name }} {{ $scatter->vertical->format($point->y) }}</b>@else{{ $point->line->name }} {{ $scatter->vertical->format($point->y) }}@endif{{ $loop->last ? '.' : ', ' }}@endforeach</p>
@endif
<p class="scatter-notes">@if ($scatter->leftOut !== [])
    Excluded: {{ implode(', ', array_map(fn ($p) => $p->line->name, $scatter->leftOut)) }}. Quadrant lines at {{ $number($scatter->vertical, $scatter->cut[1]) }} and {{ $number($scatter->horizontal, $scatter->cut[0]) }}; with the excluded {{ count($scatter->leftOut) === 1 ? 'point' : 'points' }}, {{ $number($scatter->vertical, $scatter->cutWithAll[1]) }} and {{ $number($scatter->horizontal, $scatter->cutWithAll[0]) }}.
@endif
@if ($scatter->without !== [])Only one of the two values available: {{ implode(', ', $scatter->without) }}.@endif
</p>
