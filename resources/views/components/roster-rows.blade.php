{{-- The lines of one group in the roster: state, course and latest value of each. --}}
@props(['lineup', 'lines', 'group' => ''])
@php
    $longest = max([0, ...array_map(fn ($line) => mb_strlen($lineup->format($line->latest())), $lines)]);
@endphp
@region
<ul id="rows-{{ hash('crc32b', $group) }}" @class(['long' => $longest > 6])>
@foreach ($lines as $line)
@php
    $focus = $line->hue > 0;
    $off = $line->state === \DuskRail\Document\LineState::Off;
    $outside = $line->role === \DuskRail\Outcome\LineRole::Outside;
    $name = e($line->name);
    $key = e($line->key);
    $until = max($lineup->from, min($lineup->to, ($lineup->open ?? $lineup->to + 1) - 1));
    $course = \App\Drawing\Svg::path(\DuskRail\Chart\Spark::pieces($line->values, $lineup->from, $until, 46, 20, $lineup->axis instanceof \DuskRail\Time\CycleAxis ? [] : $line->absent));
@endphp
<li class="row{{ $focus ? " f in-{$line->ink()}" : '' }}{{ $off ? ' off' : '' }}{{ $outside ? ' outside' : '' }}" id="row-{!! str_replace(":", "-", $key) !!}" data-line="{!! $key !!}" data-name="{{ mb_strtolower($line->name) }}"><button type="button" class="pick" tabindex="-1" aria-pressed="{{ $focus ? 'true' : 'false' }}" title="{!! $name !!}" data-change="state" data-entity="{!! $key !!}" data-state="{{ $focus ? 'peer' : 'focus' }}"><i></i><span>{!! $name !!}</span><svg width="46" height="20" aria-hidden="true"><path transform="scale(.1)" d="{!! $course !!}"/></svg><em>{{ $lineup->format($line->latest()) }}</em></button><button type="button" class="away" tabindex="-1" aria-label="{{ $off ? 'Show' : 'Hide' }} {!! $name !!}" title="{{ $off ? 'Show' : 'Hide' }}" data-change="state" data-entity="{!! $key !!}" data-state="{{ $off ? 'peer' : 'off' }}">{{ $off ? '+' : '×' }}</button></li>
@endforeach
</ul>
@endregion
