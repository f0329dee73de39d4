@props(['title', 'study' => false])
<!doctype html>
@php($ground = in_array(request()->cookie('dusk-rail-ground'), ['day', 'night'], true) ? request()->cookie('dusk-rail-ground') : rescue(fn () => \App\Models\HouseStyle::current()->asSettings()->ground, 'system', false))
<html lang="{{ str_replace('_', '-', app()->getLocale()) }}" @if($ground !== 'system') data-ground="{{ $ground }}" @endif data-locale="{{ rescue(fn () => \App\Models\HouseStyle::current()->asSettings()->locale, 'en', false) }}">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="htmx-config" content='{"includeIndicatorCSS": false, "history": false, "defaultSettleDelay": 0, "morphIgnore": ["data-htmx-powered", "open", "tabindex"]}'>
    <title>{{ $title }} · Dusk Rail</title>
    <link rel="icon" href="{{ asset('mark.svg') }}" type="image/svg+xml">
    <link rel="stylesheet" href="{{ route('palette') }}">
    @vite(['resources/css/app.scss', 'resources/js/app.js'])
    @php($texts = \App\View\Texts::forScripts())
    @if ($texts !== [])<script type="application/json" id="texts">{!! json_encode($texts, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_HEX_TAG) !!}</script>@endif
</head>
<body hx-headers:inherited='{"X-CSRF-TOKEN": "{{ csrf_token() }}"}' @class(['is-study' => $study])>
{{ $slot }}
</body>
</html>
