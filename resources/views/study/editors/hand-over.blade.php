{{-- The ways out: a picture, a page, the values, the study. --}}
@php($study = $screen->study)
@php($in = fn (string $group): array => \App\Drawing\Out\HandOverFormats::in(constant(\App\Drawing\Out\HandOverGroup::class."::{$group}")))
<form class="hand-over" method="get" action="{{ route('hand-over', [$study, 'png']) }}">
    <input type="hidden" name="ground" value="day">
    <label for="picture-size">{{ __('Image') }}</label>
    <span class="select is-small"><select id="picture-size" name="size">
        @foreach (\App\View\PictureSize::cases() as $size)<option value="{{ $size->value }}">{{ \App\View\Label::of($size->label()) }}</option>@endforeach
    </select></span>
    <span class="select is-small"><select name="times" aria-label="{{ __('PNG resolution') }}">
        @foreach ([1, 2, 3, 4] as $times)<option value="{{ $times }}" @selected($times === 2)>{{ $times }} ×</option>@endforeach
    </select></span>
    <button type="button" data-copy-image="{{ route('hand-over', [$study, 'png']) }}" title="{{ __('Copy the image to the clipboard') }}">{{ __('Copy') }}</button>
    @foreach ($in('Image') as $format)<button data-hand-over formaction="{{ route('hand-over', [$study, $format::name()]) }}" title="{{ \App\View\Label::of($format::about()) }}">{{ \App\View\Label::of($format::label()) }}</button>
    @endforeach
</form>
@foreach ($in('Page') as $format)
<form class="hand-over" method="get" action="{{ route('hand-over', [$study, $format::name()]) }}">
    <span>{{ __('Interactive page') }}</span>
    <span>{{ __('Reader can change') }}</span>
    @foreach (\DuskRail\Outcome\ReaderChoices::CONTROLS as $control => $label)<label><input type="checkbox" name="{{ $control }}" value="1"> {{ \App\View\Label::of($label) }}</label>@endforeach
    <button title="{{ \App\View\Label::of($format::about()) }}">{{ \App\View\Label::of($format::label()) }}</button>
</form>
@endforeach
@foreach ($in('File') as $format)<a href="{{ route('hand-over', [$study, $format::name()]) }}" title="{{ \App\View\Label::of($format::about()) }}">{{ \App\View\Label::of($format::label()) }}</a>
@endforeach
@php($others = array_diff_key($screen->comparison->data->measures(), [$screen->comparison->study->measure => true]))
@php($lines = array_filter($screen->comparison->sorted(), fn ($l) => ! $l->isGroup() && ! $l->isBenchmark()))
<details class="give same">
    <summary>{{ __('Same study for other measures or lines') }}</summary>
    <form method="post" action="{{ route('studies.same', $study) }}">
        @csrf
        @if ($others !== [])
        <fieldset class="several"><legend>{{ __('Measures') }}</legend>
            @foreach (array_slice($others, 0, 100) as $key => $measure)<label><input type="checkbox" name="measures[]" value="{{ $key }}"> {{ $measure->name }}</label>@endforeach
        </fieldset>
        @endif
        <fieldset class="several"><legend>{{ __('In focus') }}</legend>
            @foreach (array_slice($lines, 0, 200) as $line)<label><input type="checkbox" name="entities[]" value="{{ $line->key }}"> {{ $line->name }}</label>@endforeach
        </fieldset>
        <p><button class="button is-small">{{ __('Create a study for each') }}</button></p>
    </form>
</details>
