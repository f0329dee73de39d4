<x-layout title="{{ $measure->name }}">
    <header class="top"><x-mark /><a class="crumb" href="{{ route('datasets.show', $dataset) }}">{{ $dataset->name }}</a></header>
    <main class="page wide">
        @if ($errors->any())<p class="said wrong" role="alert">{{ $errors->first() }}</p>@endif
        <h1>{{ $measure->name }}</h1>
        <p class="quiet">{{ $measure->unitEach()->text() }}{{ $version < $dataset->version ? ', '.__('version :version', ['version' => $version]) : '. '.__('Choose a value to correct it.') }}</p>
        @if ($breakdowns !== [])
            <nav class="others" aria-label="{{ __('Categories') }}">
                @foreach ($breakdowns as $key => $breakdown)
                    <p>{{ $breakdown->name }}:
                        @foreach ($breakdown->categories as $category => $name)
                            @php($other = \DuskRail\Data\Cell::parse($cell)->with($key, (string) $category)->text())
                            @if ($other === $cell)<b>{{ $name }}</b>@else<a href="{{ route('datasets.figures', [$dataset, $measure->key, 'version' => $version, 'cell' => $other]) }}">{{ $name }}</a>@endif{{ $loop->last ? '' : ', ' }}
                        @endforeach
                    </p>
                @endforeach
            </nav>
        @endif
        @if ($chosen !== null && $version === $dataset->version)
            <form method="post" action="{{ route('corrections.store', $dataset) }}" class="correction">@csrf
                <input type="hidden" name="measure" value="{{ $measure->key }}"><input type="hidden" name="cell" value="{{ $cell }}"><input type="hidden" name="entity" value="{{ $chosen->entity->key }}"><input type="hidden" name="period" value="{{ $table->axis->period($chosen->at)->code() }}">
                <b>{{ $chosen->entity->name }}, {{ $table->axis->period($chosen->at)->label() }}</b>
                <span class="quiet">{{ $chosen->origin === null ? __('not from a file') : __(':file, row :row', ['file' => $chosen->origin->file, 'row' => $chosen->origin->row]) }}</span>
                <label>{{ __('New value') }} <input class="input is-small" name="value" value="{{ is_nan($chosen->value) ? '' : json_encode($chosen->value) }}" autofocus autocomplete="off" placeholder="{{ __('empty: missing') }}"></label>
                <span class="select is-small"><select name="status" aria-label="{{ __('Status') }}">@foreach (\DuskRail\Data\Status::cases() as $status)<option value="{{ $status->value }}">{{ \App\View\Label::of(\DuskRail\Settings\Setting::capital($status->inWords())) }}</option>@endforeach</select></span>
                <label>{{ __('Reason (required)') }} <input class="input is-small" name="why" required maxlength="200" autocomplete="off" placeholder="{{ __('for example: meter read twice') }}"></label>
                <button class="button is-small">{{ __('Save correction') }}</button>
            </form>
        @endif
        <p class="pages">
            @if ($from > 0)<a href="{{ route('datasets.figures', [$dataset, $measure->key, 'version' => $version, 'cell' => $cell, 'to' => max($across - 1, $from - 1)]) }}">{{ __('← Earlier') }}</a>@endif
            @if ($to < $table->axis->count - 1)<a href="{{ route('datasets.figures', [$dataset, $measure->key, 'version' => $version, 'cell' => $cell, 'to' => min($table->axis->count - 1, $to + $across)]) }}">{{ __('Later →') }}</a>@endif
        </p>
        <div class="sample" tabindex="0" role="region" aria-label="{{ __('Values') }}">
            <table class="table is-narrow correctable">
                <thead><tr><td></td>@for ($i = $from; $i <= $to && $i < $table->axis->count; $i++)<th scope="col">{{ $table->axis->period($i)->short() }}</th>@endfor</tr></thead>
                <tbody>
                    @foreach ($table->series as $key => $series)
                        <tr><th scope="row">{{ $entities[$key]->name ?? $key }}</th>
                            @for ($i = $from; $i <= $to && $i < $table->axis->count; $i++)
                                <td>@if ($version === $dataset->version)<a href="{{ route('datasets.figures', [$dataset, $measure->key, 'cell' => $cell, 'to' => $to, 'entity' => $key, 'at' => $i]) }}" @class(['chosen' => $chosen !== null && $chosen->entity->key === (string) $key && $chosen->at === $i])>{{ is_nan($series->values[$i]) ? '–' : \DuskRail\Rail\Explanation::number($series->values[$i]) }}</a>@else{{ is_nan($series->values[$i]) ? '–' : \DuskRail\Rail\Explanation::number($series->values[$i]) }}@endif</td>
                            @endfor
                        </tr>
                    @endforeach
                </tbody>
            </table>
        </div>
    </main>
</x-layout>
