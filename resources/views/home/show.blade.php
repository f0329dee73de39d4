<x-layout :title="__('Studies and data sets')">
    <header class="top">
        <x-mark />
        <form class="search" role="search" method="get" action="{{ route('data.index') }}">
            <input class="input" type="search" name="q" id="search" value="{{ $page->search }}" maxlength="100" autocomplete="off" placeholder="{{ __('Find a study, data set, entity or measure') }}" aria-label="{{ __('Find a study, data set, entity or measure') }}" hx-get="{{ route('data.index') }}" hx-trigger="input changed delay:250ms" hx-target="#found" hx-swap="outerHTML" hx-push-url="false">
            <kbd aria-hidden="true">/</kbd>
        </form>
        <span class="right"><a class="plain" href="{{ route('help') }}">{{ __('Help') }}</a><a class="plain" href="{{ route('style.show') }}">{{ __('House style') }}</a><a class="plain" href="{{ route('bin.show') }}">{{ __('Bin') }}</a><x-theme-switch /><label class="go" for="add-data">{{ __('Add data') }}</label></span>
    </header>
    <nav class="sections" aria-label="{{ __('Sections') }}">
        <a href="#studies" class="on">{{ __('Studies') }} <span>{{ \DuskRail\Data\Numerals::count($page->counts['studies']) }}</span></a>
        <a href="#briefs">{{ __('Briefs') }} <span>{{ \DuskRail\Data\Numerals::count($page->counts['briefs']) }}</span></a>
        <a href="#datasets">{{ __('Data sets') }} <span>{{ \DuskRail\Data\Numerals::count($page->counts['datasets']) }}</span></a>
    </nav>
    <main class="home">
        @if (session('message'))<p class="said" role="status">{{ session('message') }}</p>@endif
        @if ($errors->any())<p class="said wrong" role="alert">{{ $errors->first() }}</p>@endif
        @foreach ($underWay as $upload)<p class="said" role="status"><a href="{{ route('uploads.show', $upload) }}">{{ $upload->name }}: {{ $upload->state === 'done' ? __('imported') : __('importing …') }}</a></p>@endforeach
        @if ($page->counts['datasets'] === 0)
            <section class="newcomer">
                <h1>{{ __('Compare many lines, and say what they show') }}</h1>
                <p>{{ __('Dusk Rail puts one of them before all others: per head, against a base year, year over year, among its peers.') }}</p>
                <div class="columns">
                    <div class="column">@include('home.drop')</div>
                    <form class="column" method="post" action="{{ route('demo.load') }}">@csrf<x-once />
                        <h2>{{ __('No file at hand?') }}</h2>
                        <p>{{ __('Look at the demo: 24 water utilities that do not exist, ten years of months, and studies of them.') }}</p>
                        <button class="button">{{ __('Load the demo') }}</button>
                    </form>
                </div>
            </section>
        @else
            @include('home.found')
        @endif
        <footer class="quiet about">Dusk Rail {{ config('duskrail.version') }}</footer>
    </main>
</x-layout>
