@php
    $table = $screen->outcome;
    $comparison = $table->comparison;
    $part = $comparison->study->part(\DuskRail\Document\Parts\SparksPart::class);
    $cell = \DuskRail\Chart\SparksComposer::cell($table);
    $in = $comparison->precision->power > 0 ? ', '.$comparison->precision->unit() : '';
    $heads = ['name' => __('Name'), 'latest' => __('Latest').$in, 'change' => __('Change').$in, 'growth' => __('Growth per year'), 'rank' => __('Rank'), 'trend' => __('Trend')];
    $attributes = $table->facts();
@endphp
<div class="figures sparks" id="figures" tabindex="0" role="region" aria-label="{{ __('Sparks, :subtitle', ['subtitle' => $screen->wording->subtitle]) }}">
    <table class="table is-narrow">
        <thead>
            <tr>
                @foreach ($heads as $key => $label)
                    <th scope="col" aria-sort="{{ $part->sort === $key ? ($part->downward ? 'descending' : 'ascending') : 'none' }}"><x-change :study="$screen->study" change="set" :with="['part' => 'sparks', 'settings' => ['sort' => $key, 'downward' => $part->sort === $key && ! $part->downward ? '1' : '0']]" class="sorter">{{ $label }}{{ $part->sort === $key ? ($part->downward ? ' ↓' : ' ↑') : '' }}</x-change></th>
                    @if ($key === 'name')
                        @foreach ($attributes as $attribute)<th scope="col" class="quiet">{{ $attribute }}</th>@endforeach
                        <th scope="col" class="quiet">{{ $comparison->axis->period($comparison->from)->short() }} – {{ $comparison->axis->period(max($comparison->from, $comparison->finished()))->short() }}</th>
                    @endif
                @endforeach
                @foreach (\DuskRail\Words\SparkColumns::heads($table) as $head)<th scope="col">{{ \App\View\Label::of($head) }}</th>@endforeach
            </tr>
        </thead>
        @foreach ($table->groups as $group => $rows)
            <tbody>
                @if ($group !== '')
                    <x-spark-row :screen="$screen" :table="$table" :row="$table->totals[$group] ?? null" :cell="$cell" :facts="$attributes" :total="$group" />
                @endif
                @foreach ($rows as $row)
                    <x-spark-row :screen="$screen" :table="$table" :row="$row" :cell="$cell" :facts="$attributes" total="" />
                @endforeach
            </tbody>
        @endforeach
        @if (($together = \DuskRail\Words\SparkColumns::together($table)) !== null)
            <tbody><tr class="total"><th scope="row">{{ $together[0] }}</th><td colspan="{{ count($attributes) + 6 }}"></td>@foreach ($together[1] as $told)<td>{{ $told }}</td>@endforeach</tr></tbody>
        @endif
    </table>
    <p class="quiet">{{ implode(' ', [\DuskRail\Words\TrendWords::underTable($comparison), ...\DuskRail\Words\SparkColumns::notes($table)]) }}</p>
</div>
