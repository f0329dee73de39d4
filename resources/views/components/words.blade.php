{{-- Words around the chart, edited where they stand. --}}
@props(['screen', 'part', 'text', 'empty'])
@php($written = $screen->comparison->study->words->toArray()[$part] ?? $text)
@php($runs = $part === 'headline' && $text !== '' ? \DuskRail\Words\Wording::coloured($text, $screen->comparison) : [['text' => $text === '' ? $empty : $text, 'ink' => '', 'bold' => false]])
<form class="words {{ $part }}" data-part="{{ $part }}" hx-post="{{ $screen->study->changesAddress() }}" hx-target="#workspace" hx-swap="outerMorph">
    <input type="hidden" name="change" value="words">
    <input type="hidden" name="part" value="{{ $part }}">
    @if ($part === 'headline')<h1>@else<p>@endif<button type="button" class="shown" title="{{ ['headline' => __('Edit the headline'), 'subtitle' => __('Edit the subtitle'), 'source' => __('Edit the source')][$part] }}">@foreach ($runs as $run)<span @class(['in-'.$run['ink'] => $run['ink'] !== '', 'bold' => $run['bold']])>{{ $run['text'] }}</span>@endforeach</button>@if ($part === 'headline')</h1>@else</p>@endif

    <textarea name="text" rows="1" hidden data-offers="{{ json_encode(\DuskRail\Words\Wording::completions($screen->comparison, $part === 'headline'), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE) }}" aria-label="{{ __(':part. Enter saves, Escape cancels.', ['part' => ['headline' => __('Headline'), 'subtitle' => __('Subtitle'), 'source' => __('Source')][$part]]) }}" maxlength="{{ \DuskRail\Document\OwnWords::LONGEST }}">{{ $written }}</textarea>
    <ul class="completions" role="listbox" aria-label="{{ __('Suggestions') }}" hidden></ul>
    @if ($part === 'headline')<p class="mark-up quiet" hidden>{{ __('*bold* · [text|Veldmere] uses the colour of that line · {change Veldmere since 2019} is updated with the data · Shift+Enter starts a new line') }}</p>@endif
</form>
