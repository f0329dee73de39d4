{{-- Words around the chart, edited where they stand. --}}
@props(['screen', 'part', 'text', 'empty'])
@php($written = $screen->comparison->study->words->toArray()[$part] ?? $text)
@php($runs = $part === 'headline' && $text !== '' ? \DuskRail\Study\Wording::coloured($text, $screen->comparison) : [['text' => $text === '' ? $empty : $text, 'hue' => 0]])
<form class="words {{ $part }}" data-part="{{ $part }}" hx-post="{{ route('changes.store', $screen->study) }}" hx-target="#workspace" hx-swap="outerMorph">
    <input type="hidden" name="change" value="words">
    <input type="hidden" name="part" value="{{ $part }}">
    @if ($part === 'headline')<h1>@else<p>@endif<button type="button" class="shown" title="Click to write the {{ $part }}">@foreach ($runs as $run)<span @class(['hue-'.$run['hue'] => $run['hue'] > 0])>{{ $run['text'] }}</span>@endforeach</button>@if ($part === 'headline')</h1>@else</p>@endif

    <textarea name="text" rows="1" hidden aria-label="{{ ucfirst($part) }}; Enter keeps it, Escape leaves it as it was" maxlength="{{ \DuskRail\Study\Words::LONGEST }}">{{ $written }}</textarea>
</form>
