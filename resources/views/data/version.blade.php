<x-layout title="Version {{ $version }}">
    <header class="top"><x-mark /><a class="crumb" href="{{ route('datasets.show', $dataset) }}">{{ $dataset->name }}</a></header>
    <main class="page">
        <h1>Version {{ $version }}{{ $version === $dataset->version ? ', the latest' : '' }}</h1>
        @if ($file !== null)<p class="quiet">{{ $file->name }}, {{ $file->created_at->isoFormat('D MMMM YYYY, HH:mm') }}, {{ $file->way->inWords() }}{{ $file->note === '' ? '' : ": {$file->note}" }}</p>@endif
        @php($frequencies = $dataset->measures->mapWithKeys(fn ($m) => [$m->name => $m->frequency])->all())
        @php($said = fn ($r) => $r->isNone() ? 'none' : implode(', ', array_filter([$r->new > 0 ? number_format($r->new).' new' : '', $r->changed > 0 ? number_format($r->changed).' changed' : '', $r->gone > 0 ? number_format($r->gone).' deleted' : ''])))
        <h2>Changes in this version: {{ $said($came) }}</h2>
        <x-revision :revision="$came" :frequencies="$frequencies" />
        @if ($version < $dataset->version)
            <h2>Changes since then: {{ $said($since) }}</h2>
            <x-revision :revision="$since" :frequencies="$frequencies" />
            <form method="post" action="{{ route('versions.restore', [$dataset, $version]) }}">@csrf<button class="button is-small">Restore this version</button> <span class="quiet">Creates a new version; the later ones are kept.</span></form>
        @endif
        @if ($version === $dataset->version && $dataset->studies->isNotEmpty())
            <h2>Studies of this data set</h2>
            <ul class="studies">@foreach ($dataset->studies as $study)<li><a href="{{ route('studies.show', $study) }}">{{ $study->name }}</a>@if ($study->version !== null) <span class="quiet">pinned to version {{ $study->version }}</span>@endif</li>@endforeach</ul>
        @endif
        <h2>View data</h2>
        <p>@foreach ($dataset->measures as $measure)<a class="button is-small" href="{{ route('datasets.figures', [$dataset, $measure->key, 'version' => $version]) }}">{{ $measure->name }}</a> @endforeach</p>
    </main>
</x-layout>
