{{-- The fields of one part of a study, read as a sentence; each change is made at once. --}}
@props(['screen', 'part'])
<form hx-post="{{ $screen->study->changesAddress() }}" hx-trigger="change, submit" hx-target="#workspace" hx-swap="outerMorph">
    <input type="hidden" name="change" value="set">
    <input type="hidden" name="part" value="{{ $part::name() }}">
    @if ($part === \DuskRail\Document\Parts\AxisPart::class)<input type="hidden" name="settings[view]" value="{{ $screen->view->name() }}">@endif
    @foreach (\DuskRail\Outcome\ComparisonOffer::fields($screen->comparison, $part) as $field)
        <x-field :field="$field" id="set-{{ $part::name() }}-{{ $field->name }}" />
    @endforeach
</form>
