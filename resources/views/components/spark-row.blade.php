{{-- A row of the Sparks view: an entity, or what its group comes to. A click on the name opens it in Lines. --}}
@props(['screen', 'table', 'row', 'cell', 'facts', 'total'])
@php
    $comparison = $table->comparison;
    $text = fn (float $v): string => is_nan($v) ? '–' : $comparison->precision->bare($v);
    $known = $row === null ? [] : ($comparison->data->entities()[$row->line->key]->attributes ?? []);
@endphp
<tr @class(['total' => $total !== '', 'hue-'.($row->line->hue ?? 0) => ($row->line->hue ?? 0) > 0]) @if($row !== null) data-line="{{ $row->line->key }}" @endif>
    <th scope="row">@if ($total !== ''){{ $total }}@else<button type="button" class="opens" data-open-line="{{ $row->line->key }}" title="{{ __('Open in Lines') }}">{{ $row->line->name }}</button>@endif</th>
    @foreach ($facts as $attribute)<td class="quiet">{{ $known[$attribute] ?? '' }}</td>@endforeach
    @if ($row === null)
        <td colspan="{{ 6 + count(\DuskRail\Words\SparkColumns::heads($table)) }}"></td>
    @else
        <td class="spark"><button type="button" data-draw-row="{{ $row->line->key }}" data-group="{{ $row->line->isGroup() ? $row->line->name : $row->line->group }}" title="{{ $total === '' ? __('Change the form of this row') : __('Change the form of this group') }}" aria-label="{{ __('Change the form of :name', ['name' => $row->line->name]) }}">{!! \App\Drawing\Svg::forScreen(new \DuskRail\Chart\Scene(150, 24, $cell->marks($row->line, 150, 24)), ['aria-hidden' => 'true']) !!}</button></td>
        <td>{{ $text($row->line->latest()) }}</td>
        <td>{{ is_nan($row->course->change) ? '–' : $comparison->precision->signed($row->course->change, bare: true) }}</td>
        <td>{{ is_nan($row->course->growth) ? '–' : \DuskRail\Data\Numerals::signed($row->course->growth, 1).' %' }}</td>
        <td>{{ $row->rank ?? '' }}</td>
        <td class="verdict" title="{{ $row->course->trend->reason }}">{{ $comparison->verdict($row->course->trend) }}</td>
        @foreach (\DuskRail\Words\SparkColumns::texts($table, $row) as $told)
            @if ($loop->first && $table->hasProspects())<td class="verdict" title="{{ \DuskRail\Words\OutlookWords::workingOf($comparison, $row->line) }}">{{ $told }}</td>@else<td>{{ $told }}</td>@endif
        @endforeach
    @endif
</tr>
