@php
    $view = $screen->view;
    $lineup = $screen->lineup;
    // A picture without axes has none.
    $plot = $screen->chart?->plot;
@endphp
<div id="chart" data-width="{{ (int) $screen->width }}" data-height="{{ (int) $screen->height }}" @class(['split' => $screen->rows !== []])>
@if ($screen->refusal !== '')
    <p class="empty">{{ $screen->refusal }} <a href="{{ route('help') }}#views" target="_blank">{{ __('Help: views') }}</a></p>
@elseif ($screen->rows !== [])
    <div class="panels" tabindex="0" role="application" aria-label="{{ __(':subtitle, in panels. Arrow keys go from period to period and from panel to panel.', ['subtitle' => $screen->wording->subtitle]) }}" data-points="{{ route('points.show', $screen->study) }}?at={{ $screen->study->revision_id }}" data-readouts="{{ route('readouts.index', $screen->study) }}?at={{ $screen->study->revision_id }}" data-working="{{ route('working.show', [$screen->study, 'LINE', 0]) }}">
        @foreach ($screen->rows as $row)
            {!! \App\Drawing\Svg::forScreen($row, ['class' => 'panel-row', 'aria-hidden' => 'true']) !!}
        @endforeach
    </div>
    <p class="readout-place" id="panel-place" hidden></p>
    <p class="is-sr-only" id="spoken" aria-live="polite"></p>
@elseif ($screen->chart !== null)
    {!! \App\Drawing\Svg::forScreen($screen->chart, [
        'class' => 'chart',
        'tabindex' => '0',
        'role' => 'application',
        'aria-label' => "{$screen->wording->subtitle}. {$screen->chart->description} ".__('Arrow keys read the points.'),
        'data-view' => $view->name(),
        'data-tools' => implode(' ', $view->tools()),
        'data-left' => (string) ($plot->left ?? 0),
        'data-step' => $view->readsAlongLines() && $plot !== null ? (string) $plot->step() : '0',
        'data-from' => (string) $lineup->from,
        'data-to' => (string) $lineup->to,
        'data-top' => (string) ($plot->top ?? 0),
        'data-bottom' => (string) ($plot->bottom ?? 0),
        'data-log' => ($screen->chart->scale->log ?? false) ? '1' : '0',
        'data-low' => (string) ($screen->chart->scale->low ?? 0),
        'data-high' => (string) ($screen->chart->scale->high ?? 0),
        'data-working' => route('working.show', [$screen->study, 'LINE', 0]),
        'data-points' => route('points.show', $screen->study).'?at='.$screen->study->revision_id,
        'data-readouts' => route('readouts.show', [$screen->study, 'LINE']).'?at='.$screen->study->revision_id,
    ]) !!}
    <div class="readout" id="readout" hidden><b></b><span></span><span></span></div>
    <p class="is-sr-only" id="spoken" aria-live="polite"></p>
@endif
</div>
