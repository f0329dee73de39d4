<x-layout title="Bin">
    <header class="top"><x-mark /><a class="crumb" href="{{ route('data.index') }}">Studies and data sets</a><span class="right"><button type="button" class="plain ground" data-ground-switch title="Switch theme"><span class="to-night">Dark</span><span class="to-day">Light</span></button></span></header>
    <main class="page bin">
        <h1>Bin</h1>
        <p class="quiet">Deleted items stay here for {{ \App\Keeping\Bin::DAYS }} days. They can be restored with everything that belongs to them.</p>
        @if ($things === [])<p>The bin is empty.</p>@endif
        <ul class="studies">
            @foreach ($things as $thing)
                <li><b>{{ $thing->name }}</b> <span class="quiet">{{ $thing->noun() }}, deleted on {{ $thing->since->isoFormat('D MMMM YYYY') }}, kept until {{ $thing->until->isoFormat('D MMMM') }}</span>
                    <form method="post" action="{{ route('bin.restore', [$thing->kind, $thing->id]) }}">@csrf<button class="plain small" aria-label="Restore {{ $thing->name }}">Restore</button></form></li>
            @endforeach
        </ul>
    </main>
</x-layout>
