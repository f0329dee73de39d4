@if ($claims === [])
    <p>There is nothing to say that the figures carry. Put a line in focus.</p>
@else
    <ul class="sentences">
        @foreach ($claims as $claim)
            @php($said = \DuskRail\Words\LiveNumber::filled($claim->sentence, $comparison))
            <li>
                <x-change :study="$study" change="words" :with="['part' => 'headline', 'text' => $claim->sentence]" class="sentence">@foreach (\DuskRail\Words\Wording::coloured($said, $comparison) as $run)<span @class(['in-'.$run['ink'] => $run['ink'] !== '', 'bold' => $run['bold']])>{{ $run['text'] }}</span>@endforeach</x-change>
                <details><summary>why</summary><p class="quiet">{{ $claim->working }}</p></details>
            </li>
        @endforeach
    </ul>
    <p class="quiet hint">A click makes it the headline. Numbers in braces, as in {change Veldmere since 2019}, {value Veldmere}, {place Veldmere} or {period}, follow new figures.</p>
@endif
