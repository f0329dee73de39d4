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
    $benchmarks = array_keys(array_filter($screen->benchmarks));
    $names = array_slice($observations->entities, 0, 5000);
@endphp
<div id="understanding" class="reads">
    <div class="table-side">
    @if ($screen->message !== '')<p class="said wrong" role="alert">{{ $screen->message }}</p>@endif
    <section class="understood">
        <h1>
            @if ($attributes)
                {{ trans_choice(':count entity with its attributes|:count entities with their attributes', count($observations->entities), ['count' => \DuskRail\Data\Numerals::count(count($observations->entities))]) }}
            @elseif ($observations->isEmpty())
                {{ __('No values can be read with this layout') }}
            @else
                {{ $screen->sentence() }}
            @endif
        </h1>
        <p class="quiet">
            @unless ($attributes)
                {{ trans_choice(':count value|:count values', $figures, ['count' => \DuskRail\Data\Numerals::count($figures)]) }}, {{ trans_choice(':count :frequency period|:count :frequency periods', $screen->periodCount(), ['count' => \DuskRail\Data\Numerals::count($screen->periodCount()), 'frequency' => \App\View\Label::of($observations->frequency->adjective())]) }}, {{ $observations->gapCount() === 0 ? __('no gaps') : trans_choice(':count gap|:count gaps', $observations->gapCount(), ['count' => \DuskRail\Data\Numerals::count($observations->gapCount())]) }}{{ $screen->whole ? '.' : ', '.__('in the first :count rows. The other rows are read during the import.', ['count' => \DuskRail\Data\Numerals::count($observations->rowCount)]) }}
            @endunless
            @if ($screen->evidence !== []) {{ __('Detected from: :evidence.', ['evidence' => implode('; ', $screen->evidence)]) }}@endif
            @if ($benchmarks !== []) {{ implode(', ', array_slice(array_map(fn ($n) => "“{$n}”", $benchmarks), 0, 3)) }} {{ trans_choice('is a benchmark: shown, and neither a peer nor part of a sum.|are benchmarks: shown, and neither peers nor parts of a sum.', count($benchmarks)) }}@endif
            @if ($observations->metadata->notes !== []) {{ trans_choice(':count line without values is not read.|:count lines without values are not read.', count($observations->metadata->notes)) }}@endif
        </p>
        @if ($upload->like !== '')
            <p class="like">{{ __('Read with the settings of “:file”, which has the same headers.', ['file' => $upload->like]) }} <button type="button" class="plain small" hx-patch="{{ route('uploads.update', $upload) }}" hx-vals='{"anew": "1"}' hx-target="#understanding" hx-swap="outerMorph">{{ __('Read it without them') }}</button></p>
        @endif
        @php([$account, $leftOut] = [$observations->metadata->account, $screen->leftOut()])
        @php($lost = $sample->notes()['not read'] ?? '')
        @if ($lost !== '')<div class="account" role="note"><p>{{ __('Not read from the tables: :what.', ['what' => $lost]) }}</p></div>@endif
        @if (! $account->isWhole())
            <div class="account" role="note">
                <p>{{ trans_choice(':count column of numbers is read|:count columns of numbers are read', $account->read) }}; {{ implode(' '.__('and').' ', array_filter([$leftOut === [] ? '' : trans_choice(':count column is left out|:count columns are left out', count($leftOut)), $account->rowCount === 0 ? '' : trans_choice(':count row is left out|:count rows are left out', $account->rowCount)])) }}:</p>
                <ul>
                    @foreach (array_slice($leftOut, 0, 12) as $column)
                        <li>{{ $column->inWords() }} @if ($column->remedy !== null)<button type="button" class="plain small" hx-patch="{{ route('uploads.update', $upload) }}" hx-vals="{{ json_encode(["roles[{$column->column}]" => $column->remedy->value], JSON_THROW_ON_ERROR) }}" hx-target="#understanding" hx-swap="outerMorph">{{ $column->remedy === \DuskRail\Reading\Role::Figures ? __('Read its values') : __('Keep as an attribute') }}</button>@endif</li>
                    @endforeach
                    @if (count($leftOut) > 12)<li>{{ trans_choice(':count more|:count more', count($leftOut) - 12) }}</li>@endif
                    @if ($account->rows !== [])<li>{{ trans_choice('Row that begins with :names|Rows that begin with :names', count($account->rows), ['names' => implode(', ', array_map(fn ($r) => "“{$r}”", array_slice($account->rows, 0, 6)))]) }}</li>@endif
                </ul>
            </div>
        @endif
    </section>

    <form class="roles" hx-patch="{{ route('uploads.update', $upload) }}" hx-trigger="change" hx-target="#understanding" hx-swap="outerMorph">
        <div class="sample" tabindex="0" role="region" aria-label="{{ __('First rows') }}">
        <table class="table is-narrow">
            <thead>
                <tr>
                    <td class="row"></td>
                    @foreach ($headings as $column => $heading)
                        <td class="role is-{{ $plan->columns->role($column)->value }}"><select name="roles[{{ $column }}]" aria-label="{{ __('Role of :column', ['column' => $heading]) }}">
                            @foreach ($shape->roles() as $role)<option value="{{ $role->value }}" @selected($role === $plan->columns->role($column))>{{ \App\View\Label::of(\DuskRail\Settings\Setting::capital($role === \DuskRail\Reading\Role::Figures ? $shape->across() : $role->label())) }}</option>@endforeach
                            @unless (in_array($plan->columns->role($column), $shape->roles(), true))<option selected>{{ \App\View\Label::of(\DuskRail\Settings\Setting::capital($plan->columns->role($column)->label())) }}</option>@endunless
                        </select></td>
                    @endforeach
                </tr>
            </thead>
            <tbody>
                @foreach ($shown as $row)
                    @php($is = $screen->rowRole($row))
                    <tr class="{{ $is }}">
                        <th scope="row" class="row"><select name="rows[{{ $row }}]" aria-label="{{ __('Role of row :row', ['row' => $row + 1]) }}">
                            <option value="figures" @selected($is === '')>{{ $row + 1 }}</option>
                            @if ($is === 'title')<option value="title" selected>{{ __('title :row', ['row' => $row + 1]) }}</option>@endif
                            @if ($screen->entityIn($row) !== '' && in_array($is, ['', 'benchmark'], true))<option value="{{ $screen->benchmarks[$screen->entityIn($row)] ?? null ?: 'total' }}" @selected($is === 'benchmark')>{{ __('benchmark :row', ['row' => $row + 1]) }}</option>@endif
                            <option value="heading" @selected($is === 'heading')>{{ __('header :row', ['row' => $row + 1]) }}</option>
                            <option value="note" @selected($is === 'note')>{{ __('note :row', ['row' => $row + 1]) }}</option>
                        </select></th>
                        @foreach ($headings as $column => $heading)<td class="is-{{ $plan->columns->role($column)->value }}">{{ Str::limit($sample->cell($row, $column), 40) }}</td>@endforeach
                    </tr>
                @endforeach
                @if (count($sample->rows) - 1 > end($shown))<tr class="title"><th class="row">…</th><td colspan="{{ count($headings) }}">{{ $screen->whole ? __(':count more rows', ['count' => \DuskRail\Data\Numerals::count(count($sample->rows) - 1 - end($shown))]) : __('more rows') }}</td></tr>@endif
                @foreach (array_slice($observations->metadata->notes, 0, 2) as $note)<tr class="note"><th class="row">{{ __('note') }}</th><td colspan="{{ count($headings) }}">{{ Str::limit($note, 120) }}</td></tr>@endforeach
            </tbody>
        </table>
        </div>
    </form>

    @if ($screen->others !== [])
        <p class="others">{{ __('Other possible layouts:') }}
            @foreach ($screen->others as $other)<button type="button" class="plain small" hx-patch="{{ route('uploads.update', $upload) }}" hx-vals='{"shape": "{{ $other->shape->name() }}"}' hx-target="#understanding" hx-swap="outerMorph">{{ \App\View\Label::of($other->shape->label()) }} <span class="quiet">({{ trans_choice(':count value|:count values', $other->figures, ['count' => \DuskRail\Data\Numerals::count($other->figures)]) }}{{ $other->share < 1.0 ? ', '.__(':share % of the cells', ['share' => \DuskRail\Data\Numerals::count(100 * $other->share)]) : '' }})</span></button>@endforeach
        </p>
    @endif

    @if ($observations->problemCount > 0)
        <section class="problems" aria-label="{{ __('Cells that could not be read') }}">
            <h2>{{ trans_choice(':count cell could not be read|:count cells could not be read', $observations->problemCount, ['count' => \DuskRail\Data\Numerals::count($observations->problemCount)]) }}</h2>
            @if ($observations->duplicateCount > 0 && $plan->duplicates === \DuskRail\Reading\Duplicates::Ask)
                <p>{{ trans_choice('One value is a duplicate: its entity and period already has a value.|:count values are duplicates: their entity and period already have a value.', $observations->duplicateCount, ['count' => \DuskRail\Data\Numerals::count($observations->duplicateCount)]) }} {{ __('Choose an option under “Duplicates” below, or make another column a breakdown.') }}</p>
            @endif
            <p class="quiet">{{ __('The import leaves such cells empty. To read them, change the settings below, or the file.') }}</p>
            <div class="sample" tabindex="0" role="region" aria-label="{{ __('List of cells') }}">
                <table class="table is-narrow">
                    <thead><tr><th scope="col">{{ __('Row') }}</th><th scope="col">{{ __('Column') }}</th><th scope="col">{{ __('Found') }}</th><th scope="col">{{ __('Expected') }}</th></tr></thead>
                    <tbody>
                        @foreach (array_slice($observations->problems, 0, 50) as $problem)
                            <tr><td>{{ \DuskRail\Data\Numerals::count($problem->row) }}</td><td>{{ $problem->column }}</td><td>{{ $problem->found === '' ? __('(empty)') : "“{$problem->found}”" }}</td><td>{{ $problem->expected }}</td></tr>
                        @endforeach
                    </tbody>
                </table>
            </div>
            <p class="quiet">{{ $observations->problemCount > 50 ? __('The first 50 are shown.').' ' : '' }}<a href="{{ route('help') }}#files" target="_blank">{{ __('Help: files') }}</a></p>
        </section>
    @endif

    @if ($screen->benchmarks !== [])
        <form class="plan strangers" hx-patch="{{ route('uploads.update', $upload) }}" hx-trigger="change, submit" hx-target="#understanding" hx-swap="outerMorph">
            <h2>{{ trans_choice('A benchmark, and no peer|Benchmarks, and no peers', count($screen->benchmarks)) }}</h2>
            @foreach ($screen->benchmarks as $name => $kind)
                <x-guess name="benchmarks[{{ $name }}]" lead="“{{ Str::limit($name, 40) }}”" :value="$kind" :options="\App\View\Benchmarks::choices()" />
            @endforeach
        </form>
    @endif

    @if ($screen->merged !== [])
        <form class="plan strangers" hx-patch="{{ route('uploads.update', $upload) }}" hx-trigger="change, submit" hx-target="#understanding" hx-swap="outerMorph">
            <h2>{{ trans_choice(':count name has merged into another entity|:count names have merged into other entities', count($screen->merged)) }}</h2>
            @php($wholes = $upload->dataset->entities()->pluck('name', 'key')->all())
            @foreach ($screen->merged as $name => $whole)
                <x-guess name="same[{{ $name }}]" lead="“{{ Str::limit($name, 40) }}”" value="" :options="['' => __('Keep with :name, which is no longer compared', ['name' => $name]), $whole => __('Values of :name', ['name' => $wholes[$whole] ?? $whole])]" />
            @endforeach
        </form>
    @endif

    @if ($screen->strangers !== [] || ($upload->same ?? []) !== [])
        <form class="plan strangers" hx-patch="{{ route('uploads.update', $upload) }}" hx-trigger="change, submit" hx-target="#understanding" hx-swap="outerMorph">
            <h2>{{ count($screen->strangers) === 0 ? __('All names are known') : trans_choice(':count name is not in the data set|:count names are not in the data set', count($screen->strangers)) }}</h2>
            @php($known = $upload->dataset->entities()->orderBy('name')->pluck('name', 'key')->all())
            @foreach ($screen->strangers + array_fill_keys(array_keys($upload->same ?? []), '') as $name => $near)
                <x-guess name="same[{{ $name }}]" lead="“{{ Str::limit($name, 40) }}”" :value="$upload->same[$name] ?? ''" :options="['' => $near === '' ? __('New entity') : __('New entity – or :name?', ['name' => $known[$near]])] + ($near === '' ? [] : [$near => $known[$near]]) + $known" />
                @if ($near !== '')<button type="button" class="button is-small" hx-patch="{{ route('uploads.update', $upload) }}" hx-vals="{{ json_encode(["same[{$name}]" => $near], JSON_THROW_ON_ERROR) }}" hx-target="#understanding" hx-swap="outerMorph">{{ __('Use :name', ['name' => $known[$near]]) }}</button>@endif
            @endforeach
        </form>
    @endif

    @php($foreseen = $screen->foreseen)
    @if (($foreseen?->matching->questions ?? []) !== [])
        <form class="plan strangers" hx-patch="{{ route('uploads.update', $upload) }}" hx-trigger="change, submit" hx-target="#understanding" hx-swap="outerMorph">
            <h2>{{ trans_choice(':count measure comes in another unit|:count measures come in other units', count($foreseen->matching->questions)) }}</h2>
            @foreach ($foreseen->matching->questions as $question)
                <x-guess name="units[{{ $question->measure }}]" :lead="$question->from === $question->to || $question->from === '' ? __(':measure: the values are of another size than those stored', ['measure' => $question->measure]) : __(':measure: :from in the file, :to in the data set', ['measure' => $question->measure, 'from' => $question->from, 'to' => $question->to === '' ? __('no unit') : $question->to])" :value="$question->answer" :options="$question->choices()" />
            @endforeach
        </form>
    @endif

    @if (($foreseen->withdrawnCount ?? 0) > 0)
        <form class="plan strangers" hx-patch="{{ route('uploads.update', $upload) }}" hx-trigger="change, submit" hx-target="#understanding" hx-swap="outerMorph">
            <h2>{{ trans_choice(':count stored value is missing in this file|:count stored values are missing in this file', $foreseen->withdrawnCount, ['count' => \DuskRail\Data\Numerals::count($foreseen->withdrawnCount)]) }}</h2>
            <x-guess name="removes_withdrawn" :lead="__('The file has an empty cell, or a mark for no value, in their place')" :value="$upload->removes_withdrawn ? '1' : '0'" :options="['0' => __('Keep them'), '1' => __('Delete them')]" />
            <p class="quiet">{{ implode('; ', $foreseen->withdrawn) }}{{ $foreseen->withdrawnCount > count($foreseen->withdrawn) ? ' …' : '' }}</p>
        </form>
    @endif

    @if ($foreseen !== null)
        @php($revision = $foreseen->revision)
        <section class="revision" aria-label="{{ __('Changes') }}">
            <form class="plan" hx-patch="{{ route('uploads.update', $upload) }}" hx-trigger="change, submit" hx-target="#understanding" hx-swap="outerMorph">
                <x-guess name="mode" :lead="__('Stored values that are not in this file')" :value="$upload->mode" :options="['over' => __('Keep (merge)'), 'place' => __('Delete, for the measures in the file (replace)')]" />
            </form>
            <h2>{{ $revision->isNone() ? __('No changes') : implode(', ', array_filter([$revision->new > 0 ? __(':count new', ['count' => \DuskRail\Data\Numerals::count($revision->new)]) : '', $revision->changed > 0 ? __(':count changed', ['count' => \DuskRail\Data\Numerals::count($revision->changed)]) : '', $revision->gone > 0 ? __(':count deleted', ['count' => \DuskRail\Data\Numerals::count($revision->gone)]) : ''])) }}</h2>
            <p class="quiet">{{ trans_choice(':count value unchanged|:count values unchanged', $revision->same, ['count' => \DuskRail\Data\Numerals::count($revision->same)]) }}{{ $screen->whole ? '.' : ', '.__('in the first rows.') }}</p>
            <x-revision :revision="$revision" :frequencies="collect($observations->measures)->mapWithKeys(fn ($m, $i) => [$m->name => $observations->frequencyOf($i)])->all()" />
        </section>
    @endif

    <form class="plan" hx-patch="{{ route('uploads.update', $upload) }}" hx-trigger="change, submit" hx-target="#understanding" hx-swap="outerMorph">
        <h2>{{ __('File and layout') }}</h2>
        @if (count($upload->sheets ?? []) > 1)<x-guess name="sheet" :lead="__('Sheet')" :value="$upload->sheet" :options="array_combine($upload->sheets, $upload->sheets)" />@endif
        <x-guess name="shape" :lead="__('Table layout')" :value="$plan->shape" :options="array_map(fn ($s) => \DuskRail\Settings\Setting::capital($s->label()), \DuskRail\Reading\TableShapes::all())" />
        @if ($shape->swapped() !== '')
            <button type="button" class="button is-small swap" hx-patch="{{ route('uploads.update', $upload) }}" hx-vals='{"shape": "{{ $shape->swapped() }}"}' hx-target="#understanding" hx-swap="outerMorph">{{ __('⇄ Swap rows and columns') }}</button>
        @endif
        @if ($plan->shape === 'periods-across' && $plan->above === null)
            <x-guess name="joined" :lead="__('Column header contains')" :value="$plan->joined ? '1' : '0'" :options="['0' => __('A period'), '1' => __('A measure and a period')]" />
        @endif
        @if ($plan->shape === 'events')
            <x-guess name="counted" :lead="__('Count the rows')" :value="$plan->events->counted ? '1' : '0'" :options="['1' => __('Yes'), '0' => __('No')]" />
            @foreach ($plan->events->aggregations as $column => $way)
                <x-guess name="ways[{{ $column }}]" :lead="Str::limit($headings[$column] ?? __('Column :number', ['number' => $column + 1]), 24)" :value="$way->value" :options="collect(\DuskRail\Reading\EventSummary::cases())->mapWithKeys(fn ($w) => [$w->value => \DuskRail\Settings\Setting::capital($w->label())])->all()" />
            @endforeach
        @endif
        @if ($plan->shape === 'moment')
            <label class="guess"><span>{{ __('Date of the data') }}</span><input class="input is-small" name="moment" value="{{ $plan->stated->moment }}" placeholder="{{ __('2024 or 2024-03, may be empty') }}"></label>
        @endif
        @unless ($attributes)
            @if (! $screen->shape()->hasPartsOfYears() && $plan->shape !== 'moment')
                <x-guess name="notation" :lead="__('Period format')" :value="$plan->periods->notation->value" :options="collect(\DuskRail\Time\PeriodNotation::cases())->mapWithKeys(fn ($n) => [$n->value => $n->example()])->all()" />
                @if ($plan->periods->notation->isInYear())<label class="guess"><span>{{ __('Of which year?') }}</span><input class="input is-small" name="year" value="{{ $plan->periods->year }}" inputmode="numeric" placeholder="{{ __('none') }}"></label>@endif
                @if (! $plan->periods->notation->isUndated() && $plan->periods->notation->frequency() === \DuskRail\Time\Frequency::Day)
                    <x-guess name="frequency" :lead="__('Frequency')" :value="$plan->periods->frequency->value" :options="collect(['day', 'week', 'month', 'quarter', 'half-year', 'year'])->mapWithKeys(fn ($f) => [$f => \DuskRail\Settings\Setting::capital($f)])->all()" />
                @endif
            @endif
            @if ($screen->fillable() !== '')<x-guess name="fills" :lead="__('Blank cells in :columns', ['columns' => $screen->fillable()])" :value="$plan->arrangement->fill === null ? '0' : '1'" :options="['1' => __('Repeat the cell above'), '0' => __('Are blank')]" />@endif
            <label class="guess"><span>{{ __('Also missing') }}</span><input class="input is-small" name="missing" value="{{ $plan->stated->missing }}" placeholder="{{ __('for example -999') }}" size="10"></label>
            <x-guess name="numbers" :lead="__('Number format')" :value="$plan->numbers->value" :options="collect(\DuskRail\Reading\NumberNotation::cases())->mapWithKeys(fn ($n) => [$n->value => $n->example()])->all()" />
        @endunless
        @if ($observations->duplicateCount > 0)
            <x-guess name="duplicates" :lead="__('Duplicates')" :value="$plan->duplicates->value" :options="['ask' => __('Choose …'), 'first' => __('Keep the first'), 'last' => __('Keep the last'), 'sum' => __('Sum'), 'mean' => __('Mean'), 'kind' => __('Sum of flows, mean of all else')]" />
        @endif
        @if ($plan->columns->measure === null && ! $attributes && ($observations->measures === [] || $observations->measures[0]->name === \DuskRail\Reading\Heading::read($plan->stated->measureName)->name))
            <label class="guess"><span>{{ __('Measure name') }}</span><input class="input is-small" name="measureName" value="{{ $plan->stated->measureName }}"></label>
        @endif
        @if ($plan->columns->entity === null && ($plan->shape === 'long' || $screen->shape()->hasPartsOfYears()))
            <label class="guess"><span>{{ __('Entity name') }}</span><input class="input is-small" name="entityName" value="{{ $plan->stated->entityName }}"></label>
        @endif
        @if ($plan->shape === 'periods-across' || $plan->above !== null)<x-guess name="above" :lead="__('Second header row')" :value="(string) ($plan->above ?? '')" :options="['' => __('None')] + collect(range(0, min(29, count($sample->rows) - 1)))->mapWithKeys(fn ($r) => [$r => (string) ($r + 1)])->all()" />@endif
        <x-guess name="row" :lead="__('Header row')" :value="(string) ($plan->heading ?? -1)" :options="['-1' => __('None')] + collect(range(0, min(29, count($sample->rows) - 1)))->mapWithKeys(fn ($r) => [$r => (string) ($r + 1)])->all()" />
        <x-guess name="delimiter" :lead="__('Separator')" :value="\DuskRail\Reading\Dialect::DELIMITERS[$dialect->delimiter]" :options="collect(\DuskRail\Reading\Dialect::DELIMITERS)->mapWithKeys(fn ($d) => [$d => \DuskRail\Settings\Setting::capital($d)])->all()" />
        <x-guess name="encoding" :lead="__('Encoding')" :value="$dialect->encoding" :options="collect(\DuskRail\Reading\Dialect::ENCODINGS)->mapWithKeys(fn ($e) => [$e => $e])->all()" />
    </form>
    </div>

    <aside>
        @php($look = $observations->isEmpty() ? '' : $screen->firstLook())
        @if ($look !== '')<section class="card"><h2>{{ __('First chart') }}</h2>{!! $look !!}</section>@endif
        @if ($observations->measures !== [])
        <form class="card" hx-patch="{{ route('uploads.update', $upload) }}" hx-trigger="change, submit" hx-target="#understanding" hx-swap="outerMorph">
            @foreach (array_slice([$first, ...$rest], 0, 60) as $number)
                @php($measure = $observations->measures[$number])
                @if ($loop->iteration === 4)<details><summary>{{ trans_choice(':count more measure|:count more measures', count($rest) - 2) }}</summary>@endif
                <fieldset>
                    <legend>{{ $measure->name }}</legend>
                    <label class="guess"><span>{{ __('Unit') }}</span><input class="input is-small unit" name="measures[{{ $measure->name }}][unit]" value="{{ $measure->unit }}" placeholder="{{ __('None') }}"></label>
                    <x-guess name="measures[{{ $measure->name }}][kind]" :lead="__('Type')" :value="$measure->kind->value" :options="collect(\DuskRail\Data\MeasureKind::cases())->mapWithKeys(fn ($k) => [$k->value => \DuskRail\Settings\Setting::capital($k->meaning())])->all()" />
                    @if (! isset($plan->stated->measures[$measure->name]['kind']))<p class="quiet why">{{ \DuskRail\Data\MeasureKind::guessed($measure->name, $measure->unit)[1] }}</p>@endif
                    <x-guess name="measures[{{ $measure->name }}][better]" :lead="__('Better')" :value="$measure->better->value" :options="['neither' => __('Neither'), 'higher' => __('Higher'), 'lower' => __('Lower')]" />
                </fieldset>
            @endforeach
            @if (count($rest) > 2)</details>@endif
        </form>
        @endif
        <form id="confirm" class="card confirm" method="post" action="{{ route('imports.store', $upload) }}" hx-post="{{ route('imports.store', $upload) }}" hx-target="#understanding" hx-swap="outerMorph" hx-disable="find button">
            @if ($upload->dataset_id === null)
                @if ($names !== [] && ! $attributes)
                    <label class="guess"><span>{{ __('Home entity') }}</span><input class="input is-small" name="home" list="entities" value="{{ $screen->home() }}" maxlength="200" autocomplete="off"></label>
                    <datalist id="entities">@foreach ($names as $name)<option value="{{ $name }}"></option>@endforeach</datalist>
                @endif
                <label class="guess"><span>{{ __('Data set name') }}</span><input class="input is-small" name="name" value="{{ old('name', $screen->title()) }}" required maxlength="120"></label>
                <label class="guess"><span>{{ __('Source') }}</span><input class="input is-small source" name="source" value="{{ $screen->source() }}" placeholder="{{ __('publisher and date') }}" maxlength="300"></label>
            @endif
            <div class="acts">
                @if ($observations->problemCount > 0 && ! $observations->isEmpty())
                <button class="button go" name="leave_out" value="1">{{ trans_choice('Import :count value|Import :count values', $figures, ['count' => \DuskRail\Data\Numerals::count($figures)]) }}; {{ trans_choice(':count cell as missing|:count cells as missing', $observations->problemCount, ['count' => \DuskRail\Data\Numerals::count($observations->problemCount)]) }}</button>
                @else
                <button class="button go">{{ $upload->dataset_id === null ? ($attributes ? __('Import') : trans_choice('Import :count value|Import :count values', $figures, ['count' => \DuskRail\Data\Numerals::count($figures)])) : __('Add to :name', ['name' => $upload->dataset->name]) }}</button>
                @endif
                <button class="plain small" form="discard">{{ __('Discard file') }}</button>
            </div>
        </form>
        <form id="discard" method="post" action="{{ route('uploads.destroy', $upload) }}">@csrf @method('delete')</form>
    </aside>
</div>
