{{-- What is marked on the picture, and the form that marks more. --}}
@php($marks = $screen->comparison->study->part($part)->marks)
@if ($marks !== [])
    <ul class="marks">
        @foreach ($marks as $number => $mark)
            <li><span>{{ \DuskRail\Settings\Setting::capital($mark->label()) }}{{ $mark->text === '' ? '' : " “{$mark->text}”" }}</span> <button type="button" class="act" data-edit-mark="{{ $number }}" data-mark="{{ json_encode($mark->settings(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE) }}" aria-label="{{ __('Edit annotation :number', ['number' => $number + 1]) }}">{{ __('Edit') }}</button>@if ($mark->kind === 'event')<x-change :study="$screen->study" change="before-after" :with="['number' => $number]" class="act" :title="__('What changed after it, beside what changed without it')">{{ __('Before and after') }}</x-change>@endif<x-change :study="$screen->study" change="remove-mark" :with="['number' => $number]" class="act" :aria-label="__('Remove annotation :number', ['number' => $number + 1])">×</x-change></li>
        @endforeach
    </ul>
@endif
<form hx-post="{{ $screen->study->changesAddress() }}" hx-trigger="submit" hx-target="#workspace" hx-swap="outerMorph">
    <input type="hidden" name="change" value="add-mark">
    <input type="hidden" name="number" value="" id="set-marks-number">
    @foreach (\DuskRail\Outcome\ComparisonOffer::fieldsOf($screen->comparison, new \DuskRail\Document\Parts\Mark(line: $screen->comparison->focus()[0]->key ?? '', size: 'usual')) as $field)
        <x-field :field="$field" id="set-marks-{{ $field->name }}" />
    @endforeach
    <div class="acts"><button class="button is-small"><span class="adds">{{ __('Add annotation') }}</span><span class="edits">{{ __('Save annotation') }}</span></button> <button type="reset" class="act edits">{{ __('Cancel') }}</button></div>
</form>
