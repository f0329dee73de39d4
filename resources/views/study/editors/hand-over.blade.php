{{-- The ways out: a picture, a page, the values, the study. --}}
@php($study = $screen->study)
<form class="hand-over" method="get" action="{{ route('hand-over', [$study, 'png']) }}">
    <input type="hidden" name="ground" value="day">
    <label for="picture-size">{{ __('Image') }}</label>
    <span class="select is-small"><select id="picture-size" name="size">
        @foreach (\App\View\PictureSize::cases() as $size)<option value="{{ $size->value }}">{{ \App\View\Label::of($size->label()) }}</option>@endforeach
    </select></span>
    <span class="select is-small"><select name="times" aria-label="{{ __('PNG resolution') }}">
        @foreach ([1, 2, 3, 4] as $times)<option value="{{ $times }}" @selected($times === 2)>{{ $times }} ×</option>@endforeach
    </select></span>
    <button data-hand-over formaction="{{ route('hand-over', [$study, 'png']) }}">PNG</button>
    <button data-hand-over formaction="{{ route('hand-over', [$study, 'svg']) }}">SVG</button>
    <button data-hand-over formaction="{{ route('hand-over', [$study, 'pdf']) }}">PDF</button>
</form>
<form class="hand-over" method="get" action="{{ route('hand-over', [$study, 'html']) }}">
    <span>{{ __('Interactive page') }}</span>
    <span>{{ __('Reader can change') }}</span>
    @foreach (\DuskRail\Outcome\ReaderChoices::CONTROLS as $control => $label)<label><input type="checkbox" name="{{ $control }}" value="1"> {{ \App\View\Label::of($label) }}</label>@endforeach
    <button title="{{ __('One file with highlighting and readouts; needs no network') }}">HTML</button>
</form>
<a href="{{ route('hand-over', [$study, 'csv']) }}" title="{{ __('The values shown, as comma-separated text') }}">{{ __('Values, CSV') }}</a>
<a href="{{ route('hand-over', [$study, 'xlsx']) }}" title="{{ __('The values shown, as a workbook') }}">{{ __('Values, Excel') }}</a>
<a href="{{ route('hand-over', [$study, 'json']) }}" title="{{ __('To open in a Dusk Rail that has the data set') }}">{{ __('Study file without data') }}</a>
<a href="{{ route('hand-over', [$study, 'data.json']) }}" title="{{ __('To open in any Dusk Rail') }}">{{ __('Study file with data') }}</a>
