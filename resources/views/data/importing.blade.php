<div id="understanding" hx-get="{{ route('imports.show', $upload) }}" hx-trigger="every 600ms" hx-target="this" hx-swap="outerHTML">
    <section class="importing">
        <h1>{{ $upload->isCalledOff() ? 'Calling it off …' : ($upload->state === 'waiting' ? 'Waiting for its turn …' : 'Reading '.$upload->name) }}</h1>
        <p role="status">{{ number_format($progress[0]) }} rows read{{ $progress[1] > 0 ? ', '.number_format($progress[1]).' '.Str::plural('cell', $progress[1]).' cannot be read' : '' }}.</p>
        <progress aria-label="Reading"></progress>
        <p class="quiet">You can close this page; it goes on. Nothing is stored before all of it is.</p>
        <p><button type="button" class="button is-small" hx-delete="{{ route('imports.destroy', $upload) }}" hx-target="#understanding" hx-swap="outerHTML">Call it off</button> <a href="{{ route('data.index') }}">Data</a></p>
    </section>
</div>
