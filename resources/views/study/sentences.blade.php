@if ($claims === [])
    <p>{{ __('No headline ideas for these data. Choose a line in the roster.') }}</p>
@else
    <ul class="sentences">
        @foreach ($claims as $claim)
            @php($said = \DuskRail\Words\LiveNumber::filled($claim->sentence, $comparison))
            <li>
                <x-change :study="$study" change="words" :with="['part' => 'headline', 'text' => $claim->sentence]" class="sentence">@foreach (\DuskRail\Words\Wording::coloured($said, $comparison) as $run)<span @class(['in-'.$run['ink'] => $run['ink'] !== '', 'bold' => $run['bold']])>{{ $run['text'] }}</span>@endforeach</x-change>
                <details><summary>{{ __('Why?') }}</summary><p class="quiet">{{ $claim->working }}</p></details>
            </li>
        @endforeach
    </ul>
    <p class="quiet hint">{{ __('Click a sentence to use it as the headline. Numbers in braces, for example {change Veldmere since 2019}, {value Veldmere}, {pace Veldmere}, {since Veldmere}, {leads Veldmere}, {rank Veldmere} or {period}, are updated with the data.') }}</p>
@endif
