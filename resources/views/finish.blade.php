<x-layout title="House finish">
    <header class="top"><x-mark /><a class="crumb" href="{{ route('data.index') }}">Data</a><span class="right"><button type="button" class="plain ground" data-ground-switch><span class="to-night">Night</span><span class="to-day">Day</span></button></span></header>
    <main class="page finish">
        @if (session('message'))<p class="said" role="status">{{ session('message') }}</p>@endif
        @if ($errors->any())<p class="said wrong" role="alert">{{ $errors->first() }}</p>@endif
        <h1>House finish</h1>
        <p class="quiet">What new studies look like, how they work things out, and what all of them have in common.</p>
        <form method="post" action="{{ route('finish.update') }}">
            @csrf @method('put')
            <p><label for="finish-from">Lines, labels and colours</label>
                <span class="select is-small"><select id="finish-from" name="from">
                    <option value="kept">as they are now</option>
                    <option value="shipped">as the program came</option>
                    @foreach ($studies as $id => $name)<option value="{{ $id }}">as in “{{ $name }}”</option>@endforeach
                </select></span></p>
            <p><label for="finish-size">Words and lines</label>
                <span class="select is-small"><select id="finish-size" name="size">
                    @foreach (['small' => 'small', 'usual' => 'as usual', 'large' => 'large, for slides'] as $value => $label)<option value="{{ $value }}" @selected(old('size', $size) === $value)>{{ $label }}</option>@endforeach
                </select></span></p>
            <p><label for="finish-ground">Ground</label>
                <span class="select is-small"><select id="finish-ground" name="ground">
                    @foreach (['system' => 'as each reader’s system has it', 'day' => 'day', 'night' => 'night'] as $value => $label)<option value="{{ $value }}" @selected(old('ground', $house->ground) === $value)>{{ $label }}</option>@endforeach
                </select></span> <span class="quiet">until the reader chooses another</span></p>
            <p><label for="finish-source">Source</label> <input class="input is-small wide" id="finish-source" name="source" value="{{ old('source', $house->source) }}" required maxlength="200" autocomplete="off"></p>
            <h2>Conventions</h2>
            <p class="quiet">Where practitioners work things out in different ways.</p>
            @foreach ($conventions as $field)<p><x-field :field="$field" id="conventions-{{ $field->name }}" /></p>@endforeach
            <h2>Colours of single entities</h2>
            <ul>
                @foreach ($named as $key => $name)
                    <li><b class="in-focus-{{ $house->hues[$key] }}">{{ $name }}</b> <span class="select is-small"><select name="hues[{{ $key }}]" aria-label="Colour of {{ $name }}">
                        @foreach (range(1, 6) as $hue)<option value="{{ $hue }}" @selected($house->hues[$key] === $hue)>{{ \DuskRail\Chart\Palette::NAMES[$hue] }}</option>@endforeach
                        <option value="0">no colour of its own</option>
                    </select></span></li>
                @endforeach
                <li><input class="input is-small" name="name" list="entity-names" placeholder="another name" aria-label="Another name" value="{{ old('name') }}" autocomplete="off"> <span class="select is-small"><select name="hue" aria-label="Its colour">
                    @foreach (range(1, 6) as $hue)<option value="{{ $hue }}">{{ \DuskRail\Chart\Palette::NAMES[$hue] }}</option>@endforeach
                </select></span></li>
            </ul>
            <datalist id="entity-names">@foreach ($names as $name)<option value="{{ $name }}"></option>@endforeach</datalist>
            <p><label><input type="checkbox" name="everywhere" value="1" checked> colours and conventions in the studies there are, too</label> <span class="quiet">(undo in each takes it back)</span></p>
            <p><button class="go">Keep</button></p>
        </form>
    </main>
</x-layout>
