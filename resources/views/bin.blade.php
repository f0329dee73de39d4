<x-layout :title="__('Bin')">
    <header class="top"><x-mark /><a class="crumb" href="{{ route('data.index') }}">{{ __('Studies and data sets') }}</a><span class="right"><x-theme-switch /></span></header>
    <main class="page bin">
        <h1>{{ __('Bin') }}</h1>
        <p class="quiet">{{ __('Deleted items stay here for :days days. They can be restored with everything that belongs to them.', ['days' => \App\Maintenance\Bin::DAYS]) }}</p>
        @if ($things === [])<p>{{ __('The bin is empty.') }}</p>@endif
        <ul class="studies">
            @foreach ($things as $thing)
                <li><b>{{ $thing->name }}</b> <span class="quiet">{{ __(':what, deleted on :date, kept until :until', ['what' => \App\View\Label::of($thing->noun()), 'date' => $thing->since->isoFormat('D MMMM YYYY'), 'until' => $thing->until->isoFormat('D MMMM')]) }}</span>
                    <form method="post" action="{{ route('bin.restore', [$thing->kind, $thing->id]) }}">@csrf<button class="plain small" aria-label="{{ __('Restore :name', ['name' => $thing->name]) }}">{{ __('Restore') }}</button></form></li>
            @endforeach
        </ul>
    </main>
</x-layout>
