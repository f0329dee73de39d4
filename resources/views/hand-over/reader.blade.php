<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'; script-src 'unsafe-inline'; font-src data:; img-src data:">
<title>{{ $title }}</title>
<style>{!! $styles !!}</style>
</head>
<body>
<nav aria-label="Lines"><ul>
@foreach ($names as $key => $name)
<li><button type="button" data-line="{{ $key }}" aria-pressed="false">{{ $name }}</button></li>
@endforeach
</ul></nav>
<main>
@if ($choices !== [])
<p class="choices">
@foreach ($choices as $stop => $labels)
<select aria-label="{{ $labels[0] }}, or another">@foreach ($labels as $label)<option>{{ $label }}</option>@endforeach</select>
@endforeach
</p>
@endif
@foreach ($variants as $choice => $variant)
<article data-variant="{{ $choice }}" @if($choice !== $now) hidden @endif>
<h1>@foreach ($variant['runs'] as $run)<span @class(['in-'.$run['ink'] => $run['ink'] !== '', 'bold' => $run['bold']])>{{ $run['text'] }}</span>@endforeach</h1>
<p class="subtitle">{{ $variant['wording']->subtitle }}</p>
<div class="picture" data-plot="{{ json_encode($variant['plot'], JSON_THROW_ON_ERROR) }}" data-readouts="{{ json_encode($variant['readouts'], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE) }}">{!! $variant['svg'] !!}<p class="readout" hidden></p></div>
<p class="source">{{ $variant['wording']->source }}</p>
</article>
@endforeach
</main>
<script>{!! $script !!}</script>
</body>
</html>
