<x-layout :title="__('House style')">
    <header class="top"><x-mark /><a class="crumb" href="{{ route('data.index') }}">{{ __('Studies and data sets') }}</a><span class="right"><x-theme-switch /></span></header>
    <main class="page house-style">
        @if (session('message'))<p class="said" role="status">{{ session('message') }}</p>@endif
        @if ($errors->any())<p class="said wrong" role="alert">{{ $errors->first() }}</p>@endif
        <h1>{{ __('House style') }}</h1>
        <p class="quiet">{{ __('Default style and conventions of new studies, and settings for all studies.') }}</p>
        <form method="post" action="{{ route('style.update') }}">
            @csrf @method('put')
            <p><label for="style-from">{{ __('Lines, labels and colours') }}</label>
                <span class="select is-small"><select id="style-from" name="from">
                    <option value="kept">{{ __('Current') }}</option>
                    <option value="shipped">{{ __('Original defaults') }}</option>
                    @foreach ($studies as $id => $name)<option value="{{ $id }}">{{ __('From “:name”', ['name' => $name]) }}</option>@endforeach
                </select></span></p>
            <p><label for="style-size">{{ __('Text and line size') }}</label>
                <span class="select is-small"><select id="style-size" name="size">
                    @foreach (['small' => __('Small'), 'usual' => __('Medium'), 'large' => __('Large (slides)')] as $value => $label)<option value="{{ $value }}" @selected(old('size', $size) === $value)>{{ $label }}</option>@endforeach
                </select></span></p>
            <h2>{{ __('Settings and conventions') }}</h2>
            <p class="quiet">{{ __('Source lines and theme hold everywhere; conventions are where analysts use different methods.') }}</p>
            @foreach ($fields as $field)<p><x-field :field="$field" id="house-{{ $field->name }}" /></p>@endforeach
            <h2>{{ __('Colours of entities') }}</h2>
            <ul>
                @foreach ($named as $key => $name)
                    <li><b class="in-focus-{{ $house->hues[$key] }}">{{ $name }}</b> <span class="select is-small"><select name="hues[{{ $key }}]" aria-label="{{ __('Colour of :name', ['name' => $name]) }}">
                        @foreach (range(1, 6) as $hue)<option value="{{ $hue }}" @selected($house->hues[$key] === $hue)>{{ \App\View\Label::of(\DuskRail\Chart\Palette::NAMES[$hue]) }}</option>@endforeach
                        <option value="0">{{ __('No fixed colour') }}</option>
                    </select></span></li>
                @endforeach
                <li><input class="input is-small" name="name" list="entity-names" placeholder="{{ __('Add an entity') }}" aria-label="{{ __('Add an entity') }}" value="{{ old('name') }}" autocomplete="off"> <span class="select is-small"><select name="hue" aria-label="{{ __('Its colour') }}">
                    @foreach (range(1, 6) as $hue)<option value="{{ $hue }}">{{ \App\View\Label::of(\DuskRail\Chart\Palette::NAMES[$hue]) }}</option>@endforeach
                </select></span></li>
            </ul>
            <datalist id="entity-names">@foreach ($names as $name)<option value="{{ $name }}"></option>@endforeach</datalist>
            <p><label><input type="checkbox" name="everywhere" value="1" checked> {{ __('Also apply colours and conventions to existing studies') }}</label> <span class="quiet">{{ __('(can be undone in each)') }}</span></p>
            <p><button class="go">{{ __('Save') }}</button></p>
        </form>
    </main>
</x-layout>
