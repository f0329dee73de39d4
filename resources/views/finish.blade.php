<x-layout title="House style">
    <header class="top"><x-mark /><a class="crumb" href="{{ route('data.index') }}">Studies and data sets</a><span class="right"><button type="button" class="plain ground" data-ground-switch title="Switch theme"><span class="to-night">Dark</span><span class="to-day">Light</span></button></span></header>
    <main class="page finish">
        @if (session('message'))<p class="said" role="status">{{ session('message') }}</p>@endif
        @if ($errors->any())<p class="said wrong" role="alert">{{ $errors->first() }}</p>@endif
        <h1>House style</h1>
        <p class="quiet">Default style and conventions of new studies, and settings for all studies.</p>
        <form method="post" action="{{ route('finish.update') }}">
            @csrf @method('put')
            <p><label for="finish-from">Lines, labels and colours</label>
                <span class="select is-small"><select id="finish-from" name="from">
                    <option value="kept">Current</option>
                    <option value="shipped">Original defaults</option>
                    @foreach ($studies as $id => $name)<option value="{{ $id }}">From “{{ $name }}”</option>@endforeach
                </select></span></p>
            <p><label for="finish-size">Text and line size</label>
                <span class="select is-small"><select id="finish-size" name="size">
                    @foreach (['small' => 'Small', 'usual' => 'Medium', 'large' => 'Large (slides)'] as $value => $label)<option value="{{ $value }}" @selected(old('size', $size) === $value)>{{ $label }}</option>@endforeach
                </select></span></p>
            <p><label for="finish-ground">Theme</label>
                <span class="select is-small"><select id="finish-ground" name="ground">
                    @foreach (['system' => 'System setting', 'day' => 'Light', 'night' => 'Dark'] as $value => $label)<option value="{{ $value }}" @selected(old('ground', $house->ground) === $value)>{{ $label }}</option>@endforeach
                </select></span> <span class="quiet">Readers can switch it.</span></p>
            <p><label for="finish-locale">Numbers and months</label>
                <span class="select is-small"><select id="finish-locale" name="locale">
                    @foreach ($notations as $value => $label)<option value="{{ $value }}" @selected(old('locale', $house->locale) === $value)>{{ $label }}</option>@endforeach
                </select></span> <span class="quiet">In charts, tables and values. Text stays English.</span></p>
            <p><label for="finish-source">Source</label> <input class="input is-small wide" id="finish-source" name="source" value="{{ old('source', $house->source) }}" required maxlength="200" autocomplete="off"></p>
            <h2>Conventions</h2>
            <p class="quiet">Where analysts use different methods.</p>
            @foreach ($conventions as $field)<p><x-field :field="$field" id="conventions-{{ $field->name }}" /></p>@endforeach
            <h2>Colours of entities</h2>
            <ul>
                @foreach ($named as $key => $name)
                    <li><b class="in-focus-{{ $house->hues[$key] }}">{{ $name }}</b> <span class="select is-small"><select name="hues[{{ $key }}]" aria-label="Colour of {{ $name }}">
                        @foreach (range(1, 6) as $hue)<option value="{{ $hue }}" @selected($house->hues[$key] === $hue)>{{ \DuskRail\Chart\Palette::NAMES[$hue] }}</option>@endforeach
                        <option value="0">No fixed colour</option>
                    </select></span></li>
                @endforeach
                <li><input class="input is-small" name="name" list="entity-names" placeholder="Add an entity" aria-label="Add an entity" value="{{ old('name') }}" autocomplete="off"> <span class="select is-small"><select name="hue" aria-label="Its colour">
                    @foreach (range(1, 6) as $hue)<option value="{{ $hue }}">{{ \DuskRail\Chart\Palette::NAMES[$hue] }}</option>@endforeach
                </select></span></li>
            </ul>
            <datalist id="entity-names">@foreach ($names as $name)<option value="{{ $name }}"></option>@endforeach</datalist>
            <p><label><input type="checkbox" name="everywhere" value="1" checked> Also apply colours and conventions to existing studies</label> <span class="quiet">(can be undone in each)</span></p>
            <p><button class="go">Save</button></p>
        </form>
    </main>
</x-layout>
