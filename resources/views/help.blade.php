<x-layout title="Help">
    <header class="top"><x-mark /><a class="crumb" href="{{ route('data.index') }}">Studies and data sets</a><span class="right"><button type="button" class="plain ground" data-ground-switch title="Switch theme"><span class="to-night">Dark</span><span class="to-day">Light</span></button></span></header>
    <main class="page help">
        <h1>Help</h1>
        <nav aria-label="On this page"><a href="#rail">Rail</a><a href="#units">Units</a><a href="#views">Views</a><a href="#roster">Roster and focus</a><a href="#peers">Peers</a><a href="#signals">Signals</a><a href="#files">Files</a></nav>

        <section id="rail">
            <h2>Rail</h2>
            <p>The rail is the row of calculations above the chart. They are done from left to right, and each stop shows the unit of its result. Click a stop to edit it, <em>Add</em> for another one. <em>Fits next</em> proposes stops for the values that are there, with the reason.</p>
            <div class="pictures">@foreach ($rail as $label => $picture)<figure>{!! $picture !!}<figcaption>{{ $loop->first ? 'Without a stop' : ($loop->last ? 'then Index to base' : 'Rolling window') }}: {{ $label }}</figcaption></figure>@endforeach</div>
            <p>The order matters. The editor of a stop shows what the line in focus would be if the stop came earlier or later. A stop that is <em>not possible here</em> says why; move it, turn it off, or change the stop before it.</p>
            @foreach (\DuskRail\Rail\Purpose::cases() as $purpose)
                <h3>{{ $purpose->label() }}</h3>
                <dl>@foreach (\DuskRail\Rail\StopCatalogue::all() as $stop)@continue($stop::isFor() !== $purpose)<div><dt>{{ $stop::title() }}</dt><dd>{{ $stop::purpose() }}</dd></div>@endforeach</dl>
            @endforeach
        </section>

        <section id="units">
            <h2>Units</h2>
            <p>Every measure has a type. The type decides which stops are possible.</p>
            <dl>
                <div><dt>Flow</dt><dd>can be summed over time: Ml, calls, crowns in a month. A year is the sum of its months.</dd></div>
                <div><dt>Stock</dt><dd>a level at a point in time: people, connections, staff. A year is its last or mean level.</dd></div>
                <div><dt>Rate</dt><dd>a ratio: per cent, litres per person, an index. It can be neither summed nor divided once more.</dd></div>
            </dl>
            <p>If a type was detected wrongly, change it on the page of the data set under <em>Measures</em>. Units are calculated along the rail: Ml per month, divided by people, times 1,000,000, is l per person per month.</p>
        </section>

        <section id="views">
            <h2>Views</h2>
            <div class="pictures">
                @foreach (\DuskRail\Views\Views::all() as $name => $view)
                    @if (($views[$name] ?? '') !== '')<figure>{!! $views[$name] !!}<figcaption>{{ $view->title() }}: {{ lcfirst($view->about()) }}</figcaption></figure>@endif
                    @if ($name === 'overlay')<figure>{!! $views['panels'] !!}<figcaption>Panels: one small chart per line, group, measure or year.</figcaption></figure>@endif
                @endforeach
            </div>
            <p><em>Figures</em> shows the values as a table. If a view cannot be drawn, it says what is missing: a second measure, values that can be summed, or more than one value per year.</p>
        </section>

        <section id="roster">
            <h2>Roster and focus</h2>
            <p>Click a name to put its line in focus; click again to remove it. × hides a line: it is then in no median, rank or total. A focus rule chooses the lines by their values and is updated with the data. Totals and means in the data are shown and are never peers.</p>
        </section>

        <section id="peers">
            <h2>Peers</h2>
            <p>A study compares with one peer set: all entities, a group (click its heading in the roster), or a set of the data set. <em>Like …</em> under <em>Peers</em> takes the entities nearest to one in size. Medians, bands, ranks, shares, scores and sentences go by the set; the line above the roster names it and says how many have a value. Focus changes no value.</p>
            <dl>
                <div><dt>Allow for</dt><dd>a stop: what is expected of an entity, given what it cannot help, by a fit across its peers.</dd></div>
                <div><dt>Variation</dt><dd>limits of what a line does by itself. A value outside is more than ordinary variation.</dd></div>
                <div><dt>Chance limits</dt><dd>how far counts divided by a measure can lie from the peers by chance; wide for small entities. A band in Lines, a funnel in Scatter.</dd></div>
                <div><dt>Weighted by</dt><dd>on the page of the data set: what a rate is per, so that its years and groups are ratios of sums.</dd></div>
            </dl>
        </section>

        <section id="signals">
            <h2>Signals</h2>
            <p>Signals warn about what could mislead a reader. Most have a fix in one click; × dismisses one.</p>
            <dl>
                <div><dt>The axis does not start at zero</dt><dd>differences look larger than they are. <em>Show both</em> draws the chart from zero as well.</dd></div>
                <div><dt>Unusual base, result depends on the base</dt><dd>an index is only as good as its base. Choose a period that is like those around it.</dd></div>
                <div><dt>Incomplete period, provisional values</dt><dd>the last values may change. They are dashed and are not in headlines.</dd></div>
                <div><dt>Missing values</dt><dd>lines are interrupted there and nothing is made up.</dd></div>
                <div><dt>The peer mean gives all lines the same weight</dt><dd>for ratios the ratio of sums is usually meant.</dd></div>
                <div><dt>A line steps up or down</dt><dd>the counting method may have changed. Add an annotation that says so.</dd></div>
            </dl>
        </section>

        <section id="files">
            <h2>Files</h2>
            <p>Formats: {{ \App\Formats\TableSources::inWords() }}. A table can have one row per value or per event, or periods, years, entities or measures in columns. The preview shows the role of each column; change it there if it was detected wrongly. Cells that could not be read are listed with row and column; <em>Import without these cells</em> leaves them empty. To add next month’s file, use <em>Update</em> in the list of data sets.</p>
        </section>
    </main>
</x-layout>
