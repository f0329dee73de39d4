<x-layout :title="$screen->study->name" :study="true">
    @include('study.workspace')
    <aside class="editor dock working" popover id="working" aria-label="{{ __('Working') }}"></aside>
    <dialog id="keys" aria-label="{{ __('Keyboard shortcuts') }}">
        <h2>{{ __('Keyboard shortcuts') }}</h2>
        <dl>
            <dt>/</dt><dd>{{ __('search the roster') }}</dd>
            <dt>↑ ↓</dt><dd>{{ __('roster: previous or next line; chart: line above or below') }}</dd>
            <dt>{{ __('Enter or Space') }}</dt><dd>{{ __('roster: add to or remove from focus') }}</dd>
            <dt>o</dt><dd>{{ __('roster: hide or show the line') }}</dd>
            <dt>{{ __('Enter, Space') }}</dt><dd>{{ __('point in the chart: Enter opens the working; Space adds to or removes from focus') }}</dd>
            <dt>← →</dt><dd>{{ __('chart: previous or next point; track: move the handle or the base') }}</dd>
            <dt>{{ __('f, b') }}</dt><dd>{{ __('point in the chart: f focus on or off; b set the base here') }}</dd>
            <dt>{{ __('Shift arrows, Backspace') }}</dt><dd>{{ __('point in the chart: move its label; reset its label') }}</dd>
            <dt>{{ __('v, Shift V') }}</dt><dd>{{ __('next or previous view') }}</dd>
            <dt>{{ __('arrows; Alt ← →') }}</dt><dd>{{ __('panels: previous or next period or panel; move the panel') }}</dd>
            <dt>{{ __('Alt ↑ ↓') }}</dt><dd>{{ __('stack: move a layer') }}</dd>
            <dt>{{ __('Ctrl Z, Ctrl Shift Z') }}</dt><dd>{{ __('undo, redo') }}</dd>
            <dt>{{ __('Escape') }}</dt><dd>{{ __('close, or cancel text editing') }}</dd>
        </dl>
        <p><a href="{{ route('help') }}" target="_blank">{{ __('Help: rail, units, views and signals') }}</a></p>
        <form method="dialog"><button class="button is-small">{{ __('Close') }}</button></form>
    </dialog>
</x-layout>
