{{-- The largest changes between two states of figures. --}}
@props(['revision', 'frequencies'])
@if ($revision->largest !== [])
    <table class="table is-narrow">
        <caption>{{ __('The largest revisions') }}</caption>
        <thead><tr><th scope="col">{{ __('Entity') }}</th><th scope="col">{{ __('Measure') }}</th><th scope="col">{{ __('Period') }}</th><th scope="col">{{ __('Old value') }}</th><th scope="col">{{ __('New value') }}</th><th scope="col">{{ __('Change') }}</th></tr></thead>
        <tbody>
            @foreach ($revision->largest as $change)
                <tr><td>{{ $change['entity'] }}</td><td>{{ $change['measure'] }}</td><td>{{ isset($frequencies[$change['measure']]) ? \DuskRail\Time\Period::at($frequencies[$change['measure']], $change['ordinal'])->label() : '' }}</td><td class="number">{{ \DuskRail\Rail\Explanation::number($change['old']) }}</td><td class="number">{{ \DuskRail\Rail\Explanation::number($change['new']) }}</td><td class="number">{{ $change['old'] == 0.0 ? '–' : \DuskRail\Data\Numerals::signed(100 * ($change['new'] - $change['old']) / abs($change['old']), 1).' %' }}</td></tr>
            @endforeach
        </tbody>
    </table>
@endif
