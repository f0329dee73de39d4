{{-- One thing about a stop that can be changed. --}}
@props(['field', 'id'])
<label class="lead" for="{{ $id }}">{{ $field->lead }}</label>
@if ($field->kind === 'choice')
    <span class="select is-small"><select id="{{ $id }}" name="settings[{{ $field->name }}]">
        @foreach ($field->options as $value => $label)
            <option value="{{ $value }}" @selected((string) $value === $field->value)>{{ $label }}</option>
        @endforeach
    </select></span>
@else
    <input id="{{ $id }}" class="input is-small {{ $field->kind }}{{ $field->long ? ' long' : '' }}" name="settings[{{ $field->name }}]" value="{{ $field->value }}" autocomplete="off" @if($field->kind === 'number') inputmode="numeric" @endif @if($field->hint !== '') title="{{ $field->hint }}" placeholder="{{ $field->hint }}" @endif>
    @if ($field->long)<p class="hint quiet">{{ $field->hint }}</p>@endif
@endif
