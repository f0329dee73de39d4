<x-layout :title="__('Version :version', ['version' => $version])">
    <header class="top"><x-mark /><a class="crumb" href="{{ route('datasets.show', $dataset) }}">{{ $dataset->name }}</a></header>
    <main class="page">
        <h1>{{ $version === $dataset->version ? __('Version :version, the latest', ['version' => $version]) : __('Version :version', ['version' => $version]) }}</h1>
        @if ($file !== null)<p class="quiet">{{ $file->name }}, {{ $file->created_at->isoFormat('D MMMM YYYY, HH:mm') }}, {{ \App\View\Label::of($file->kind->inWords()) }}{{ $file->note === '' ? '' : ": {$file->note}" }}</p>@endif
        @if (($file?->leftOut() ?? []) !== [])<p class="quiet">{{ __('Not read from the file: :columns.', ['columns' => implode('; ', $file->leftOut())]) }}</p>@endif
        @php($frequencies = array_column([...$dataset->measures->map(fn ($m) => $m->asCore())->all(), ...$measures], 'frequency', 'name'))
        @php($said = fn ($r) => $r->isNone() ? __('none') : implode(', ', array_filter([$r->new > 0 ? __(':count new', ['count' => \DuskRail\Data\Numerals::count($r->new)]) : '', $r->changed > 0 ? __(':count changed', ['count' => \DuskRail\Data\Numerals::count($r->changed)]) : '', $r->gone > 0 ? __(':count deleted', ['count' => \DuskRail\Data\Numerals::count($r->gone)]) : ''])))
        <h2>{{ __('Changes in this version: :changes', ['changes' => $said($came)]) }}</h2>
        <x-revision :revision="$came" :frequencies="$frequencies" />
        @if ($version < $dataset->version)
            <h2>{{ __('Changes since then: :changes', ['changes' => $said($since)]) }}</h2>
            <x-revision :revision="$since" :frequencies="$frequencies" />
            <form method="post" action="{{ route('versions.restore', [$dataset, $version]) }}">@csrf<button class="button is-small">{{ __('Restore this version') }}</button> <span class="quiet">{{ __('Creates a new version with the values, names, units, groups, mergers and home of this one; the later ones are kept.') }}</span></form>
        @endif
        @if ($version === $dataset->version && $studies->isNotEmpty())
            <h2>{{ __('Studies of this data set') }}</h2>
            <ul class="studies">@foreach ($studies as $study)<li><a href="{{ route('studies.show', $study) }}">{{ $study->name }}</a>@if ($study->version !== null) <span class="quiet">{{ __('pinned to version :version', ['version' => $study->version]) }}</span>@endif</li>@endforeach</ul>
        @endif
        <h2>{{ __('View data') }}</h2>
        <p>@foreach ($measures as $measure)<a class="button is-small" href="{{ route('datasets.figures', [$dataset, $measure->key, 'version' => $version]) }}">{{ $measure->name }}</a> @endforeach</p>
    </main>
</x-layout>
