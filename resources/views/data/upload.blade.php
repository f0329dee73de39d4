<x-layout :title="__('Import :name', ['name' => $upload->name])">
    <header class="top"><x-mark /><a class="crumb" href="{{ route('data.index') }}">{{ __('Studies and data sets') }}</a><span class="title">{{ $upload->name }}</span></header>
    <main class="page wide">
        @if ($screen === null) @include('data.importing') @else @include('data.understanding') @endif
    </main>
</x-layout>
