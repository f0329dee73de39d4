<x-layout :title="$screen->study->name" :study="true">
    @include('study.workspace')
    <aside class="editor dock working" popover id="working" aria-label="Working"></aside>
    <dialog id="keys" aria-label="Keyboard shortcuts">
        <h2>Keyboard shortcuts</h2>
        <dl>
            <dt>/</dt><dd>search the roster</dd>
            <dt>↑ ↓</dt><dd>roster: previous or next line; chart: line above or below</dd>
            <dt>Enter or Space</dt><dd>roster: add to or remove from focus</dd>
            <dt>o</dt><dd>roster: hide or show the line</dd>
            <dt>Enter, Space</dt><dd>point in the chart: Enter opens the working; Space adds to or removes from focus</dd>
            <dt>← →</dt><dd>chart: previous or next point; track: move the handle or the base</dd>
            <dt>f, b</dt><dd>point in the chart: f focus on or off; b set the base here</dd>
            <dt>Shift arrows, Backspace</dt><dd>point in the chart: move its label; reset its label</dd>
            <dt>v, Shift V</dt><dd>next or previous view</dd>
            <dt>arrows; Alt ← →</dt><dd>panels: previous or next period or panel; move the panel</dd>
            <dt>Alt ↑ ↓</dt><dd>stack: move a layer</dd>
            <dt>Ctrl Z, Ctrl Shift Z</dt><dd>undo, redo</dd>
            <dt>Escape</dt><dd>close, or cancel text editing</dd>
        </dl>
        <p><a href="{{ route('help') }}" target="_blank">Help: rail, units, views and signals</a></p>
        <form method="dialog"><button class="button is-small">Close</button></form>
    </dialog>
</x-layout>
