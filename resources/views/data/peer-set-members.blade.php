@php
    $membership = $screen->membership;
    $in = array_values(array_filter($membership->candidates, fn ($c) => $c->isIn));
    $out = array_values(array_filter($membership->candidates, fn ($c) => ! $c->isIn));
    $entities = $screen->data->entities();
    $peers = array_filter($in, fn ($c) => ! $entities[$c->key]->home && $c->key !== ($screen->rules->nearest->to ?? null));
@endphp
<h2>{{ trans_choice(':count peer|:count peers', count($peers)) }}</h2>
<p>{{ $membership->inWords() }}</p>
<div class="sample" tabindex="0" role="group" aria-label="{{ __('Members') }}">
<table class="table is-narrow members">
    <thead><tr><th scope="col">{{ __('Entity') }}</th>@if ($screen->rules->nearest !== null)<th scope="col" title="{{ __('Root of the weighted mean of the squared differences, in robust standard deviations') }}">{{ __('Distance') }}</th>@endif @foreach ($screen->columns() as $of)<th scope="col">{{ $membership->nameOf($of) }}</th>@endforeach<th scope="col">{{ __('Note') }}</th></tr></thead>
    @foreach ([__('In the set') => $in, __('Not in the set') => $out] as $label => $candidates)
        @if ($candidates !== [])
        <tbody>
            <tr class="part"><th scope="rowgroup" colspan="{{ count($screen->columns()) + 3 }}">{{ $label }}: {{ count($candidates) }}</th></tr>
            @foreach (array_slice($candidates, 0, 200) as $candidate)
                <tr @class(['out' => ! $candidate->isIn])>
                    <th scope="row">{{ $candidate->name }}</th>
                    @if ($screen->rules->nearest !== null)<td>{{ $candidate->distance === null ? '' : \DuskRail\Data\Numerals::text($candidate->distance, 2) }}</td>@endif
                    @foreach ($screen->columns() as $of)<td>{{ $screen->value($candidate, $of) }}@if (isset($candidate->parts[$of]))<small title="{{ __('Difference in robust standard deviations') }}"> {{ \DuskRail\Data\Numerals::text($candidate->parts[$of], 1) }}</small>@endif</td>@endforeach
                    <td class="why">{{ $candidate->why }}</td>
                </tr>
            @endforeach
            @if (count($candidates) > 200)<tr><td colspan="{{ count($screen->columns()) + 3 }}">{{ __(':count more', ['count' => count($candidates) - 200]) }}</td></tr>@endif
        </tbody>
        @endif
    @endforeach
</table>
</div>
