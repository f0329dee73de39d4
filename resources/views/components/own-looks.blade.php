{{-- What single lines in focus have for themselves, in place of what all have. --}}
@props(['screen', 'part', 'of'])
@php($own = $screen->comparison->study->part($part)->own)
@php($settings = \DuskRail\Settings\Declaration::of($of)->settings)
@if ($screen->lineup->focus() !== [])
    <form class="own-looks" hx-post="{{ $screen->study->changesAddress() }}" hx-trigger="change, submit" hx-target="#workspace" hx-swap="outerMorph">
        <input type="hidden" name="change" value="set">
        <input type="hidden" name="part" value="{{ $part::name() }}">
        @foreach ($screen->lineup->focus() as $line)
            <span class="pair hue-{{ $line->hue }}"><b>{{ $line->name }}</b>
                @foreach ($settings as $name => $setting)
                    <span class="select is-small"><select name="settings[own][{{ $line->key }}][{{ $name }}]" aria-label="{{ __(':setting of :line', ['setting' => \App\View\Label::of(ucfirst($name)), 'line' => $line->name]) }}">
                        @foreach ($setting->kind->options as $option => $label)<option value="{{ $option }}" @selected($option === ($own[$line->key]->{$name} ?? ''))>{{ \App\View\Label::of(\DuskRail\Settings\Setting::capital($label)) }}</option>@endforeach
                    </select></span>
                @endforeach
            </span>
        @endforeach
    </form>
@endif
