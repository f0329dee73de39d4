{{-- Studies, briefs and data sets, all or those that were searched for. --}}
<div id="found">
    <section id="studies" aria-labelledby="studies-title">
        <div class="bar">
            <h1 id="studies-title">{{ __('Studies') }}</h1>
            @if ($page->search !== '')
                <span role="status">{{ $page->studies->isEmpty() && $page->datasets->isEmpty() && $page->briefs->isEmpty() ? __('Nothing matches “:search”.', ['search' => $page->search]) : __('Matching “:search”', ['search' => $page->search]) }}</span> <a class="chip" href="{{ route('data.index') }}">{{ __('Clear') }}</a>
            @elseif ($page->datasets->count() > 1)
                <a @class(['chip', 'on' => $page->dataset === null]) href="{{ route('data.index') }}">{{ __('All') }}</a>
                @foreach ($page->datasets->take(6) as $dataset)<a @class(['chip', 'on' => $page->dataset === $dataset->id]) href="{{ route('data.index', ['dataset' => $dataset->id]) }}">{{ Str::limit($dataset->name, 40, '…') }}</a>@endforeach
            @endif
            <span class="order">{{ __('Last changed first') }}</span>
        </div>
        <div class="cards">
            @if ($page->search === '')@include('home.drop')@endif
            @include('home.cards')
        </div>
    </section>
    @if ($page->search === '' || $page->briefs->isNotEmpty())
        <section id="briefs" aria-labelledby="briefs-title">
            <div class="bar"><h2 id="briefs-title">{{ __('Briefs') }}</h2><span>{{ __('Pages of several studies') }}</span></div>
            <div class="cards short">
                @foreach ($page->briefs as $brief)
                    <article class="card brief-card">
                        <a class="say" href="{{ route('briefs.show', $brief) }}">{{ $brief->name }}</a>
                        <p class="foot"><span>{{ trans_choice(':count block|:count blocks', $brief->blocks_count) }}</span><span>{{ $brief->updated_at->isoFormat('D MMM YYYY') }} · <a href="{{ route('briefs.read', $brief->token) }}">{{ __('Read') }}</a></span></p>
                    </article>
                @endforeach
                @if ($page->search === '')
                    <form class="card new brief-card" method="post" action="{{ route('briefs.store') }}">@csrf<x-once />
                        <label for="brief-name">{{ __('New brief') }}</label>
                        <div class="inline"><input class="input is-small" id="brief-name" name="name" required maxlength="120" autocomplete="off" placeholder="{{ __('Name of the brief') }}"> <button class="button is-small">{{ __('Create brief') }}</button></div>
                    </form>
                @endif
            </div>
        </section>
    @endif
    @if ($page->datasets->isNotEmpty())
        <section id="datasets" aria-labelledby="datasets-title">
            <div class="bar"><h2 id="datasets-title">{{ __('Data sets') }}</h2></div>
            <div class="sample">
                <table class="table list">
                    <thead class="is-sr-only"><tr><th scope="col">{{ __('Name') }}</th><th scope="col">{{ __('Time') }}</th><th scope="col">{{ __('Version') }}</th><th scope="col">{{ __('Studies') }}</th><th scope="col">{{ __('Actions') }}</th></tr></thead>
                    <tbody>
                        @foreach ($page->datasets as $dataset)
                            <tr id="dataset-{{ $dataset->id }}">
                                <th scope="row"><a href="{{ route('datasets.show', $dataset) }}">{{ $dataset->name }}</a> <span>· {{ trans_choice(':count entity|:count entities', $dataset->entities_count, ['count' => \DuskRail\Data\Numerals::count($dataset->entities_count)]) }}, {{ trans_choice(':count measure|:count measures', $dataset->measures_count) }}{{ isset($page->because[$dataset->id]) ? ' · '.$page->because[$dataset->id] : '' }}</span></th>
                                <td>{{ $page->spans[$dataset->id] ?? '' }}</td>
                                <td>{{ __('version :version', ['version' => $dataset->version]) }}, {{ $dataset->updated_at->isToday() ? __('today') : $dataset->updated_at->isoFormat('D MMM YYYY') }}</td>
                                <td><a href="{{ route('data.index', ['dataset' => $dataset->id]) }}">{{ trans_choice(':count study|:count studies', $dataset->studies_count) }}</a></td>
                                <td class="acts">
                                    <button type="button" class="plain small" popovertarget="begin-{{ $dataset->id }}">{{ __('New study') }}</button>
                                    <div class="editor menu" id="begin-{{ $dataset->id }}" popover>
                                        <form method="post" action="{{ route('studies.store', $dataset) }}">@csrf<x-once />
                                            @foreach ($dataset->measures as $measure)<button name="measure" value="{{ $measure->key }}">{{ $measure->name }} <span>{{ $measure->unit }}</span></button>@endforeach
                                        </form>
                                    </div>
                                    <a class="plain small" href="{{ route('datasets.show', $dataset) }}#update">{{ __('Update') }}</a>
                                    <a class="plain small" href="{{ route('datasets.show', $dataset) }}">{{ __('Open') }}</a>
                                </td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            </div>
        </section>
    @endif
</div>
