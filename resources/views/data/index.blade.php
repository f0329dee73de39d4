<x-layout title="Data">
    <header class="top"><x-mark /><span class="right"><a class="plain" href="{{ route('finish.show') }}">House finish</a><a class="plain" href="{{ route('bin.show') }}">Bin</a><button type="button" class="plain ground" data-ground-switch><span class="to-night">Night</span><span class="to-day">Day</span></button></span></header>
    <main class="page">
        @if (session('message'))<p class="said" role="status">{{ session('message') }}</p>@endif
        @if ($errors->any())<p class="said wrong" role="alert">{{ $errors->first() }}</p>@endif
        <section class="bring">
            <h1>Bring a table</h1>
            <x-bring :text="'Drop a file here, or choose one: '.\App\Formats\TableSources::inWords()" />
            <p class="quiet">One row per figure or per thing that happened; periods, years, entities or measures across. What the program makes of it is shown first; nothing is stored until you say so.</p>
            <form class="inline study-file" method="post" action="{{ route('study-files.carried') }}" enctype="multipart/form-data">@csrf<x-once /><label>or a study that carries its figures <input type="file" name="study" accept=".json,application/json" required></label> <button class="button is-small">Bring it</button></form>
        </section>
        @foreach ($underWay as $upload)<p class="said"><a href="{{ route('uploads.show', $upload) }}">{{ $upload->name }} {{ $upload->state === 'done' ? 'is in' : 'is being read' }}</a></p>@endforeach
        <section class="briefs">
            <h2>Briefs</h2>
            <ul class="studies">
                @foreach ($briefs as $brief)
                    <li><a href="{{ route('briefs.show', $brief) }}">{{ $brief->name }}</a> <span class="quiet">{{ $brief->blocks_count }} {{ Str::plural('block', $brief->blocks_count) }}</span></li>
                @endforeach
            </ul>
            <form class="inline" method="post" action="{{ route('briefs.store') }}">@csrf<x-once /><label for="brief-name">New brief, a page of several studies:</label> <input class="input is-small" id="brief-name" name="name" required maxlength="120" autocomplete="off"> <button class="button is-small">Begin</button></form>
        </section>
        @forelse ($datasets as $dataset)
            <section class="dataset" id="dataset-{{ $dataset->id }}">
                <h2><a href="{{ route('datasets.show', $dataset) }}">{{ $dataset->name }}</a></h2>
                <p class="quiet">{{ $dataset->entities_count }} {{ Str::plural('entity', $dataset->entities_count) }} · {{ $dataset->files->map(fn ($file) => $file->name)->implode(', ') }} · <a href="{{ route('datasets.show', $dataset) }}">version {{ $dataset->version }}</a></p>
                <div class="columns">
                    <div class="column">
                        <h3>Studies</h3>
                        <ul class="studies">
                            @foreach ($dataset->studies as $study)
                                <li><a href="{{ route('studies.show', $study) }}">{{ $study->name }}</a>
                                    <form method="post" action="{{ route('studies.destroy', $study) }}" data-confirm="Delete the study “{{ $study->name }}”?">@csrf @method('delete')<button class="plain small" aria-label="Delete {{ $study->name }}">delete</button></form></li>
                            @endforeach
                        </ul>
                        <form class="inline" method="post" action="{{ route('studies.store', $dataset) }}">
                            @csrf<x-once />
                            <label for="measure-{{ $dataset->id }}">New study of</label>
                            <span class="select is-small"><select name="measure" id="measure-{{ $dataset->id }}">
                                @foreach ($dataset->measures as $measure)<option value="{{ $measure->key }}">{{ $measure->name }}</option>@endforeach
                            </select></span>
                            <button class="button is-small">Start</button>
                        </form>
                        <form class="inline study-file" method="post" action="{{ route('study-files.store', $dataset) }}" enctype="multipart/form-data">
                            @csrf<x-once />
                            <label>or bring a study file <input type="file" name="study" accept=".json,application/json" required></label>
                            <button class="button is-small">Bring it</button>
                        </form>
                    </div>
                    <div class="column">
                        <h3>Measures</h3>
                        <ul class="measures">
                            @foreach ($dataset->measures as $measure)
                                <li><a href="{{ route('datasets.figures', [$dataset, $measure->key]) }}">{{ $measure->name }}</a> <span class="quiet">{{ $measure->unit === '' ? '' : "{$measure->unit}, " }}{{ $measure->frequency->adjective() }} {{ $measure->kind->value }}</span></li>
                            @endforeach
                        </ul>
                    </div>
                    <div class="column is-3">
                        <h3>Add to it</h3>
                        <x-bring text="Add a file" :dataset="$dataset" />
                        <p class="quiet">Figures at their own frequency, or attributes such as a group.</p>
                        <p><a class="button is-small" href="{{ route('datasets.show', $dataset) }}">Open the data set</a></p>
                        <p class="quiet">Names, units, versions, corrections, and handing it on.</p>
                    </div>
                </div>
            </section>
        @empty
            <p class="empty">No data set yet.</p>
        @endforelse
        <footer class="quiet about">Dusk Rail {{ config('duskrail.version') }}</footer>
    </main>
</x-layout>
