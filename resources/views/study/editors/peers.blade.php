{{-- What the peer set is, and the ways to another. --}}
@php
    $chosen = $screen->comparison->peers->chosen;
    $subject = $screen->comparison->subject();
    $key = $screen->comparison->study->part(\DuskRail\Document\Parts\PeersPart::class)->set;
@endphp
<p class="set">{{ \DuskRail\Words\PeersInWords::of($screen->comparison) }}.</p>
<div class="acts">
    @if ($subject !== null && ! $subject->isApart() && count($screen->comparison->lines) > 3)<form method="post" action="{{ route('peer-sets.like', $screen->study) }}">@csrf<input type="hidden" name="entity" value="{{ $subject->key }}"><button class="act" title="{{ __('The entities nearest to it in size') }}">{{ __('Like :name', ['name' => $subject->name]) }}</button></form>@endif
    <a class="act" href="{{ route('peer-sets.create', [$screen->study->dataset, 'study' => $screen->study->id]) }}" title="{{ __('Define a peer set by conditions, by nearness or by hand') }}">{{ __('New peer set …') }}</a>
    @if (str_starts_with($key, 'set:') && ! $chosen->isAll())<a class="act" href="{{ route('peer-sets.show', [$screen->study->dataset, substr($key, 4), 'study' => $screen->study->id]) }}" title="{{ __('Who is in the set, who is not, and why') }}">{{ __('Members …') }}</a>@endif
</div>
<x-settings-form :screen="$screen" :part="$part" />
<x-settings-form :screen="$screen" :part="\DuskRail\Document\Parts\ConventionsPart::class" />
