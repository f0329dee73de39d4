<input type="search" class="filter" id="filter" placeholder="Filter rows" aria-label="Filter rows" autocomplete="off" spellcheck="false">
@if ($screen->comparison->study->part(\DuskRail\Document\Parts\FiguresPart::class)->sort !== '')<x-change :study="$screen->study" change="set" :with="['part' => 'figures', 'settings' => ['sort' => '']]" class="plain small">Clear sorting</x-change>@endif
<button type="button" class="plain small" data-copy-figures>Copy table</button>
<x-tool :of="$part::name()" :screen="$screen" />
