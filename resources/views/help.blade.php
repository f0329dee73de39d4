<x-layout :title="__('Help')">
    <header class="top"><x-mark /><a class="crumb" href="{{ route('data.index') }}">{{ __('Studies and data sets') }}</a><span class="right"><x-theme-switch /></span></header>
    <main class="page help">
        <h1>{{ __('Help') }}</h1>
        <nav aria-label="{{ __('On this page') }}"><a href="#rail">{{ __('Rail') }}</a><a href="#units">{{ __('Units') }}</a><a href="#views">{{ __('Views') }}</a><a href="#roster">{{ __('Roster and focus') }}</a><a href="#peers">{{ __('Peers') }}</a><a href="#signals">{{ __('Signals') }}</a><a href="#files">{{ __('Files') }}</a></nav>

        <section id="rail">
            <h2>{{ __('Rail') }}</h2>
            <p>{!! __('The rail is the row of calculations above the chart. They are done from left to right, and each stop shows the unit of its result. Click a stop to edit it, <em>Add</em> for another one. <em>Fits next</em> proposes stops for the values that are there, with the reason.') !!}</p>
            <div class="pictures">@foreach ($rail as $label => $picture)<figure>{!! $picture !!}<figcaption>{{ $loop->first ? __('Without a stop') : ($loop->last ? __('then Index to base') : __('Rolling window')) }}: {{ $label }}</figcaption></figure>@endforeach</div>
            <p>{!! __('The order matters. The editor of a stop shows what the line in focus would be if the stop came earlier or later. A stop that is <em>not possible here</em> says why; move it, turn it off, or change the stop before it.') !!}</p>
            @foreach (\DuskRail\Rail\StopCategory::cases() as $purpose)
                <h3>{{ \App\View\Label::of($purpose->label()) }}</h3>
                <dl>@foreach (\DuskRail\Rail\StopCatalogue::all() as $stop)@continue($stop::category() !== $purpose)<div><dt>{{ \App\View\Label::of($stop::title()) }}</dt><dd>{{ \App\View\Label::of($stop::purpose()) }}</dd></div>@endforeach</dl>
            @endforeach
        </section>

        <section id="units">
            <h2>{{ __('Units') }}</h2>
            <p>{{ __('Every measure has a type. The type decides which stops are possible.') }}</p>
            <dl>
                <div><dt>{{ __('Flow') }}</dt><dd>{{ __('can be summed over time: Ml, calls, crowns in a month. A year is the sum of its months.') }}</dd></div>
                <div><dt>{{ __('Stock') }}</dt><dd>{{ __('a level at a point in time: people, connections, staff. A year is its last or mean level.') }}</dd></div>
                <div><dt>{{ __('Rate') }}</dt><dd>{{ __('a ratio: per cent, litres per person, an index. It can be neither summed nor divided once more.') }}</dd></div>
            </dl>
            <p>{!! __('If a type was detected wrongly, change it on the page of the data set under <em>Measures</em>. Units are calculated along the rail: Ml per month, divided by people, times 1,000,000, is l per person per month.') !!}</p>
        </section>

        <section id="views">
            <h2>{{ __('Views') }}</h2>
            <div class="pictures">
                @foreach (\DuskRail\Views\Views::all() as $name => $view)
                    @if (($views[$name] ?? '') !== '')<figure>{!! $views[$name] !!}<figcaption>{{ \App\View\Label::of($view->title()) }}: {{ lcfirst(\App\View\Label::of($view->about())) }}</figcaption></figure>@endif
                    @if ($name === 'overlay')<figure>{!! $views['panels'] !!}<figcaption>{{ __('Panels: one small chart per line, group, measure or year.') }}</figcaption></figure>@endif
                @endforeach
            </div>
            <p>{!! __('<em>Figures</em> shows the values as a table. If a view cannot be drawn, it says what is missing: a second measure, values that can be summed, or more than one value per year.') !!}</p>
        </section>

        <section id="roster">
            <h2>{{ __('Roster and focus') }}</h2>
            <p>{{ __('Click a name to put its line in focus; click again to remove it. × hides a line: it is then in no median, rank or total. A focus rule chooses the lines by their values and is updated with the data. Benchmarks in the data, as totals, means and targets, are shown and named, and are never peers; the data set page says which they are.') }}</p>
        </section>

        <section id="peers">
            <h2>{{ __('Peers') }}</h2>
            <p>{!! __('A study compares with one peer set: all entities, a group (click its heading in the roster), or a set of the data set. <em>Like …</em> under <em>Peers</em> takes the entities nearest to one in size. Medians, bands, ranks, shares, scores and sentences go by the set; the line above the roster names it and says how many have a value. Focus changes no value.') !!}</p>
            <dl>
                <div><dt>{{ __('Allow for') }}</dt><dd>{{ __('a stop: what is expected of an entity, given what it cannot help, by a fit across its peers.') }}</dd></div>
                <div><dt>{{ __('Turns') }}</dt><dd>{{ __('when the slope or the level of a line changed, with a 95 % interval, and how fast it has gone since. Most noise has none.') }}</dd></div>
                <div><dt>{{ __('Variation') }}</dt><dd>{{ __('limits of what a line does by itself. A value outside is more than ordinary variation.') }}</dd></div>
                <div><dt>{{ __('Chance limits') }}</dt><dd>{{ __('how far counts divided by a measure can lie from the peers by chance; wide for small entities. A band in Lines, a funnel in Scatter.') }}</dd></div>
                <div><dt>{{ __('Weighted by') }}</dt><dd>{{ __('on the page of the data set: what a rate is per, so that its years and groups are ratios of sums.') }}</dd></div>
            </dl>
        </section>

        <section id="signals">
            <h2>{{ __('Signals') }}</h2>
            <p>{{ __('Signals warn about what could mislead a reader. Most have a fix in one click; × dismisses one.') }}</p>
            <dl>
                <div><dt>{{ __('The axis does not start at zero') }}</dt><dd>{!! __('differences look larger than they are. <em>Show both</em> draws the chart from zero as well.') !!}</dd></div>
                <div><dt>{{ __('Unusual base, result depends on the base') }}</dt><dd>{{ __('an index is only as good as its base. Choose a period that is like those around it.') }}</dd></div>
                <div><dt>{{ __('Incomplete period, provisional values') }}</dt><dd>{{ __('the last values may change. They are dashed and are not in headlines.') }}</dd></div>
                <div><dt>{{ __('Missing values') }}</dt><dd>{{ __('lines are interrupted there and nothing is made up.') }}</dd></div>
                <div><dt>{{ __('The peer mean gives all lines the same weight') }}</dt><dd>{{ __('for ratios the ratio of sums is usually meant.') }}</dd></div>
                <div><dt>{{ __('A line steps up or down') }}</dt><dd>{{ __('the counting method may have changed. Add an annotation that says so.') }}</dd></div>
            </dl>
        </section>

        <section id="files">
            <h2>{{ __('Files') }}</h2>
            <p>{!! __('Formats: :places. A table can have one row per value or per event, or periods, years, entities or measures in columns. The preview shows the role of each column; change it there if it was detected wrongly. Columns and rows of numbers that are not read are named with the reason. Cells that could not be read are listed with row and column; the import leaves them empty, and its button says how many. To add next month’s file, use <em>Update</em> in the list of data sets.', ['places' => e(\App\Formats\TableSources::inWords())]) !!}</p>
        </section>
    </main>
</x-layout>
