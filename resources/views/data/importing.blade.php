<div id="understanding" hx-get="{{ route('imports.show', $upload) }}" hx-trigger="every {{ $upload->state === 'unread' ? '2s' : '600ms' }}" hx-target="this" hx-swap="outerHTML">
    <section class="importing">
        @if ($upload->state === 'unread')
        <h1>{{ $upload->name }}: waiting to start</h1>
        <p role="status">Large files are read one at a time. {{ $upload->isBehind() === 1 ? 'One file is' : $upload->isBehind().' files are' }} ahead of yours.</p>
        <progress aria-label="Waiting"></progress>
        <p class="quiet">Leave this page open. It continues by itself.</p>
        @else
        <h1>{{ $upload->isCalledOff() ? 'Cancelling …' : ($upload->state === 'waiting' ? 'Waiting to start …' : 'Importing '.$upload->name) }}</h1>
        <p role="status">{{ number_format($progress[0]) }} rows read{{ $progress[1] > 0 ? ', '.number_format($progress[1]).' '.Str::plural('cell', $progress[1]).' could not be read' : '' }}.</p>
        <progress aria-label="Reading"></progress>
        <p class="quiet">You can close this page; the import continues. Data are stored only when all rows have been read.</p>
        @endif
        <p><button type="button" class="button is-small" hx-delete="{{ route('imports.destroy', $upload) }}" hx-target="#understanding" hx-swap="outerHTML">Cancel import</button> <a href="{{ route('data.index') }}">Studies and data sets</a></p>
    </section>
</div>
