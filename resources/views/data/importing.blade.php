<div id="understanding" hx-get="{{ route('imports.show', $upload) }}" hx-trigger="every {{ $upload->state === 'unread' ? '2s' : '600ms' }}" hx-target="this" hx-swap="outerHTML">
    <section class="importing">
        @if ($upload->state === 'unread')
        <h1>{{ __(':name: waiting to start', ['name' => $upload->name]) }}</h1>
        <p role="status">{{ trans_choice('Large files are read one at a time. One file is ahead of yours.|Large files are read one at a time. :count files are ahead of yours.', $upload->isBehind()) }}</p>
        <progress aria-label="{{ __('Waiting') }}"></progress>
        <p class="quiet">{{ __('Leave this page open. It continues by itself.') }}</p>
        @else
        <h1>{{ $upload->progress()->isCancelled() ? __('Cancelling …') : ($upload->state === 'waiting' ? __('Waiting to start …') : __('Importing :file', ['file' => $upload->name])) }}</h1>
        <p role="status">{{ __(':count rows read', ['count' => \DuskRail\Data\Numerals::count($upload->progress()->rows())]) }}{{ $upload->progress()->problems() > 0 ? ', '.trans_choice(':count cell could not be read|:count cells could not be read', $upload->progress()->problems(), ['count' => \DuskRail\Data\Numerals::count($upload->progress()->problems())]) : '' }}.</p>
        <progress aria-label="{{ __('Reading') }}"></progress>
        <p class="quiet">{{ __('You can close this page; the import continues. Data are stored only when all rows have been read.') }}</p>
        @endif
        <p><button type="button" class="button is-small" hx-delete="{{ route('imports.destroy', $upload) }}" hx-target="#understanding" hx-swap="outerHTML">{{ __('Cancel import') }}</button> <a href="{{ route('data.index') }}">{{ __('Studies and data sets') }}</a></p>
    </section>
</div>
