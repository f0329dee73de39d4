@php
    $plan = $screen->plan;
    $sample = $screen->sample;
    $observations = $screen->observations;
    $upload = $screen->upload;
    $headings = array_map(fn ($column) => $sample->heading($column, $plan->heading), range(0, max(0, min($sample->width, 200) - 1)));
    $attributes = $plan->shape === \DuskRail\Reading\TableShape::Attributes;
    $dialect = $upload->readDialect();
@endphp
<div id="understanding">
    @if ($screen->message !== '')<p class="said wrong" role="alert">{{ $screen->message }}</p>@endif
    <section class="understood">
        <h1>
            @if ($attributes)
                {{ number_format(count($observations->entities)) }} {{ Str::plural('entity', count($observations->entities)) }} with their attributes
            @elseif ($observations->isEmpty())
                Nothing can be read this way yet
            @else
                {{ number_format(count($observations->entities)) }} {{ Str::plural('entity', count($observations->entities)) }}, {{ $screen->span() }}
            @endif
        </h1>
        <p class="quiet">
            @unless ($attributes)
                {{ number_format($observations->valueCount()) }} figures, {{ count($observations->measures) }} {{ Str::plural('measure', count($observations->measures)) }}, {{ number_format($screen->periodCount()) }} {{ $observations->frequency->adjective() }} periods, {{ $observations->gapCount() === 0 ? 'no gaps' : number_format($observations->gapCount()).' '.Str::plural('gap', $observations->gapCount()) }}{{ $screen->whole ? '.' : ', in the first '.number_format($observations->rowCount).' rows; the rest is read on import.' }}
            @endunless
            @if ($screen->evidence !== []) Understood from this: {{ implode('; ', $screen->evidence) }}.@endif
        </p>
        @if ($screen->others !== [])
            <p class="others">It could also be:
                @foreach ($screen->others as $other)<button type="button" class="plain small" hx-patch="{{ route('uploads.update', $upload) }}" hx-vals='{"shape": "{{ $other->shape->value }}"}' hx-target="#understanding" hx-swap="outerMorph">{{ $other->shape->label() }} <span class="quiet">({{ number_format($other->figures) }} figures{{ $other->share < 1.0 ? ', '.number_format(100 * $other->share).' % of the cells' : '' }})</span></button>@endforeach
            </p>
        @endif
    </section>

    <form class="plan" hx-patch="{{ route('uploads.update', $upload) }}" hx-trigger="change, submit" hx-target="#understanding" hx-swap="outerMorph">
        @if (count($upload->sheets ?? []) > 1)<x-guess name="sheet" lead="Sheet" :value="$upload->sheet" :options="array_combine($upload->sheets, $upload->sheets)" />@endif
        <x-guess name="shape" lead="The table lies" :value="$plan->shape->value" :options="collect(\DuskRail\Reading\TableShape::cases())->mapWithKeys(fn ($s) => [$s->value => $s->label()])->all()" />
        @if ($plan->shape->swapped() !== null)
            <button type="button" class="button is-small swap" hx-patch="{{ route('uploads.update', $upload) }}" hx-vals='{"shape": "{{ $plan->shape->swapped()->value }}"}' hx-target="#understanding" hx-swap="outerMorph">⇄ Swap direction</button>
        @endif
        @php($columns = ['' => 'none'] + array_map(fn ($h) => Str::limit($h, 30), $headings))
        @if (in_array($plan->shape->value, ['long', 'periods-across', 'attributes', 'events', 'moment'], true))
            <x-guess name="entity" lead="Entity in" :value="(string) $plan->columns->entity" :options="$columns" />
        @endif
        @if (in_array($plan->shape->value, ['long', 'entities-across', 'years-across', 'events'], true))
            <x-guess name="period" lead="Period in" :value="(string) $plan->columns->period" :options="$columns" />
        @endif
        @if (in_array($plan->shape->value, ['long', 'entities-across', 'events'], true) && ($plan->columns->month !== null || $plan->periods->notation === \DuskRail\Time\PeriodNotation::Year))
            <x-guess name="month" lead="its month in" :value="(string) $plan->columns->month" :options="$columns" />
            @if ($plan->columns->month !== null)<x-guess name="day" lead="its day in" :value="(string) $plan->columns->day" :options="$columns" />@endif
        @endif
        @if ($plan->shape === \DuskRail\Reading\TableShape::PeriodsAcross && $plan->above === null)
            <x-guess name="joined" lead="A heading is" :value="$plan->joined ? '1' : '0'" :options="['0' => 'a period', '1' => 'a measure and a period']" />
        @endif
        @if (in_array($plan->shape->value, ['long', 'periods-across'], true) && ! $plan->isPaired())
            <x-guess name="measure" lead="Measure in" :value="(string) $plan->columns->measure" :options="$columns" />
            <x-guess name="unit" lead="Unit in" :value="(string) $plan->columns->unit" :options="$columns" />
        @endif
        @if ($plan->shape === \DuskRail\Reading\TableShape::Long)
            <x-guess name="value" lead="Figures in" :value="count($plan->columns->values) === 1 ? (string) $plan->columns->values[0] : 'all'" :options="array_map(fn ($h) => Str::limit($h, 30), $headings) + ['all' => 'all other columns']" />
            <x-guess name="status" lead="Status in" :value="(string) $plan->columns->status" :options="$columns" />
        @endif
        @if ($plan->shape === \DuskRail\Reading\TableShape::Events)
            <x-guess name="counted" lead="The rows themselves" :value="$plan->events->counted ? '1' : '0'" :options="['1' => 'are counted', '0' => 'are not']" />
            @foreach ($plan->events->ways as $column => $way)
                <x-guess name="ways[{{ $column }}]" lead="{{ Str::limit($headings[$column] ?? 'column '.($column + 1), 24) }} is" :value="$way->value" :options="collect(\DuskRail\Reading\EventSummary::cases())->mapWithKeys(fn ($w) => [$w->value => $w->label()])->all()" />
            @endforeach
        @endif
        @if ($plan->shape === \DuskRail\Reading\TableShape::Moment)
            <label class="guess"><span>As it was in</span><input class="input is-small" name="moment" value="{{ $plan->stated->moment }}" placeholder="a year or a period, or nothing"></label>
        @endif
        @if ($attributes)
            <x-guess name="group" lead="Group by" :value="(string) $plan->columns->group" :options="$columns" />
        @else
            @if (! in_array($plan->shape->value, ['years-across', 'moment'], true))
                <x-guess name="notation" lead="Periods written like" :value="$plan->periods->notation->value" :options="collect(\DuskRail\Time\PeriodNotation::cases())->mapWithKeys(fn ($n) => [$n->value => $n->example()])->all()" />
                @if ($plan->periods->notation->frequency() === \DuskRail\Time\Frequency::Day)
                    <x-guess name="frequency" lead="and stand for a" :value="$plan->periods->frequency->value" :options="collect(['day', 'week', 'month', 'quarter', 'half-year', 'year'])->mapWithKeys(fn ($f) => [$f => $f])->all()" />
                @endif
            @endif
            <x-guess name="numbers" lead="Numbers written like" :value="$plan->numbers->value" :options="collect(\DuskRail\Reading\NumberNotation::cases())->mapWithKeys(fn ($n) => [$n->value => $n->example()])->all()" />
        @endif
        @if ($observations->duplicateCount > 0)
            <x-guess name="duplicates" lead="The same entity and period again:" :value="$plan->duplicates->value" :options="['ask' => 'choose …', 'first' => 'keep the first', 'last' => 'keep the last', 'sum' => 'add them up', 'mean' => 'take their mean']" />
        @endif
        @if ($plan->columns->measure === null && ! $attributes && ($observations->measures === [] || $observations->measures[0]->name === \DuskRail\Reading\Heading::read($plan->stated->measureName)->name))
            <label class="guess"><span>Measure called</span><input class="input is-small" name="measureName" value="{{ $plan->stated->measureName }}"></label>
        @endif
        @if (($plan->columns->entity === null && $plan->shape === \DuskRail\Reading\TableShape::Long) || $plan->shape === \DuskRail\Reading\TableShape::YearsAcross)
            <label class="guess"><span>Entity called</span><input class="input is-small" name="entityName" value="{{ $plan->stated->entityName }}"></label>
        @endif
        @if ($plan->shape === \DuskRail\Reading\TableShape::PeriodsAcross)<x-guess name="above" lead="More headings in row" :value="(string) ($plan->above ?? '')" :options="['' => 'none'] + collect(range(0, min(29, count($sample->rows) - 1)))->mapWithKeys(fn ($r) => [$r => (string) ($r + 1)])->all()" />@endif
        <x-guess name="row" lead="Headings in row" :value="(string) ($plan->heading ?? -1)" :options="['-1' => 'none'] + collect(range(0, min(29, count($sample->rows) - 1)))->mapWithKeys(fn ($r) => [$r => (string) ($r + 1)])->all()" />
        <x-guess name="delimiter" lead="Cells parted by" :value="\DuskRail\Reading\Dialect::DELIMITERS[$dialect->delimiter]" :options="collect(\DuskRail\Reading\Dialect::DELIMITERS)->mapWithKeys(fn ($d) => [$d => $d])->all()" />
        <x-guess name="encoding" lead="Written in" :value="$dialect->encoding" :options="collect(\DuskRail\Reading\Dialect::ENCODINGS)->mapWithKeys(fn ($e) => [$e => $e])->all()" />
        @foreach ($observations->measures as $measure)
            <fieldset class="about">
                <legend>{{ $measure->name }}</legend>
                <label class="guess"><span>unit</span><input class="input is-small unit" name="measures[{{ $measure->name }}][unit]" value="{{ $measure->unit }}" placeholder="none"></label>
                <x-guess name="measures[{{ $measure->name }}][kind]" lead="a" :value="$measure->kind->value" :options="collect(\DuskRail\Data\MeasureKind::cases())->mapWithKeys(fn ($k) => [$k->value => $k->meaning()])->all()" />
                <x-guess name="measures[{{ $measure->name }}][better]" lead="better" :value="$measure->better->value" :options="['neither' => 'neither way', 'higher' => 'higher', 'lower' => 'lower']" />
            </fieldset>
        @endforeach
    </form>

    <div class="sample" tabindex="0" role="region" aria-label="First rows">
        <table class="table is-narrow">
            <thead>
                <tr><td></td>@foreach ($headings as $column => $heading)<td class="role {{ $screen->role($column) }}">{{ $screen->role($column) === 'figures' ? $plan->shape->across() : $screen->role($column) }}</td>@endforeach</tr>
            </thead>
            <tbody>
                @foreach ($screen->shownRows() as $row)
                    <tr @class(['heading' => $row === $plan->heading])>
                        <th scope="row" class="quiet">{{ $row + 1 }}</th>
                        @foreach ($headings as $column => $heading)<td class="{{ $screen->role($column) }}">{{ Str::limit($sample->cell($row, $column), 40) }}</td>@endforeach
                    </tr>
                @endforeach
            </tbody>
        </table>
    </div>

    @if ($observations->problemCount > 0)
        <section class="problems" aria-label="What cannot be read">
            <h2>{{ number_format($observations->problemCount) }} {{ Str::plural('cell', $observations->problemCount) }} cannot be read</h2>
            @if ($observations->duplicateCount > 0 && $plan->duplicates === \DuskRail\Reading\Duplicates::Ask)
                <p>{{ $observations->duplicateCount === 1 ? 'One figure is' : number_format($observations->duplicateCount).' figures are' }} for an entity and period that already has one. Choose above what to do with {{ $observations->duplicateCount === 1 ? 'it' : 'them' }}.</p>
            @endif
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
            @if ($observations->problemCount > 50)<p class="quiet">The first 50 are shown.</p>@endif
        </section>
    @endif

    @if ($screen->strangers !== [] || ($upload->same ?? []) !== [])
        <form class="plan strangers" hx-patch="{{ route('uploads.update', $upload) }}" hx-trigger="change, submit" hx-target="#understanding" hx-swap="outerMorph">
            <h2>{{ count($screen->strangers) === 0 ? 'All names are known' : count($screen->strangers).' '.Str::plural('name', count($screen->strangers)).' '.(count($screen->strangers) === 1 ? 'is' : 'are').' not in the data set' }}</h2>
            @php($known = $upload->dataset->entities()->orderBy('name')->pluck('name', 'key')->all())
            @foreach ($screen->strangers + array_fill_keys(array_keys($upload->same ?? []), '') as $name => $near)
                <x-guess name="same[{{ $name }}]" lead="“{{ Str::limit($name, 40) }}” is" :value="$upload->same[$name] ?? ''" :options="['' => $near === '' ? 'new' : 'new – or '.$known[$near].'?'] + ($near === '' ? [] : [$near => $known[$near]]) + $known" />
                @if ($near !== '')<button type="button" class="button is-small" hx-patch="{{ route('uploads.update', $upload) }}" hx-vals="{{ json_encode(["same[{$name}]" => $near], JSON_THROW_ON_ERROR) }}" hx-target="#understanding" hx-swap="outerMorph">It is {{ $known[$near] }}</button>@endif
            @endforeach
        </form>
    @endif

    @if ($screen->revision !== null)
        <section class="revision" aria-label="What would change">
            <form class="plan" hx-patch="{{ route('uploads.update', $upload) }}" hx-trigger="change, submit" hx-target="#understanding" hx-swap="outerMorph">
                <x-guess name="way" lead="What the file does not give" :value="$upload->way" :options="['over' => 'stays as it is', 'place' => 'goes, for the measures in it']" />
            </form>
            <h2>{{ $screen->revision->isNone() ? 'Nothing would change' : implode(', ', array_filter([$screen->revision->new > 0 ? number_format($screen->revision->new).' new' : '', $screen->revision->changed > 0 ? number_format($screen->revision->changed).' changed' : '', $screen->revision->gone > 0 ? number_format($screen->revision->gone).' gone' : ''])) }}</h2>
            <p class="quiet">{{ number_format($screen->revision->same) }} {{ Str::plural('figure', $screen->revision->same) }} {{ $screen->revision->same === 1 ? 'is' : 'are' }} as before{{ $screen->whole ? '.' : ', as far as the first rows tell.' }}</p>
            <x-revision :revision="$screen->revision" :frequencies="collect($observations->measures)->mapWithKeys(fn ($m, $i) => [$m->name => $observations->frequencyOf($i)])->all()" />
        </section>
    @endif

    <form class="confirm" method="post" action="{{ route('imports.store', $upload) }}" hx-post="{{ route('imports.store', $upload) }}" hx-target="#understanding" hx-swap="outerMorph" hx-disable="find button">
        @if ($upload->dataset_id === null)
            <label class="guess"><span>Call the data set</span><input class="input is-small" name="name" value="{{ old('name', $sample->title()) }}" required maxlength="120"></label>
            <label class="guess"><span>Source</span><input class="input is-small source" name="source" value="{{ $sample->notes()['source'] ?? '' }}" placeholder="who published it, and when" maxlength="300"></label>
            <x-guess name="home" lead="Home is" value="" :options="collect(array_slice($observations->entities, 0, 500))->mapWithKeys(fn ($e) => [$e => Str::limit($e, 40)])->all()" />
        @endif
        @if ($observations->problemCount > 0)
            <label class="leave"><input type="checkbox" name="leave_out" value="1"> Go on without {{ $observations->problemCount === 1 ? 'this cell' : 'these '.number_format($observations->problemCount).' cells' }}; they stay empty</label>
        @endif
        <div class="acts">
            <button class="button go">{{ $upload->dataset_id === null ? 'Import' : "Add to {$upload->dataset->name}" }}</button>
        </div>
    </form>
    <form method="post" action="{{ route('uploads.destroy', $upload) }}">@csrf @method('delete')<button class="plain small">Put the file away</button></form>
</div>
