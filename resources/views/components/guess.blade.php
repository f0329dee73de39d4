{{-- A guess that can be changed in place. --}}
@props(['name', 'lead', 'value', 'options'])
<label class="guess"><span>{{ $lead }}</span><span class="select is-small"><select name="{{ $name }}">
    @foreach ($options as $option => $label)
        <option value="{{ $option }}" @selected((string) $option === $value)>{{ \App\View\Label::of($label) }}</option>
    @endforeach
</select></span></label>
