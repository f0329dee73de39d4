<x-layout title="Bring {{ $screen->upload->name }}">
    <header class="top"><x-mark /><a class="crumb" href="{{ route('data.index') }}">Data</a><span class="title">{{ $screen->upload->name }}</span></header>
    <main class="page wide">
        @include('data.understanding')
    </main>
</x-layout>
