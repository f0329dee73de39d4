<!doctype html>
<html lang="{{ str_replace('_', '-', app()->getLocale()) }}">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'; script-src 'unsafe-inline'; font-src data:; img-src data:">
<title>{{ $title }}</title>
<style>{!! $styles !!}</style>
</head>
<body>
<nav aria-label="{{ __('Lines') }}"><ul>
@foreach ($names as $key => $name)
<li><button type="button" data-line="{{ $key }}" aria-pressed="false">{{ $name }}</button></li>
@endforeach
</ul></nav>
