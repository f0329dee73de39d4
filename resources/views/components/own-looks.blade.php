{{-- Width, dash and marker of single lines in focus. --}}
@props(['screen'])
@php
    $look = $screen->comparison->study->look;
    $choices = ['width' => \DuskRail\Study\Parts\LookPart::WIDTHS, 'dash' => \DuskRail\Study\Parts\LookPart::DASHES, 'marker' => \DuskRail\Study\Parts\LookPart::MARKERS];
@endphp
@if ($screen->lineup->focus() !== [])
    <form class="own-looks" hx-post="{{ route('changes.store', $screen->study) }}" hx-trigger="change, submit" hx-target="#workspace" hx-swap="outerMorph">
        <input type="hidden" name="change" value="set">
        <input type="hidden" name="part" value="look">
        @foreach ($screen->lineup->focus() as $line)
            <span class="pair hue-{{ $line->hue }}"><b>{{ $line->name }}</b>
                @foreach ($choices as $name => $options)
                    <span class="select is-small"><select name="settings[own][{{ $line->key }}][{{ $name }}]" aria-label="{{ ucfirst($name) }} of {{ $line->name }}">
                        @foreach ($options as $option)<option value="{{ $option }}" @selected($option === ($look->own[$line->key][$name] ?? ''))>{{ $option === '' ? "{$name} as all" : $option }}</option>@endforeach
                    </select></span>
                @endforeach
            </span>
        @endforeach
    </form>
@endif
