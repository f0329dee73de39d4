@php
    $comparison = $screen->comparison;
    $part = $comparison->study->part(\DuskRail\Document\Parts\FiguresPart::class);
    $grid = $screen->outcome;
@endphp
<div class="figures" id="figures" tabindex="0" role="region" aria-label="{{ __('Figures, :subtitle', ['subtitle' => $screen->wording->subtitle]) }}">
@if ($grid === null)
    <p class="empty">{{ $screen->refusal }}</p>
@else
    <table class="table is-narrow">
        <caption>{{ trim($comparison->precision->unit().' '.$comparison->unit()) ?: __('Figures') }}</caption>
        <thead>
            <tr>
                <th scope="col">{{ \App\View\Label::of($grid->corner) }}</th>
                @foreach ($grid->columns as $column)
                    <th scope="col" @class(['hue-'.$column->hue => $column->hue > 0, 'quiet' => $column->quiet]) aria-sort="{{ $part->sort === $column->key ? ($part->downward ? 'descending' : 'ascending') : 'none' }}"><button type="button" class="sorter" data-sort="{{ $column->key }}" data-downward="{{ $part->sort === $column->key && $part->downward ? '0' : '1' }}">{{ $column->name }}{{ $part->sort === $column->key ? ($part->downward ? ' ↓' : ' ↑') : '' }}</button></th>
                @endforeach
            </tr>
        </thead>
        <tbody>
            @foreach ($grid->rows as $i => $row)
                <tr>
                    <th scope="row" @class(['hue-'.$row->hue => $row->hue > 0])>{{ $row->name }}</th>
                    @foreach ($grid->cells[$i] as $at => $value)<td @class(['quiet' => $grid->columns[$at]->quiet || $row->quiet, 'shade-'.$grid->shade($value) => $part->shaded])>{{ $comparison->precision->bare($value, $comparison->fineDecimals()) }}</td>@endforeach

                </tr>
            @endforeach
        </tbody>
    </table>
@endif
</div>
