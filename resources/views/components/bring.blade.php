{{-- A place to drop or choose a file. --}}
@props(['text', 'dataset' => null])
<form class="drop" method="post" action="{{ route('uploads.store') }}" enctype="multipart/form-data">
    @csrf
    @if ($dataset !== null)<input type="hidden" name="dataset" value="{{ $dataset->id }}">@endif
    <label>
        <span>{{ $text }}</span>
        <input type="file" name="files[]" multiple accept="{{ \App\Formats\TableSources::accepted() }},text/csv,text/tab-separated-values">
    </label>
    <x-paste />
    <noscript><button class="button is-small">{{ __('Upload') }}</button></noscript>
</form>
