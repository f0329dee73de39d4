{{-- One thing about a stop or a part of a study that can be changed. --}}
@props(['field', 'id'])
@if ($field->kind === 'several')
    {{-- Points of a line are chosen on a line. --}}
    @php($isCourse = isset($field->options['highest'], $field->options['lowest']))
    <fieldset @class(['several', 'course' => $isCourse])>
        <legend class="lead">{{ \App\View\Label::of($field->lead) }}</legend>
        <input type="hidden" name="settings[{{ $field->name }}]" value="">
        @if ($isCourse)
            <svg viewBox="0 0 240 84" width="240" height="84" aria-hidden="true">
                @isset($field->options['negative'])<path class="zero" d="M0 58h240"/>@endisset
                <path d="M14 46 42 34 78 18 112 40 146 70 164 52 184 66 226 30"/>
            </svg>
        @endif
        @foreach ($field->options as $value => $label)
            <label @class(["at-{$value}" => $isCourse])><input type="checkbox" name="settings[{{ $field->name }}][]" value="{{ $value }}" @checked(in_array((string) $value, explode(',', $field->value), true))> {{ \App\View\Label::of($label) }}</label>
        @endforeach
    </fieldset>
@else
    <span @class(['pair', 'wide' => $field->long])><label class="lead" for="{{ $id }}">{{ \App\View\Label::of($field->lead) }}</label>
    @if ($field->kind === 'choice')
        <span class="select is-small"><select id="{{ $id }}" name="settings[{{ $field->name }}]">
            @foreach ($field->options as $value => $label)
                <option value="{{ $value }}" @selected((string) $value === $field->value)>{{ \App\View\Label::of($label) }}</option>
            @endforeach
        </select></span>
    @elseif ($field->kind === 'slider')
        @php($stands = $field->value === '' ? ($field->hint === 'above' ? $field->high : $field->low) : (float) $field->value)
        <input id="{{ $id }}" type="range" class="slider" data-end="{{ $field->hint === 'above' ? 'max' : 'min' }}" min="{{ $field->low }}" max="{{ $field->high }}" step="{{ ($field->high - $field->low) / 200 }}" value="{{ $stands }}"><input type="hidden" name="settings[{{ $field->name }}]" value="{{ $field->value }}"><output for="{{ $id }}">{{ $field->value === '' ? __('none') : \DuskRail\Data\Numerals::text($stands, \DuskRail\Data\Numerals::decimals([$field->low, $field->high])) }}</output>
    @else
        @php($hint = trim(\App\View\Label::of($field->hint).' '.implode(', ', $field->listed)))
        <input id="{{ $id }}" class="input is-small {{ $field->kind }}{{ $field->long ? ' long' : '' }}" name="settings[{{ $field->name }}]" value="{{ $field->value }}" autocomplete="off" @if($field->kind === 'number') inputmode="decimal" @endif @if($hint !== '') title="{{ $hint }}" placeholder="{{ $hint }}" @endif>
        @if ($field->long)<p class="hint quiet">{{ $hint }}</p>@endif
    @endif</span>
@endif
