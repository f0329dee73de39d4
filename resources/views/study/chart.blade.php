@php($comparison = $screen->comparison)
<div id="chart" data-width="{{ (int) ($screen->chart->width ?? 0) }}" data-height="{{ (int) ($screen->chart->height ?? 0) }}">
@if ($screen->chart === null || $comparison->present() === [])
    <p class="empty">{{ $comparison->lines === [] ? 'This measure has no figures yet. Add a file that holds them on the data page.' : 'Every line is off. Bring one back in the roster.' }}</p>
@else
    {!! \App\Drawing\Svg::forScreen($screen->chart, [
        'class' => 'chart',
        'tabindex' => '0',
        'role' => 'application',
        'aria-label' => "{$screen->wording->subtitle}. {$screen->chart->description} Arrow keys read the points.",
        'data-left' => (string) $screen->chart->plot->left,
        'data-step' => (string) $screen->chart->plot->step(),
        'data-from' => (string) $comparison->from,
        'data-to' => (string) $comparison->to,
        'data-top' => (string) $screen->chart->plot->top,
        'data-bottom' => (string) $screen->chart->plot->bottom,
        'data-working' => route('working.show', [$screen->study, 'LINE', 0]),
        'data-readouts' => route('readouts.show', [$screen->study, 'LINE']).'?at='.$screen->study->revision_id,
    ]) !!}
    <div class="readout" id="readout" hidden><b></b><span></span><span></span></div>
    <p class="is-sr-only" id="spoken" aria-live="polite"></p>
@endif
</div>
