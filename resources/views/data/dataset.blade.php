<x-layout :title="$dataset->name">
    <header class="top"><x-mark /><a class="crumb" href="{{ route('data.index') }}">Studies and data sets</a><span class="right"><button type="button" class="plain ground" data-ground-switch title="Switch theme"><span class="to-night">Dark</span><span class="to-day">Light</span></button></span></header>
    <main class="page wide one-dataset">
        @if (session('message'))<p class="said" role="status">{{ session('message') }}</p>@endif
        @if ($errors->any())<p class="said wrong" role="alert">{{ $errors->first() }}</p>@endif
        <h1>{{ $dataset->name }}</h1>
        <p class="quiet">Version {{ $dataset->version }} · {{ $entities->total() }} {{ Str::plural('entity', $entities->total()) }} · {{ $dataset->measures->count() }} {{ Str::plural('measure', $dataset->measures->count()) }} · used by {{ $dataset->studies->count() }} {{ Str::plural('study', $dataset->studies->count()) }}</p>

        <section class="columns">
            <div class="column">
                <h2>Details</h2>
                <form method="post" action="{{ route('datasets.update', $dataset) }}" class="about-it">@csrf @method('patch')
                    <label>Name <input class="input is-small" name="name" value="{{ $dataset->name }}" required maxlength="120"></label>
                    <label>Source <input class="input is-small" name="source" value="{{ $dataset->source }}" maxlength="300"></label>
                    <label>Licence <input class="input is-small" name="licence" value="{{ $dataset->licence }}" maxlength="120"></label>
                    <label>Retrieved <input class="input is-small" name="retrieved" value="{{ $dataset->retrieved }}" maxlength="60" placeholder="date of download, for example 3 May 2025"></label>
                    <label>Notes <textarea class="textarea is-small" name="notes" rows="2" maxlength="4000">{{ $dataset->notes }}</textarea></label>
                    <button class="button is-small">Save</button>
                </form>
            </div>
            <div class="column">
                <h2 id="update">Update data</h2>
                <x-bring text="Add a file: new periods, revised values or attributes" :dataset="$dataset" />
                <p class="quiet">You see the changes before anything is stored.</p>
                <form class="inline study-file" method="post" action="{{ route('study-files.store', $dataset) }}" enctype="multipart/form-data">
                    @csrf<x-once />
                    <label>Open a study file on this data <input type="file" name="study" accept=".json,application/json" required></label>
                    <button class="button is-small">Open study</button>
                </form>
                <h2>Export</h2>
                <p class="outs">@foreach ($formats as $key => $format)<a class="button is-small" href="{{ route('datasets.out', [$dataset, $key]) }}">{{ $format::label() }}</a> @endforeach</p>
            </div>
        </section>

        <h2>Measures</h2>
        <form method="post" action="{{ route('datasets.measures', $dataset) }}">@csrf @method('patch')
            <div class="sample">
                <table class="table is-narrow edits">
                    <thead><tr><th scope="col">Name</th><th scope="col">Unit</th><th scope="col">Type</th><th scope="col">Better</th><th scope="col">Weighted by</th><th scope="col">Decimals</th><th scope="col">Periods</th><td></td></tr></thead>
                    <tbody>
                        @foreach ($dataset->measures as $measure)
                            <tr>
                                <td><input class="input is-small" name="measures[{{ $measure->id }}][name]" value="{{ $measure->name }}" aria-label="Name of {{ $measure->name }}" required></td>
                                <td><input class="input is-small short" name="measures[{{ $measure->id }}][unit]" value="{{ $measure->unit }}" aria-label="Unit of {{ $measure->name }}"></td>
                                <td><span class="select is-small"><select name="measures[{{ $measure->id }}][kind]" aria-label="Type of {{ $measure->name }}">@foreach (\DuskRail\Data\MeasureKind::cases() as $kind)<option value="{{ $kind->value }}" @selected($kind === $measure->kind)>{{ \DuskRail\Settings\Setting::capital($kind->meaning()) }}</option>@endforeach</select></span></td>
                                <td><span class="select is-small"><select name="measures[{{ $measure->id }}][better]" aria-label="Better direction of {{ $measure->name }}">@foreach (['neither' => 'Neither', 'higher' => 'Higher', 'lower' => 'Lower'] as $value => $label)<option value="{{ $value }}" @selected($value === $measure->better->value)>{{ $label }}</option>@endforeach</select></span></td>
                                <td>@if ($measure->kind === \DuskRail\Data\MeasureKind::Rate)<span class="select is-small"><select name="measures[{{ $measure->id }}][per]" aria-label="{{ $measure->name }} is per" title="What this rate is per. Years, groups and rolling windows of it are then ratios of sums."><option value="">–</option>@foreach ($dataset->measures as $other)@if ($other->kind !== \DuskRail\Data\MeasureKind::Rate)<option value="{{ $other->key }}" @selected($other->key === $measure->per)>{{ $other->name }}</option>@endif @endforeach</select></span>@endif</td>
                                <td><input class="input is-small tiny" name="measures[{{ $measure->id }}][decimals]" value="{{ $measure->decimals }}" aria-label="Decimals of {{ $measure->name }}" placeholder="automatic" inputmode="numeric"></td>
                                <td class="quiet">{{ $measure->frequency->adjective() }}{{ $measure->formula === '' ? '' : " = {$measure->formula}" }}</td>
                                <td><a href="{{ route('datasets.figures', [$dataset, $measure->key]) }}">View values</a></td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            </div>
            <p><button class="button is-small">Save measures</button></p>
        </form>
        <form method="post" action="{{ route('datasets.derive', $dataset) }}" class="correction derive">@csrf
            <label>New measure <input class="input is-small" name="name" value="{{ old('name') }}" placeholder="name, for example Leakage share" required maxlength="120"></label>
            <label>= <input class="input is-small" name="formula" value="{{ old('formula') }}" placeholder="Leakage ÷ Water supplied × 100" required maxlength="300" autocomplete="off"></label>
            <button class="button is-small">Add measure</button>
        </form>

        <h2 id="peer-sets">Peer sets</h2>
        @if ($sets === [])
            <p class="quiet">A peer set holds the entities to compare with: the nearest to one, those that meet conditions, or those you choose. Every study of this data set can use it.</p>
        @else
            <ul class="peer-sets">
                @foreach ($sets as $set)<li><a href="{{ route('peer-sets.show', [$dataset, $set->rules->key]) }}">{{ $set->rules->name }}</a> <span class="quiet">{{ $set->inWords() }}</span></li>@endforeach
            </ul>
        @endif
        <p><a class="button is-small" href="{{ route('peer-sets.create', $dataset) }}">New peer set</a></p>

        @if ($dataset->breakdowns !== [])
            <h2>Breakdowns</h2>
            <form method="post" action="{{ route('breakdowns.update', $dataset) }}" class="breakdowns">@csrf @method('patch')
                <div class="columns">
                    @foreach ($dataset->asBreakdowns() as $breakdown)
                        @php($field = "breakdowns[{$breakdown->key}]")
                        <div class="column sample">
                            <table class="table is-narrow edits">
                                <caption><input class="input is-small" name="{{ $field }}[name]" value="{{ $breakdown->name }}" aria-label="Name of the breakdown {{ $breakdown->name }}" required maxlength="120"></caption>
                                <thead><tr><th scope="col">Order</th><th scope="col">Category</th><th scope="col">Total</th></tr></thead>
                                <tbody>
                                    @foreach ($breakdown->categories as $key => $name)
                                        <tr>
                                            <td><input class="input is-small tiny" name="{{ $field }}[categories][{{ $key }}][order]" value="{{ $loop->iteration }}" inputmode="numeric" aria-label="Position of {{ $name }}"></td>
                                            <td><input class="input is-small" name="{{ $field }}[categories][{{ $key }}][name]" value="{{ $name }}" aria-label="Name of {{ $name }}" required maxlength="120"></td>
                                            <td><input type="radio" name="{{ $field }}[total]" value="{{ $key }}" @checked((string) $key === $breakdown->total) aria-label="{{ $name }} is the total"></td>
                                        </tr>
                                    @endforeach
                                    <tr><td></td><td class="quiet">No total</td><td><input type="radio" name="{{ $field }}[total]" value="" @checked($breakdown->total === '') aria-label="No total of {{ $breakdown->name }}"></td></tr>
                                </tbody>
                            </table>
                        </div>
                    @endforeach
                </div>
                <p><button class="button is-small">Save breakdowns</button></p>
            </form>
        @endif

        <h2>Versions</h2>
        <ol class="versions" reversed>
            @foreach ($dataset->files->sortByDesc('version') as $file)
                <li value="{{ $file->version }}"><a href="{{ route('versions.show', [$dataset, $file->version]) }}">{{ $file->name }}</a> <span class="quiet">{{ $file->created_at->isoFormat('D MMM YYYY') }}, {{ $file->way->inWords() }}{{ $file->rows > 1 ? ', '.number_format($file->rows).' rows' : '' }}</span>
                    @if ($file->correction() !== null)<span>{{ $versions->inWords($file) }} <q>{{ $file->note }}</q></span> @if ($versions->isInForce($file))<form method="post" action="{{ route('corrections.destroy', [$dataset, $file]) }}">@csrf @method('delete')<button class="plain small">Undo correction</button></form>@else<span class="quiet">replaced later</span>@endif @endif
                </li>
            @endforeach
        </ol>

        <h2>Entities</h2>
        <form method="post" action="{{ route('datasets.entities', $dataset) }}">@csrf @method('patch')
            <input type="hidden" name="page" value="{{ $entities->currentPage() }}">
            <div class="sample">
                <table class="table is-narrow edits">
                    <thead><tr><th scope="col">Home</th><th scope="col">Name</th><th scope="col">Group</th><th scope="col">Note</th></tr></thead>
                    <tbody>
                        @foreach ($entities as $entity)
                            <tr>
                                <td><input type="radio" name="home" value="{{ $entity->id }}" @checked($entity->home) aria-label="{{ $entity->name }} is home"></td>
                                <td><input class="input is-small" name="entities[{{ $entity->id }}][name]" value="{{ $entity->name }}" aria-label="Name of {{ $entity->name }}" required></td>
                                <td><input class="input is-small short" name="entities[{{ $entity->id }}][group]" value="{{ $entity->about['group'] ?? '' }}" aria-label="Group of {{ $entity->name }}"></td>
                                <td><input class="input is-small" name="entities[{{ $entity->id }}][note]" value="{{ $entity->note }}" aria-label="Note on {{ $entity->name }}" placeholder="for example: merged, renamed"></td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            </div>
            <p><button class="button is-small">Save entities</button>@if ($entities->hasPages()) Page {{ $entities->currentPage() }} of {{ $entities->lastPage() }} @if ($entities->previousPageUrl())<a href="{{ $entities->previousPageUrl() }}">Previous</a>@endif @if ($entities->nextPageUrl())<a href="{{ $entities->nextPageUrl() }}">Next</a>@endif @endif</p>
        </form>
        <h2>Merger</h2>
        <form method="post" action="{{ route('mergers.store', $dataset) }}" class="correction merger">@csrf
            <label>Merged entities <span class="select is-small is-multiple"><select name="parts[]" multiple size="4" required>@foreach ($mergeable as $id => $name)<option value="{{ $id }}" @selected(in_array((string) $id, old('parts', []), true))>{{ $name }}</option>@endforeach</select></span></label>
            <label>became <input class="input is-small" name="whole" value="{{ old('whole') }}" placeholder="name, new or in the list" required maxlength="120" autocomplete="off"></label>
            <label>from <input class="input is-small short" name="from" value="{{ old('from') }}" placeholder="2023-04" required maxlength="40"></label>
            <label class="check"><input type="checkbox" name="back" value="1" checked> Join their earlier values as its history</label>
            <button class="button is-small">Record merger</button>
        </form>
        <p class="quiet">The values of the parts are joined from that period on and are no longer compared. This is a new version; restore the one before to undo it.</p>
        <form method="post" action="{{ route('datasets.destroy', $dataset) }}" data-confirm="Delete the data set “{{ $dataset->name }}” and all its studies?">@csrf @method('delete')<button class="plain small">Delete this data set</button></form>
    </main>
</x-layout>
