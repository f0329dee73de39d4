@php
    $rules = $screen->rules;
    $kind = old('kind', $screen->kind());
    $hints = $screen->hints();
@endphp
<x-layout :title="$rules->key === '' ? __('New peer set') : $rules->name">
    <header class="top"><x-mark /><a class="crumb" href="{{ route('datasets.show', $screen->dataset) }}" title="{{ __('Open the data set') }}">{{ $screen->dataset->name }}</a>@if ($study !== null)<a class="crumb" href="{{ route('studies.show', $study) }}" title="{{ __('Back to the study') }}">{{ $study->name }}</a>@endif<span class="right"><x-theme-switch /></span></header>
    <main class="page wide peer-set">
        <h1>{{ $rules->key === '' ? __('New peer set') : $rules->name }}</h1>
        @if ($errors->any())<p class="said wrong" role="alert">{{ $errors->first() }}</p>@endif
        <div class="columns">
        <form id="set-form" class="column" method="post" action="{{ route('peer-sets.store', $screen->dataset) }}" hx-get="{{ route('peer-sets.preview', $screen->dataset) }}" hx-trigger="change, input delay:400ms" hx-target="#members" hx-swap="innerHTML">
            @csrf
            <input type="hidden" name="key" value="{{ $rules->key }}">
            <input type="hidden" name="study" value="{{ $study?->id }}">
            <label>{{ __('Name') }} <input class="input is-small" name="name" value="{{ old('name', $rules->name) }}" required maxlength="80"></label>
            <label>{{ __('Measure compared') }} <span class="select is-small"><select name="measure">@foreach ($screen->data->measures() as $key => $measure)<option value="{{ $key }}" @selected((string) $key === old('measure', $screen->measure))>{{ $measure->name }}</option>@endforeach</select></span></label>
            <fieldset class="kinds">
                <legend>{{ __('Members') }}</legend>
                @foreach (['nearest' => __('Nearest to one entity'), 'rules' => __('By conditions'), 'hand' => __('Chosen by hand')] as $value => $label)<label><input type="radio" name="kind" value="{{ $value }}" @checked($kind === $value)> {{ $label }}</label>@endforeach
            </fieldset>
            <fieldset class="of-nearest">
                <legend>{{ __('Nearest') }}</legend>
                <label>{{ __('Nearest to') }} <span class="select is-small"><select name="like">@foreach ($screen->entities() as $key => $entity)<option value="{{ $key }}" @selected((string) $key === old('like', $rules->nearest->to ?? ''))>{{ $entity->name }}</option>@endforeach</select></span></label>
                <label>{{ __('Number of peers') }} <input class="input is-small tiny" name="count" value="{{ old('count', $rules->nearest->count ?? 12) }}" inputmode="numeric"></label>
                <table><thead><tr><th scope="col">{{ __('Alike in') }}</th><th scope="col">{{ __('Weight') }}</th></tr></thead><tbody>
                    @foreach ($screen->weights() as $n => $row)
                        <tr>
                            <td><span class="select is-small"><select name="weights[{{ $n }}][of]" aria-label="{{ __('Characteristic :number', ['number' => $n + 1]) }}"><option value="">–</option>@foreach ($screen->characteristics as $of => $name)<option value="{{ $of }}" @selected($of === old("weights.{$n}.of", $row['of']))>{{ $name }}</option>@endforeach</select></span></td>
                            <td><input class="input is-small tiny" name="weights[{{ $n }}][weight]" value="{{ old("weights.{$n}.weight", $row['weight']) }}" aria-label="{{ __('Weight :number', ['number' => $n + 1]) }}" placeholder="1" inputmode="decimal"></td>
                        </tr>
                    @endforeach
                </tbody></table>
            </fieldset>
            <fieldset class="of-rules">
                <legend>{{ __('Conditions') }}</legend>
                <table><thead><tr><th scope="col">{{ __('Characteristic') }}</th><th scope="col">{{ __('From') }}</th><th scope="col">{{ __('To') }}</th><th scope="col">{{ __('One of') }}</th></tr></thead><tbody>
                    @foreach ($screen->conditions() as $n => $row)
                        <tr>
                            <td><span class="select is-small"><select name="conditions[{{ $n }}][of]" aria-label="{{ __('Condition :number', ['number' => $n + 1]) }}"><option value="">–</option>@foreach ($screen->characteristics as $of => $name)<option value="{{ $of }}" @selected($of === old("conditions.{$n}.of", $row['of']))>{{ $name }}</option>@endforeach</select></span></td>
                            <td><input class="input is-small tiny" name="conditions[{{ $n }}][from]" value="{{ old("conditions.{$n}.from", $row['from']) }}" aria-label="{{ __('Lowest value :number', ['number' => $n + 1]) }}" inputmode="decimal"></td>
                            <td><input class="input is-small tiny" name="conditions[{{ $n }}][to]" value="{{ old("conditions.{$n}.to", $row['to']) }}" aria-label="{{ __('Highest value :number', ['number' => $n + 1]) }}" inputmode="decimal"></td>
                            <td><input class="input is-small short" name="conditions[{{ $n }}][among]" value="{{ old("conditions.{$n}.among", $row['among']) }}" aria-label="{{ __('Values :number', ['number' => $n + 1]) }}" placeholder="{{ $hints[$row['of']] ?? (array_values($hints)[0] ?? '') }}"></td>
                        </tr>
                    @endforeach
                </tbody></table>
                @foreach ($screen->fields() as $field)<x-field :field="$field" id="rule-{{ $field->name }}" />@endforeach
            </fieldset>
            <fieldset class="of-hand">
                <legend>{{ __('Entities') }}</legend>
                <div class="checks">@foreach ($screen->entities() as $key => $entity)<label><input type="checkbox" name="hand[]" value="{{ $key }}" @checked(in_array((string) $key, old('hand', $rules->hand ?? []), true))> {{ $entity->name }}</label>@endforeach</div>
            </fieldset>
            <label class="check"><input type="checkbox" name="keep" value="1" @checked($rules->frozen !== null)> {{ __('Keep these members when new data arrive') }}</label>
            <p><button class="button">{{ $study === null ? __('Save peer set') : __('Save and compare') }}</button></p>
        </form>
        <section class="column"><div id="members" aria-live="polite">@include('data.peer-set-members')</div></section>
        </div>
        @if ($rules->key !== '')<form method="post" action="{{ route('peer-sets.destroy', [$screen->dataset, $rules->key]) }}" data-confirm="{{ __('Delete the peer set “:name”?', ['name' => $rules->name]) }}">@csrf @method('delete')<button class="plain small">{{ __('Delete this peer set') }}</button></form>@endif
    </main>
</x-layout>
