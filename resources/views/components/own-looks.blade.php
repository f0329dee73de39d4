{{-- What single lines in focus have for themselves, in place of what all have. --}}
@props(['screen', 'part', 'choices'])
@php($settings = $screen->comparison->study->part($part))
@if ($screen->lineup->focus() !== [])
    <form class="own-looks" hx-post="{{ route('changes.store', $screen->study) }}" hx-trigger="change, submit" hx-target="#workspace" hx-swap="outerMorph">
        <input type="hidden" name="change" value="set">
        <input type="hidden" name="part" value="{{ $part }}">
        @foreach ($screen->lineup->focus() as $line)
            <span class="pair hue-{{ $line->hue }}"><b>{{ $line->name }}</b>
                @foreach ($choices as $name => $options)
                    <span class="select is-small"><select name="settings[own][{{ $line->key }}][{{ $name }}]" aria-label="{{ ucfirst($name) }} of {{ $line->name }}">
                        @foreach ($options as $option => $label)<option value="{{ $option }}" @selected($option === ($settings->own[$line->key][$name] ?? ''))>{{ $label }}</option>@endforeach
                    </select></span>
                @endforeach
            </span>
        @endforeach
    </form>
@endif
