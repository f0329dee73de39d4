<x-layout :title="$status === 404 ? __('Page not found') : __('Request failed')">
    <header class="top"><x-mark /><a class="crumb" href="/">{{ __('Studies and data sets') }}</a></header>
    <main class="page problem">
        <h1>{{ $status === 404 ? __('Page not found') : __('Request failed') }}</h1>
        <p>{{ $sentence }}</p>
        <p><a class="go" href="/">{{ __('Go to the first page') }}</a></p>
    </main>
</x-layout>
