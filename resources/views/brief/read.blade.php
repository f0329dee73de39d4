<x-layout :title="$page->brief->name">
    <div class="brief">
        <aside class="brief-list" aria-label="{{ __('Highlight in all charts') }}">
            <ul>
                @foreach ($page->entities as $key => $name)
                    <li><button type="button" data-line="{{ $key }}" aria-pressed="false">{{ $name }}</button></li>
                @endforeach
            </ul>
        </aside>
        <main class="brief-page">
            <header>
                <h1>{{ $page->brief->name }}</h1>
                <p class="quiet">{{ now()->isoFormat('D MMMM YYYY') }}{{ $page->cover === '' ? '' : " · {$page->cover}" }}</p>
                <p class="acts no-print"><button type="button" class="plain small" data-present>{{ __('Present') }}</button><a class="plain small" href="{{ route('briefs.pdf', [$page->brief->token, ...array_filter(get_object_vars($page->choices))]) }}">PDF</a><a class="plain small" href="{{ route('briefs.file', [$page->brief->token, ...array_filter(get_object_vars($page->choices))]) }}">HTML</a><button type="button" class="plain small" data-ground-switch title="{{ __('Switch theme') }}"><span class="to-night">{{ __('Dark') }}</span><span class="to-day">{{ __('Light') }}</span></button></p>
                @if ($page->offered !== [])
                    <form method="get" class="controls no-print" data-at-once>
                        @foreach ($page->offered as $control => $labels)
                            <label class="quiet" for="control-{{ $control }}">{{ \App\View\Label::of(\DuskRail\Outcome\ReaderChoices::CONTROLS[$control]) }}</label>
                            <span class="select is-small"><select id="control-{{ $control }}" name="{{ $control }}">@foreach ($labels as $value => $label)<option value="{{ $value }}" @selected((string) $value === $page->choices->{$control})>{{ $label }}</option>@endforeach</select></span>
                        @endforeach
                        <button class="button is-small">{{ __('Show') }}</button>
                    </form>
                @endif
            </header>
            @foreach ($page->parts as $block)
                @if ($block->wording === null)
                    <p class="brief-text"><x-emphasised :text="$block->text()" /></p>
                @else
                    <figure @class(['brief-study', 'wide' => $block->wide]) tabindex="-1">
                        <h2>@foreach (\DuskRail\Words\Wording::coloured($block->wording->marked, $block->comparison) as $run)<span @class(['in-'.$run['ink'] => $run['ink'] !== '', 'bold' => $run['bold']])>{{ $run['text'] }}</span>@endforeach</h2>
                        <p class="quiet">{{ $block->wording->subtitle }}</p>
                        @if ($block->picture === null)
                            <p class="empty">{{ $block->problem }}</p>
                        @else
                            {!! \App\Drawing\Svg::forScreen($block->picture, ['class' => 'chart', 'role' => 'img', 'aria-label' => $block->picture->description], "b{$block->block->id}-") !!}
                        @endif
                        <figcaption class="quiet">{{ $block->wording->source }}</figcaption>
                    </figure>
                @endif
            @endforeach
        </main>
    </div>
</x-layout>
