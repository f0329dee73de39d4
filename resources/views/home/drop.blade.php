{{-- A place for a file of any kind: a table, or a study. --}}
<form class="drop card new" method="post" action="{{ route('uploads.store') }}" enctype="multipart/form-data">
    @csrf
    <label>
        <b>{{ __('Import data') }}</b>
        <span>{{ __('Drop one file here, or several together, or choose: :places. Study files, too.', ['places' => \App\Formats\TableSources::inWords()]) }}</span>
        <span>{{ __('You see a preview first. Nothing is stored until you import.') }}</span>
        <span class="go">{{ __('Choose a file') }}</span>
        <input type="file" name="files[]" multiple id="add-data" accept="{{ \App\Formats\TableSources::accepted() }},text/csv,text/tab-separated-values">
    </label>
    <x-paste />
    <noscript><button class="button is-small">{{ __('Upload') }}</button></noscript>
</form>
