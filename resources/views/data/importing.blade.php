<div id="understanding" hx-get="{{ route('imports.show', $upload) }}" hx-trigger="every {{ $upload->state === 'unread' ? '2s' : '600ms' }}" hx-target="this" hx-swap="outerHTML">
    <section class="importing">
        @if ($upload->state === 'unread')
        <h1>{{ $upload->name }} waits for its turn</h1>
        <p role="status">Large files are read one at a time. {{ $upload->isBehind() === 1 ? 'One other is' : $upload->isBehind().' others are' }} before yours.</p>
        <progress aria-label="Waiting"></progress>
        <p class="quiet">Leave this page open; it goes on by itself.</p>
        @else
        <h1>{{ $upload->isCalledOff() ? 'Calling it off …' : ($upload->state === 'waiting' ? 'Waiting for its turn …' : 'Reading '.$upload->name) }}</h1>
        <p role="status">{{ number_format($progress[0]) }} rows read{{ $progress[1] > 0 ? ', '.number_format($progress[1]).' '.Str::plural('cell', $progress[1]).' cannot be read' : '' }}.</p>
        <progress aria-label="Reading"></progress>
        <p class="quiet">You can close this page; it goes on. Nothing is stored before all of it is.</p>
        @endif
        <p><button type="button" class="button is-small" hx-delete="{{ route('imports.destroy', $upload) }}" hx-target="#understanding" hx-swap="outerHTML">Call it off</button> <a href="{{ route('data.index') }}">Data</a></p>
    </section>
</div>
