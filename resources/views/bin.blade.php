<x-layout title="Bin">
    <header class="top"><x-mark /><a class="crumb" href="{{ route('data.index') }}">Data</a><span class="right"><button type="button" class="plain ground" data-ground-switch><span class="to-night">Night</span><span class="to-day">Day</span></button></span></header>
    <main class="page bin">
        <h1>Bin</h1>
        <p class="quiet">What is deleted lies here for {{ \App\Keeping\Bin::DAYS }} days and can be brought back with all that belonged to it.</p>
        @if ($things === [])<p>Nothing is in it.</p>@endif
        <ul class="studies">
            @foreach ($things as $thing)
                <li><b>{{ $thing->name }}</b> <span class="quiet">{{ $thing->noun() }}, deleted on {{ $thing->since->isoFormat('D MMMM YYYY') }}, kept until {{ $thing->until->isoFormat('D MMMM') }}</span>
                    <form method="post" action="{{ route('bin.restore', [$thing->kind, $thing->id]) }}">@csrf<button class="plain small" aria-label="Bring back {{ $thing->name }}">bring back</button></form></li>
            @endforeach
        </ul>
    </main>
</x-layout>
