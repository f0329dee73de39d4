<x-layout title="{{ $status === 404 ? 'Page not found' : 'Request failed' }}">
    <header class="top"><x-mark /><a class="crumb" href="/">Studies and data sets</a></header>
    <main class="page problem">
        <h1>{{ $status === 404 ? 'Page not found' : 'Request failed' }}</h1>
        <p>{{ $sentence }}</p>
        <p><a class="go" href="/">Go to the first page</a></p>
    </main>
</x-layout>
