<x-layout :title="$dataset->name">
    <header class="top"><x-mark /><a class="crumb" href="{{ route('data.index') }}">{{ __('Studies and data sets') }}</a><span class="right"><x-theme-switch /></span></header>
    <main class="page wide one-dataset">
        @if (session('message'))<p class="said" role="status">{{ session('message') }}</p>@endif
        @if ($errors->any())<p class="said wrong" role="alert">{{ $errors->first() }}</p>@endif
        <h1>{{ $dataset->name }}</h1>
        <p class="quiet">{{ __('Version :version', ['version' => $dataset->version]) }} · {{ trans_choice(':count entity|:count entities', $entities->total(), ['count' => \DuskRail\Data\Numerals::count($entities->total())]) }} · {{ trans_choice(':count measure|:count measures', $dataset->measures->count(), ['count' => \DuskRail\Data\Numerals::count($dataset->measures->count())]) }} · {{ trans_choice('used by :count study|used by :count studies', \App\Models\Study::of($dataset)->count()) }}</p>

        <section class="columns">
            <div class="column">
                <h2>{{ __('Details') }}</h2>
                <form method="post" action="{{ route('datasets.update', $dataset) }}" class="about-it">@csrf @method('patch')
                    <label>{{ __('Name') }} <input class="input is-small" name="name" value="{{ $dataset->name }}" required maxlength="120"></label>
                    <label>{{ __('Source') }} <input class="input is-small" name="source" value="{{ $dataset->source }}" maxlength="300"></label>
                    <label>{{ __('Licence') }} <input class="input is-small" name="licence" value="{{ $dataset->licence }}" maxlength="120"></label>
                    <label>{{ __('Retrieved') }} <input class="input is-small" name="retrieved" value="{{ $dataset->retrieved }}" maxlength="60" placeholder="{{ __('date of download, for example 3 May 2025') }}"></label>
                    <label>{{ __('Notes') }} <textarea class="textarea is-small" name="notes" rows="2" maxlength="4000">{{ $dataset->notes }}</textarea></label>
                    <button class="button is-small">{{ __('Save') }}</button>
                </form>
            </div>
            <div class="column">
                <h2 id="update">{{ __('Update data') }}</h2>
                <x-bring :text="__('Add a file: new periods, revised values or attributes')" :dataset="$dataset" />
                <p class="quiet">{{ __('You see the changes before anything is stored.') }}</p>
                <form class="inline study-file" method="post" action="{{ route('study-files.store', $dataset) }}" enctype="multipart/form-data">
                    @csrf<x-once />
                    <label>{{ __('Open a study file on this data') }} <input type="file" name="study" accept=".json,application/json" required></label>
                    <button class="button is-small">{{ __('Open study') }}</button>
                </form>
                <h2>{{ __('Export') }}</h2>
                <p class="outs">@foreach ($formats as $key => $format)<a class="button is-small" href="{{ route('datasets.out', [$dataset, $key]) }}">{{ \App\View\Label::of($format::label()) }}</a> @endforeach</p>
            </div>
        </section>

        <h2>{{ __('Measures') }}</h2>
        <form method="post" action="{{ route('datasets.measures', $dataset) }}">@csrf @method('patch')
            <div class="sample">
                <table class="table is-narrow edits">
                    <thead><tr><th scope="col">{{ __('Name') }}</th><th scope="col">{{ __('Unit') }}</th><th scope="col">{{ __('Type') }}</th><th scope="col">{{ __('Better') }}</th><th scope="col">{{ __('Weighted by') }}</th><th scope="col">{{ __('Decimals') }}</th><th scope="col">{{ __('Periods') }}</th><td></td></tr></thead>
                    <tbody>
                        @foreach ($dataset->measures as $measure)
                            <tr>
                                <td><input class="input is-small" name="measures[{{ $measure->id }}][name]" value="{{ $measure->name }}" aria-label="{{ __('Name of :name', ['name' => $measure->name]) }}" required></td>
                                <td><input class="input is-small short" name="measures[{{ $measure->id }}][unit]" value="{{ $measure->unit }}" aria-label="{{ __('Unit of :name', ['name' => $measure->name]) }}"></td>
                                <td><span class="select is-small"><select name="measures[{{ $measure->id }}][kind]" aria-label="{{ __('Type of :name', ['name' => $measure->name]) }}">@foreach (\DuskRail\Data\MeasureKind::cases() as $kind)<option value="{{ $kind->value }}" @selected($kind === $measure->kind)>{{ \App\View\Label::of(\DuskRail\Settings\Setting::capital($kind->meaning())) }}</option>@endforeach</select></span></td>
                                <td><span class="select is-small"><select name="measures[{{ $measure->id }}][better]" aria-label="{{ __('Better direction of :name', ['name' => $measure->name]) }}">@foreach (['neither' => __('Neither'), 'higher' => __('Higher'), 'lower' => __('Lower')] as $value => $label)<option value="{{ $value }}" @selected($value === $measure->better->value)>{{ $label }}</option>@endforeach</select></span></td>
                                <td>@if ($measure->kind === \DuskRail\Data\MeasureKind::Rate)<span class="select is-small"><select name="measures[{{ $measure->id }}][per]" aria-label="{{ __(':name is per', ['name' => $measure->name]) }}" title="{{ __('What this rate is per. Years, groups and rolling windows of it are then ratios of sums.') }}"><option value="">–</option>@foreach ($dataset->measures as $other)@if ($other->kind !== \DuskRail\Data\MeasureKind::Rate)<option value="{{ $other->key }}" @selected($other->key === $measure->per)>{{ $other->name }}</option>@endif @endforeach</select></span>@endif</td>
                                <td><input class="input is-small tiny" name="measures[{{ $measure->id }}][decimals]" value="{{ $measure->decimals }}" aria-label="{{ __('Decimals of :name', ['name' => $measure->name]) }}" placeholder="{{ __('automatic') }}" inputmode="numeric"></td>
                                <td class="quiet">{{ \App\View\Label::of($measure->frequency->adjective()) }}{{ $measure->formula === '' ? '' : " = {$measure->formula}" }}</td>
                                <td><a href="{{ route('datasets.figures', [$dataset, $measure->key]) }}">{{ __('View values') }}</a></td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            </div>
            <p><button class="button is-small">{{ __('Save measures') }}</button></p>
        </form>
        <form method="post" action="{{ route('datasets.derive', $dataset) }}" class="correction derive">@csrf
            <label>{{ __('New measure') }} <input class="input is-small" name="name" value="{{ old('name') }}" placeholder="{{ __('name, for example Leakage share') }}" required maxlength="120"></label>
            <label>= <input class="input is-small" name="formula" value="{{ old('formula') }}" placeholder="{{ __('Leakage ÷ Water supplied × 100') }}" required maxlength="300" autocomplete="off"></label>
            <button class="button is-small">{{ __('Add measure') }}</button>
        </form>

        <h2 id="peer-sets">{{ __('Peer sets') }}</h2>
        @if ($sets === [])
            <p class="quiet">{{ __('A peer set holds the entities to compare with: the nearest to one, those that meet conditions, or those you choose. Every study of this data set can use it.') }}</p>
        @else
            <ul class="peer-sets">
                @foreach ($sets as $set)<li><a href="{{ route('peer-sets.show', [$dataset, $set->rules->key]) }}">{{ $set->rules->name }}</a> <span class="quiet">{{ $set->inWords() }}</span></li>@endforeach
            </ul>
        @endif
        <p><a class="button is-small" href="{{ route('peer-sets.create', $dataset) }}">{{ __('New peer set') }}</a></p>

        @if ($dataset->breakdowns !== [])
            <h2>{{ __('Breakdowns') }}</h2>
            <form method="post" action="{{ route('breakdowns.update', $dataset) }}" class="breakdowns">@csrf @method('patch')
                <div class="columns">
                    @foreach ($dataset->asBreakdowns() as $breakdown)
                        @php($field = "breakdowns[{$breakdown->key}]")
                        <div class="column sample">
                            <table class="table is-narrow edits">
                                <caption><input class="input is-small" name="{{ $field }}[name]" value="{{ $breakdown->name }}" aria-label="{{ __('Name of the breakdown :name', ['name' => $breakdown->name]) }}" required maxlength="120"></caption>
                                <thead><tr><th scope="col">{{ __('Order') }}</th><th scope="col">{{ __('Category') }}</th><th scope="col">{{ __('Total') }}</th></tr></thead>
                                <tbody>
                                    @foreach ($breakdown->categories as $key => $name)
                                        <tr>
                                            <td><input class="input is-small tiny" name="{{ $field }}[categories][{{ $key }}][order]" value="{{ $loop->iteration }}" inputmode="numeric" aria-label="{{ __('Position of :name', ['name' => $name]) }}"></td>
                                            <td><input class="input is-small" name="{{ $field }}[categories][{{ $key }}][name]" value="{{ $name }}" aria-label="{{ __('Name of :name', ['name' => $name]) }}" required maxlength="120"></td>
                                            <td><input type="radio" name="{{ $field }}[total]" value="{{ $key }}" @checked((string) $key === $breakdown->total) aria-label="{{ __(':name is the total', ['name' => $name]) }}"></td>
                                        </tr>
                                    @endforeach
                                    <tr><td></td><td class="quiet">{{ __('No total') }}</td><td><input type="radio" name="{{ $field }}[total]" value="" @checked($breakdown->total === '') aria-label="{{ __('No total of :name', ['name' => $breakdown->name]) }}"></td></tr>
                                </tbody>
                            </table>
                        </div>
                    @endforeach
                </div>
                <p><button class="button is-small">{{ __('Save breakdowns') }}</button></p>
            </form>
        @endif

        <h2>{{ __('Versions') }}</h2>
        <ol class="versions" reversed>
            @foreach ($dataset->files->sortByDesc('version') as $file)
                <li value="{{ $file->version }}"><a href="{{ route('versions.show', [$dataset, $file->version]) }}">{{ $file->name }}</a> <span class="quiet">{{ $file->created_at->isoFormat('D MMM YYYY') }}, {{ \App\View\Label::of($file->kind->inWords()) }}{{ $file->rows > 1 ? ', '.__(':count rows', ['count' => \DuskRail\Data\Numerals::count($file->rows)]) : '' }}{{ $file->leftOut() === [] ? '' : '; '.__('not read: :columns', ['columns' => Str::limit(implode('; ', $file->leftOut()), 160)]) }}</span>
                    @if ($file->correction() !== null)<span>{{ $versions->inWords($file) }} <q>{{ $file->note }}</q></span> @if ($versions->isInForce($file))<form method="post" action="{{ route('corrections.destroy', [$dataset, $file]) }}">@csrf @method('delete')<button class="plain small">{{ __('Undo correction') }}</button></form>@else<span class="quiet">{{ __('replaced later') }}</span>@endif @endif
                </li>
            @endforeach
        </ol>

        <h2>{{ __('Entities') }}</h2>
        <form method="post" action="{{ route('datasets.entities', $dataset) }}">@csrf @method('patch')
            <input type="hidden" name="page" value="{{ $entities->currentPage() }}">
            <div class="sample">
                <table class="table is-narrow edits">
                    <thead><tr><th scope="col">{{ __('Home') }}</th><th scope="col">{{ __('Name') }}</th><th scope="col">{{ __('Group') }}</th><th scope="col">{{ __('Benchmark') }}</th><th scope="col">{{ __('Note') }}</th></tr></thead>
                    <tbody>
                        @foreach ($entities as $entity)
                            <tr>
                                <td><input type="radio" name="home" value="{{ $entity->id }}" @checked($entity->home) aria-label="{{ __(':name is home', ['name' => $entity->name]) }}"></td>
                                <td><input class="input is-small" name="entities[{{ $entity->id }}][name]" value="{{ $entity->name }}" aria-label="{{ __('Name of :name', ['name' => $entity->name]) }}" required></td>
                                <td><input class="input is-small short" name="entities[{{ $entity->id }}][group]" value="{{ $entity->about['group'] ?? '' }}" aria-label="{{ __('Group of :name', ['name' => $entity->name]) }}"></td>
                                <td><span class="select is-small"><select name="entities[{{ $entity->id }}][benchmark]" aria-label="{{ __(':name as a benchmark', ['name' => $entity->name]) }}">@foreach (\App\View\Benchmarks::choices() as $kind => $label)<option value="{{ $kind }}" @selected($kind === (\DuskRail\Data\Benchmark::in($entity->about)->value ?? ''))>{{ $kind === '' ? __('–') : \App\View\Label::of($label) }}</option>@endforeach</select></span></td>
                                <td><input class="input is-small" name="entities[{{ $entity->id }}][note]" value="{{ $entity->note }}" aria-label="{{ __('Note on :name', ['name' => $entity->name]) }}" placeholder="{{ __('for example: merged, renamed') }}"></td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            </div>
            <p><button class="button is-small">{{ __('Save entities') }}</button>@if ($entities->hasPages()) {{ __('Page :page of :pages', ['page' => $entities->currentPage(), 'pages' => $entities->lastPage()]) }} @if ($entities->previousPageUrl())<a href="{{ $entities->previousPageUrl() }}">{{ __('Previous') }}</a>@endif @if ($entities->nextPageUrl())<a href="{{ $entities->nextPageUrl() }}">{{ __('Next') }}</a>@endif @endif</p>
        </form>
        <h2>{{ __('Merger') }}</h2>
        <form method="post" action="{{ route('mergers.store', $dataset) }}" class="correction merger">@csrf
            <label>{{ __('Merged entities') }} <span class="select is-small is-multiple"><select name="parts[]" multiple size="4" required>@foreach ($mergeable as $id => $name)<option value="{{ $id }}" @selected(in_array((string) $id, old('parts', []), true))>{{ $name }}</option>@endforeach</select></span></label>
            <label>{{ __('became') }} <input class="input is-small" name="whole" value="{{ old('whole') }}" placeholder="{{ __('new name, or one that goes on') }}" required maxlength="120" autocomplete="off"></label>
            <label>{{ __('from') }} <input class="input is-small short" name="from" value="{{ old('from') }}" placeholder="2023-04" required maxlength="40"></label>
            <label class="check"><input type="checkbox" name="back" value="1" checked> {{ __('Join their earlier values as its history') }}</label>
            <button class="button is-small">{{ __('Record merger') }}</button>
        </form>
        <p class="quiet">{{ __('The values of the parts are joined from that period on and are no longer compared. This is a new version; restore the one before to undo it.') }}</p>
        <form method="post" action="{{ route('datasets.destroy', $dataset) }}" data-confirm="{{ __('Delete the data set “:name” and all its studies?', ['name' => $dataset->name]) }}">@csrf @method('delete')<button class="plain small">{{ __('Delete this data set') }}</button></form>
    </main>
</x-layout>
