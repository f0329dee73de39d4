@php
    $scatter = $screen->outcome;
    $number = fn (\DuskRail\Outcome\Comparison $c, float $v): string => is_nan($v) ? '–' : $c->format($v);
@endphp
@php($same = \DuskRail\Outcome\SameResult::of($scatter))
@if ($same !== null)
<p class="scatter-notes">{{ __('Same :measure within ± :distance, highest first:', ['measure' => mb_strtolower($scatter->horizontal->measure->name), 'distance' => \DuskRail\Data\Numerals::plain((float) $screen->comparison->study->part(\DuskRail\Document\Parts\ScatterPart::class)->likeness->within)]) }} @foreach (array_reverse($same->points) as $point)@if ($point === $same->subject)<b>{{ $point->line->name }} {{ $scatter->vertical->format($point->y) }}</b>@else{{ $point->line->name }} {{ $scatter->vertical->format($point->y) }}@endif{{ $loop->last ? '.' : ', ' }}@endforeach</p>
@endif
<p class="scatter-notes">@if ($scatter->leftOut !== [])
    {{ trans_choice('Excluded: :names. Quadrant lines at :y and :x; with the excluded point, :ywithall and :xwithall.|Excluded: :names. Quadrant lines at :y and :x; with the excluded points, :ywithall and :xwithall.', count($scatter->leftOut), ['names' => implode(', ', array_map(fn ($p) => $p->line->name, $scatter->leftOut)), 'y' => $number($scatter->vertical, $scatter->cut[1]), 'x' => $number($scatter->horizontal, $scatter->cut[0]), 'ywithall' => $number($scatter->vertical, $scatter->cutWithAll[1]), 'xwithall' => $number($scatter->horizontal, $scatter->cutWithAll[0])]) }}
@endif
@if ($scatter->without !== []){{ __('Only one of the two values available: :names.', ['names' => implode(', ', $scatter->without)]) }}@endif
</p>
