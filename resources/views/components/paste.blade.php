{{-- A table that is pasted, within a form that also takes a file. --}}
<details class="paste">
    <summary>{{ __('Paste a table') }}</summary>
    <textarea class="textarea" name="pasted" rows="5" spellcheck="false" aria-label="{{ __('Table as text') }}" placeholder="{{ __('from a spreadsheet, a page or a mail') }}"></textarea>
    <button class="button is-small">{{ __('Preview') }}</button>
</details>
