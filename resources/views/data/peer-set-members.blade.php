@php
    $membership = $screen->membership;
    $in = array_values(array_filter($membership->candidates, fn ($c) => $c->isIn));
    $out = array_values(array_filter($membership->candidates, fn ($c) => ! $c->isIn));
    $entities = $screen->data->entities();
    $peers = array_filter($in, fn ($c) => ! $entities[$c->key]->home && $c->key !== ($screen->rules->nearest->to ?? null));
@endphp
<h2>{{ count($peers) }} {{ Str::plural('peer', count($peers)) }}</h2>
<p>{{ $membership->inWords() }}</p>
<div class="sample" tabindex="0" role="group" aria-label="Members">
<table class="table is-narrow members">
    <thead><tr><th scope="col">Entity</th>@if ($screen->rules->nearest !== null)<th scope="col" title="Root of the weighted mean of the squared differences, in robust standard deviations">Distance</th>@endif @foreach ($screen->columns() as $of)<th scope="col">{{ $membership->nameOf($of) }}</th>@endforeach<th scope="col">Note</th></tr></thead>
    @foreach (['In the set' => $in, 'Not in the set' => $out] as $label => $candidates)
        @if ($candidates !== [])
        <tbody>
            <tr class="part"><th scope="rowgroup" colspan="{{ count($screen->columns()) + 3 }}">{{ $label }}: {{ count($candidates) }}</th></tr>
            @foreach (array_slice($candidates, 0, 200) as $candidate)
                <tr @class(['out' => ! $candidate->isIn])>
                    <th scope="row">{{ $candidate->name }}</th>
                    @if ($screen->rules->nearest !== null)<td>{{ $candidate->distance === null ? '' : \DuskRail\Data\Numerals::text($candidate->distance, 2) }}</td>@endif
                    @foreach ($screen->columns() as $of)<td>{{ $screen->value($candidate, $of) }}@if (isset($candidate->parts[$of]))<small title="Difference in robust standard deviations"> {{ \DuskRail\Data\Numerals::text($candidate->parts[$of], 1) }}</small>@endif</td>@endforeach
                    <td class="why">{{ $candidate->why }}</td>
                </tr>
            @endforeach
            @if (count($candidates) > 200)<tr><td colspan="{{ count($screen->columns()) + 3 }}">{{ count($candidates) - 200 }} more</td></tr>@endif
        </tbody>
        @endif
    @endforeach
</table>
</div>
