{{-- The lines of one group in the roster: state, course and latest value of each. Of very many, those that are further down are drawn once they are scrolled to. --}}
@props(['lineup', 'lines', 'group' => '', 'drawn' => null, 'at' => 0])
@php
    $longest = max([0, ...array_map(fn ($line) => mb_strlen($lineup->precision()->bare($line->latest())), $lines)]);
@endphp
{{-- What was drawn later is of one revision alone. --}}
@region
<ul @if ($drawn !== null) data-at="{{ $at }}" @endif id="rows-{{ hash('crc32b', $group) }}" @class(['long' => $longest > 6, 'longer' => $longest > 8])>
@foreach ($lines as $line)
@if ($drawn === null || isset($drawn[$line->key]))
{!! \App\View\RosterRow::of($lineup, $line) !!}
@else
{!! \App\View\RosterRow::later($line) !!}
@endif
@endforeach
</ul>
@endregion
