{{-- What is marked on the picture, and the form that marks more. --}}
@props(['screen'])
@php($part = $screen->comparison->study->part(\DuskRail\Document\Parts\MarksPart::class))
<button type="button" class="plain small" popovertarget="set-marks">Annotations</button>
<div class="editor" popover id="set-marks" role="group" aria-label="Annotations">
    @if ($part->marks !== [])
        <ul class="marks">
            @foreach ($part->marks as $number => $mark)
                <li>{{ $mark->kind }} {{ $mark->kind === 'value' ? $mark->value : trim("{$mark->at} – {$mark->to}", ' –') }} {{ $mark->text === '' ? '' : "“{$mark->text}”" }} <x-change :study="$screen->study" change="remove-mark" :with="['number' => $number]" class="act" aria-label="Remove annotation {{ $number + 1 }}">×</x-change></li>
            @endforeach
        </ul>
    @endif
    <form hx-post="{{ route('changes.store', $screen->study) }}" hx-trigger="submit" hx-target="#workspace" hx-swap="outerMorph">
        <input type="hidden" name="change" value="add-mark">
        @foreach (\DuskRail\Outcome\ComparisonOffer::fieldsOf($screen->comparison, new \DuskRail\Document\Parts\Mark(line: $screen->comparison->focus()[0]->key ?? '', size: 'usual')) as $field)
            <x-field :field="$field" id="set-marks-{{ $field->name }}" />
        @endforeach
        <button class="button is-small">Add annotation</button>
    </form>
</div>
