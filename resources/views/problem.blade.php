<x-layout title="{{ $status === 404 ? 'Not here' : 'That did not work' }}">
    <header class="top"><x-mark /><a class="crumb" href="/">Data</a></header>
    <main class="page problem">
        <h1>{{ $status === 404 ? 'Not here' : 'That did not work' }}</h1>
        <p>{{ $sentence }}</p>
        <p><a class="go" href="/">To the data page</a></p>
    </main>
</x-layout>
