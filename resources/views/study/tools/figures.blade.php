<input type="search" class="filter" id="filter" placeholder="{{ __('Filter rows') }}" aria-label="{{ __('Filter rows') }}" autocomplete="off" spellcheck="false">
@if ($screen->comparison->study->part(\DuskRail\Document\Parts\FiguresPart::class)->sort !== '')<x-change :study="$screen->study" change="set" :with="['part' => 'figures', 'settings' => ['sort' => '']]" class="plain small">{{ __('Clear sorting') }}</x-change>@endif
<button type="button" class="plain small" data-copy-figures>{{ __('Copy table') }}</button>
<x-tool :of="$part::name()" :screen="$screen" />
