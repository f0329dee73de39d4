<x-layout :title="$screen->study->name" :study="true">
    @include('study.workspace')
    <aside class="editor working" popover id="working" aria-label="Working"></aside>
    <dialog id="keys" aria-label="Keys">
        <h2>Keys</h2>
        <dl>
            <dt>/</dt><dd>find in the roster</dd>
            <dt>↑ ↓</dt><dd>along the roster; on the chart, to the next line</dd>
            <dt>Enter or Space</dt><dd>in the roster: focus, or let go</dd>
            <dt>o</dt><dd>in the roster: take off, or bring back</dd>
            <dt>Enter, Space</dt><dd>on a point of the chart: its working; focus, or let go</dd>
            <dt>← →</dt><dd>on the chart: along the line; on the track: move an end or the base</dd>
            <dt>f, b</dt><dd>on a point of the chart: focus, or let go; base here</dd>
            <dt>Shift arrows, Backspace</dt><dd>on a point of the chart: move its label; put it back</dd>
            <dt>v, Shift V</dt><dd>next view, the one before</dd>
            <dt>arrows; Alt ← →</dt><dd>on panels: through time and panels; move a panel</dd>
            <dt>Alt ↑ ↓</dt><dd>on a stack: move a layer</dd>
            <dt>Ctrl Z, Ctrl Shift Z</dt><dd>undo, redo</dd>
            <dt>Escape</dt><dd>close, or let the text be as it was</dd>
        </dl>
        <form method="dialog"><button class="button is-small">Close</button></form>
    </dialog>
</x-layout>
