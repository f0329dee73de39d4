@php($comparison = $screen->comparison)
<div id="track" class="track">
@if ($screen->track !== null)
    {!! \App\Drawing\Svg::forScreen($screen->track, [
        'class' => 'track-picture',
        'role' => 'group',
        'aria-label' => $comparison->study->range === null ? __('Track: periods shown (all)') : __('Track: periods shown'),
        'data-left' => (string) $screen->track->plot->left,
        'data-step' => (string) $screen->track->plot->step(),
        'data-count' => (string) $comparison->axis->count,
        'data-first' => (string) $comparison->axis->first,
        'data-frequency' => $comparison->axis->frequency->value,
        'data-year' => (string) ($comparison->axis->frequency->perYear() ?? 0),
        'data-base-stop' => $comparison->indexed()?->placed->id ?? '',
    ]) !!}
@endif
</div>
