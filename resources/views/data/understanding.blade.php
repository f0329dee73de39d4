@php
    $plan = $screen->plan;
    $shape = $screen->shape();
    $sample = $screen->sample;
    $observations = $screen->observations;
    $upload = $screen->upload;
    $headings = [];
    foreach ($screen->columns() as $column) {
        $headings[$column] = $sample->heading($column, $plan->heading);
    }
    $attributes = $plan->shape === 'attributes';
    $dialect = $upload->readDialect();
    $figures = $observations->valueCount();
    $shown = $screen->shownRows();
    $first = $screen->firstMeasure();
    $rest = array_values(array_diff(array_keys($observations->measures), [$first]));
    $summaries = array_keys($observations->beside->summaries);
    $names = array_slice($observations->entities, 0, 5000);
@endphp
<div id="understanding" class="reads">
    <div class="table-side">
    @if ($screen->message !== '')<p class="said wrong" role="alert">{{ $screen->message }}</p>@endif
    <section class="understood">
        <h1>
            @if ($attributes)
                {{ number_format(count($observations->entities)) }} {{ Str::plural('entity', count($observations->entities)) }} with their attributes
            @elseif ($observations->isEmpty())
                No values can be read with this layout
            @else
                {{ $screen->sentence() }}
            @endif
        </h1>
        <p class="quiet">
            @unless ($attributes)
                {{ number_format($figures) }} {{ Str::plural('value', $figures) }}, {{ number_format($screen->periodCount()) }} {{ $observations->frequency->adjective() }} {{ Str::plural('period', $screen->periodCount()) }}, {{ $observations->gapCount() === 0 ? 'no gaps' : number_format($observations->gapCount()).' '.Str::plural('gap', $observations->gapCount()) }}{{ $screen->whole ? '.' : ', in the first '.number_format($observations->rowCount).' rows. The other rows are read during the import.' }}
            @endunless
            @if ($screen->evidence !== []) Detected from: {{ implode('; ', $screen->evidence) }}.@endif
            @if ($summaries !== []) {{ implode(', ', array_slice(array_map(fn ($n) => "“{$n}”", $summaries), 0, 3)) }} {{ count($summaries) === 1 ? 'is a total or mean of others and not a peer' : 'are totals or means of others and not peers' }}.@endif
            @if ($observations->beside->notes !== []) {{ count($observations->beside->notes) }} {{ Str::plural('line', count($observations->beside->notes)) }} without values {{ count($observations->beside->notes) === 1 ? 'is' : 'are' }} not read.@endif
        </p>
    </section>

    <form class="roles" hx-patch="{{ route('uploads.update', $upload) }}" hx-trigger="change" hx-target="#understanding" hx-swap="outerMorph">
        <div class="sample" tabindex="0" role="region" aria-label="First rows">
        <table class="table is-narrow">
            <thead>
                <tr>
                    <td class="row"></td>
                    @foreach ($headings as $column => $heading)
                        <td class="role is-{{ $plan->columns->role($column)->value }}"><select name="roles[{{ $column }}]" aria-label="Role of {{ $heading }}">
                            @foreach ($shape->roles() as $role)<option value="{{ $role->value }}" @selected($role === $plan->columns->role($column))>{{ \DuskRail\Settings\Setting::capital($role === \DuskRail\Reading\Role::Figures ? $shape->across() : $role->label()) }}</option>@endforeach
                            @unless (in_array($plan->columns->role($column), $shape->roles(), true))<option selected>{{ \DuskRail\Settings\Setting::capital($plan->columns->role($column)->label()) }}</option>@endunless
                        </select></td>
                    @endforeach
                </tr>
            </thead>
            <tbody>
                @foreach ($shown as $row)
                    @php($is = $screen->rowRole($row))
                    <tr class="{{ $is }}">
                        <th scope="row" class="row"><select name="rows[{{ $row }}]" aria-label="Role of row {{ $row + 1 }}">
                            <option value="figures" @selected($is === '')>{{ $row + 1 }}</option>
                            @if ($is === 'title')<option value="title" selected>title {{ $row + 1 }}</option>@endif
                            @if ($screen->entityIn($row) !== '' && in_array($is, ['', 'summary'], true))<option value="summary" @selected($is === 'summary')>summary {{ $row + 1 }}</option>@endif
                            <option value="heading" @selected($is === 'heading')>header {{ $row + 1 }}</option>
                            <option value="note" @selected($is === 'note')>note {{ $row + 1 }}</option>
                        </select></th>
                        @foreach ($headings as $column => $heading)<td class="is-{{ $plan->columns->role($column)->value }}">{{ Str::limit($sample->cell($row, $column), 40) }}</td>@endforeach
                    </tr>
                @endforeach
                @if (count($sample->rows) - 1 > end($shown))<tr class="title"><th class="row">…</th><td colspan="{{ count($headings) }}">{{ $screen->whole ? number_format(count($sample->rows) - 1 - end($shown)).' more rows' : 'more rows' }}</td></tr>@endif
                @foreach (array_slice($observations->beside->notes, 0, 2) as $note)<tr class="note"><th class="row">note</th><td colspan="{{ count($headings) }}">{{ Str::limit($note, 120) }}</td></tr>@endforeach
            </tbody>
        </table>
        </div>
    </form>

    @if ($screen->others !== [])
        <p class="others">Other possible layouts:
            @foreach ($screen->others as $other)<button type="button" class="plain small" hx-patch="{{ route('uploads.update', $upload) }}" hx-vals='{"shape": "{{ $other->shape->name() }}"}' hx-target="#understanding" hx-swap="outerMorph">{{ $other->shape->label() }} <span class="quiet">({{ number_format($other->figures) }} {{ Str::plural('value', $other->figures) }}{{ $other->share < 1.0 ? ', '.number_format(100 * $other->share).' % of the cells' : '' }})</span></button>@endforeach
        </p>
    @endif

    @if ($observations->problemCount > 0)
        <section class="problems" aria-label="Cells that could not be read">
            <h2>{{ number_format($observations->problemCount) }} {{ Str::plural('cell', $observations->problemCount) }} could not be read</h2>
            @if ($observations->duplicateCount > 0 && $plan->duplicates === \DuskRail\Reading\Duplicates::Ask)
                <p>{{ $observations->duplicateCount === 1 ? 'One value is a duplicate: its' : number_format($observations->duplicateCount).' values are duplicates: their' }} entity and period already {{ $observations->duplicateCount === 1 ? 'has' : 'have' }} a value. Choose an option under “Duplicates” below, or make another column a breakdown.</p>
            @endif
            <p><button class="button is-small" name="leave_out" value="1" form="confirm">Import without {{ $observations->problemCount === 1 ? 'this cell' : 'these '.number_format($observations->problemCount).' cells' }}</button> <span class="quiet">The cells are left empty.</span></p>
            <div class="sample" tabindex="0" role="region" aria-label="List of cells">
                <table class="table is-narrow">
                    <thead><tr><th scope="col">Row</th><th scope="col">Column</th><th scope="col">Found</th><th scope="col">Expected</th></tr></thead>
                    <tbody>
                        @foreach (array_slice($observations->problems, 0, 50) as $problem)
                            <tr><td>{{ number_format($problem->row) }}</td><td>{{ $problem->column }}</td><td>{{ $problem->found === '' ? '(empty)' : "“{$problem->found}”" }}</td><td>{{ $problem->expected }}</td></tr>
                        @endforeach
                    </tbody>
                </table>
            </div>
            <p class="quiet">{{ $observations->problemCount > 50 ? 'The first 50 are shown. ' : '' }}<a href="{{ route('help') }}#files" target="_blank">Help: files</a></p>
        </section>
    @endif

    @if ($screen->strangers !== [] || ($upload->same ?? []) !== [])
        <form class="plan strangers" hx-patch="{{ route('uploads.update', $upload) }}" hx-trigger="change, submit" hx-target="#understanding" hx-swap="outerMorph">
            <h2>{{ count($screen->strangers) === 0 ? 'All names are known' : count($screen->strangers).' '.Str::plural('name', count($screen->strangers)).' '.(count($screen->strangers) === 1 ? 'is' : 'are').' not in the data set' }}</h2>
            @php($known = $upload->dataset->entities()->orderBy('name')->pluck('name', 'key')->all())
            @foreach ($screen->strangers + array_fill_keys(array_keys($upload->same ?? []), '') as $name => $near)
                <x-guess name="same[{{ $name }}]" lead="“{{ Str::limit($name, 40) }}”" :value="$upload->same[$name] ?? ''" :options="['' => $near === '' ? 'New entity' : 'New entity – or '.$known[$near].'?'] + ($near === '' ? [] : [$near => $known[$near]]) + $known" />
                @if ($near !== '')<button type="button" class="button is-small" hx-patch="{{ route('uploads.update', $upload) }}" hx-vals="{{ json_encode(["same[{$name}]" => $near], JSON_THROW_ON_ERROR) }}" hx-target="#understanding" hx-swap="outerMorph">Use {{ $known[$near] }}</button>@endif
            @endforeach
        </form>
    @endif

    @if ($screen->revision !== null)
        <section class="revision" aria-label="Changes">
            <form class="plan" hx-patch="{{ route('uploads.update', $upload) }}" hx-trigger="change, submit" hx-target="#understanding" hx-swap="outerMorph">
                <x-guess name="way" lead="Stored values that are not in this file" :value="$upload->way" :options="['over' => 'Keep (merge)', 'place' => 'Delete, for the measures in the file (replace)']" />
            </form>
            <h2>{{ $screen->revision->isNone() ? 'No changes' : implode(', ', array_filter([$screen->revision->new > 0 ? number_format($screen->revision->new).' new' : '', $screen->revision->changed > 0 ? number_format($screen->revision->changed).' changed' : '', $screen->revision->gone > 0 ? number_format($screen->revision->gone).' deleted' : ''])) }}</h2>
            <p class="quiet">{{ number_format($screen->revision->same) }} {{ Str::plural('value', $screen->revision->same) }} unchanged{{ $screen->whole ? '.' : ', in the first rows.' }}</p>
            <x-revision :revision="$screen->revision" :frequencies="collect($observations->measures)->mapWithKeys(fn ($m, $i) => [$m->name => $observations->frequencyOf($i)])->all()" />
        </section>
    @endif

    <form class="plan" hx-patch="{{ route('uploads.update', $upload) }}" hx-trigger="change, submit" hx-target="#understanding" hx-swap="outerMorph">
        <h2>File and layout</h2>
        @if (count($upload->sheets ?? []) > 1)<x-guess name="sheet" lead="Sheet" :value="$upload->sheet" :options="array_combine($upload->sheets, $upload->sheets)" />@endif
        <x-guess name="shape" lead="Table layout" :value="$plan->shape" :options="array_map(fn ($s) => \DuskRail\Settings\Setting::capital($s->label()), \DuskRail\Reading\TableShapes::all())" />
        @if ($shape->swapped() !== '')
            <button type="button" class="button is-small swap" hx-patch="{{ route('uploads.update', $upload) }}" hx-vals='{"shape": "{{ $shape->swapped() }}"}' hx-target="#understanding" hx-swap="outerMorph">⇄ Swap rows and columns</button>
        @endif
        @if ($plan->shape === 'periods-across' && $plan->above === null)
            <x-guess name="joined" lead="Column header contains" :value="$plan->joined ? '1' : '0'" :options="['0' => 'A period', '1' => 'A measure and a period']" />
        @endif
        @if ($plan->shape === 'events')
            <x-guess name="counted" lead="Count the rows" :value="$plan->events->counted ? '1' : '0'" :options="['1' => 'Yes', '0' => 'No']" />
            @foreach ($plan->events->ways as $column => $way)
                <x-guess name="ways[{{ $column }}]" lead="{{ Str::limit($headings[$column] ?? 'Column '.($column + 1), 24) }}" :value="$way->value" :options="collect(\DuskRail\Reading\EventSummary::cases())->mapWithKeys(fn ($w) => [$w->value => \DuskRail\Settings\Setting::capital($w->label())])->all()" />
            @endforeach
        @endif
        @if ($plan->shape === 'moment')
            <label class="guess"><span>Date of the data</span><input class="input is-small" name="moment" value="{{ $plan->stated->moment }}" placeholder="2024 or 2024-03, may be empty"></label>
        @endif
        @unless ($attributes)
            @if (! in_array($plan->shape, ['years-across', 'moment'], true))
                <x-guess name="notation" lead="Period format" :value="$plan->periods->notation->value" :options="collect(\DuskRail\Time\PeriodNotation::cases())->mapWithKeys(fn ($n) => [$n->value => $n->example()])->all()" />
                @if ($plan->periods->notation->frequency() === \DuskRail\Time\Frequency::Day)
                    <x-guess name="frequency" lead="Frequency" :value="$plan->periods->frequency->value" :options="collect(['day', 'week', 'month', 'quarter', 'half-year', 'year'])->mapWithKeys(fn ($f) => [$f => \DuskRail\Settings\Setting::capital($f)])->all()" />
                @endif
            @endif
            <x-guess name="numbers" lead="Number format" :value="$plan->numbers->value" :options="collect(\DuskRail\Reading\NumberNotation::cases())->mapWithKeys(fn ($n) => [$n->value => $n->example()])->all()" />
        @endunless
        @if ($observations->duplicateCount > 0)
            <x-guess name="duplicates" lead="Duplicates" :value="$plan->duplicates->value" :options="['ask' => 'Choose …', 'first' => 'Keep the first', 'last' => 'Keep the last', 'sum' => 'Sum', 'mean' => 'Mean', 'kind' => 'Sum of flows, mean of all else']" />
        @endif
        @if ($plan->columns->measure === null && ! $attributes && ($observations->measures === [] || $observations->measures[0]->name === \DuskRail\Reading\Heading::read($plan->stated->measureName)->name))
            <label class="guess"><span>Measure name</span><input class="input is-small" name="measureName" value="{{ $plan->stated->measureName }}"></label>
        @endif
        @if (($plan->columns->entity === null && $plan->shape === 'long') || $plan->shape === 'years-across')
            <label class="guess"><span>Entity name</span><input class="input is-small" name="entityName" value="{{ $plan->stated->entityName }}"></label>
        @endif
        @if ($plan->shape === 'periods-across')<x-guess name="above" lead="Second header row" :value="(string) ($plan->above ?? '')" :options="['' => 'None'] + collect(range(0, min(29, count($sample->rows) - 1)))->mapWithKeys(fn ($r) => [$r => (string) ($r + 1)])->all()" />@endif
        <x-guess name="row" lead="Header row" :value="(string) ($plan->heading ?? -1)" :options="['-1' => 'None'] + collect(range(0, min(29, count($sample->rows) - 1)))->mapWithKeys(fn ($r) => [$r => (string) ($r + 1)])->all()" />
        <x-guess name="delimiter" lead="Separator" :value="\DuskRail\Reading\Dialect::DELIMITERS[$dialect->delimiter]" :options="collect(\DuskRail\Reading\Dialect::DELIMITERS)->mapWithKeys(fn ($d) => [$d => \DuskRail\Settings\Setting::capital($d)])->all()" />
        <x-guess name="encoding" lead="Encoding" :value="$dialect->encoding" :options="collect(\DuskRail\Reading\Dialect::ENCODINGS)->mapWithKeys(fn ($e) => [$e => $e])->all()" />
    </form>
    </div>

    <aside>
        @php($look = $observations->isEmpty() ? '' : $screen->firstLook())
        @if ($look !== '')<section class="card"><h2>First chart</h2>{!! $look !!}</section>@endif
        @if ($observations->measures !== [])
        <form class="card" hx-patch="{{ route('uploads.update', $upload) }}" hx-trigger="change, submit" hx-target="#understanding" hx-swap="outerMorph">
            @foreach (array_slice([$first, ...$rest], 0, 60) as $number)
                @php($measure = $observations->measures[$number])
                @if ($loop->iteration === 4)<details><summary>{{ count($rest) - 2 }} more {{ Str::plural('measure', count($rest) - 2) }}</summary>@endif
                <fieldset>
                    <legend>{{ $measure->name }}</legend>
                    <label class="guess"><span>Unit</span><input class="input is-small unit" name="measures[{{ $measure->name }}][unit]" value="{{ $measure->unit }}" placeholder="None"></label>
                    <x-guess name="measures[{{ $measure->name }}][kind]" lead="Type" :value="$measure->kind->value" :options="collect(\DuskRail\Data\MeasureKind::cases())->mapWithKeys(fn ($k) => [$k->value => \DuskRail\Settings\Setting::capital($k->meaning())])->all()" />
                    @if (! isset($plan->stated->measures[$measure->name]['kind']))<p class="quiet why">{{ \DuskRail\Data\MeasureKind::guessed($measure->name, $measure->unit)[1] }}</p>@endif
                    <x-guess name="measures[{{ $measure->name }}][better]" lead="Better" :value="$measure->better->value" :options="['neither' => 'Neither', 'higher' => 'Higher', 'lower' => 'Lower']" />
                </fieldset>
            @endforeach
            @if (count($rest) > 2)</details>@endif
        </form>
        @endif
        <form id="confirm" class="card confirm" method="post" action="{{ route('imports.store', $upload) }}" hx-post="{{ route('imports.store', $upload) }}" hx-target="#understanding" hx-swap="outerMorph" hx-disable="find button">
            @if ($upload->dataset_id === null)
                @if ($names !== [] && ! $attributes)
                    <label class="guess"><span>Home entity</span><input class="input is-small" name="home" list="entities" value="{{ $observations->entities[0] ?? '' }}" maxlength="200" autocomplete="off"></label>
                    <datalist id="entities">@foreach ($names as $name)<option value="{{ $name }}"></option>@endforeach</datalist>
                @endif
                <label class="guess"><span>Data set name</span><input class="input is-small" name="name" value="{{ old('name', $screen->title()) }}" required maxlength="120"></label>
                <label class="guess"><span>Source</span><input class="input is-small source" name="source" value="{{ $screen->source() }}" placeholder="publisher and date" maxlength="300"></label>
            @endif
            <div class="acts">
                <button class="button go">{{ $upload->dataset_id === null ? ($attributes ? 'Import' : 'Import '.number_format($figures).' '.Str::plural('value', $figures)) : "Add to {$upload->dataset->name}" }}</button>
                <button class="plain small" form="discard">Discard file</button>
            </div>
        </form>
        <form id="discard" method="post" action="{{ route('uploads.destroy', $upload) }}">@csrf @method('delete')</form>
    </aside>
</div>
