{{-- Between light and dark; kept in a cookie by the script. --}}
<button type="button" class="plain ground" data-ground-switch title="{{ __('Switch theme') }}"><span class="to-night">{{ __('Dark') }}</span><span class="to-day">{{ __('Light') }}</span></button>
