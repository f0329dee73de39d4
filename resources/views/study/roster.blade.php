@php
    $comparison = $screen->comparison;
    $sort = $comparison->study->sort;
    $years = $screen->lineup->axis instanceof \DuskRail\Time\CycleAxis && $comparison->study->part(\DuskRail\Document\Parts\PanelsPart::class)->by === 'none';
    $groups = [];
    foreach ($years ? $screen->lineup->lines : $comparison->sorted() as $line) {
        $groups[$line->group][] = $line;
    }
    ksort($groups);
    $set = $comparison->study->part(\DuskRail\Document\Parts\PeersPart::class)->set;
    $isCompared = $screen->view->hasPeers() && $screen->view->dimension($comparison->study) === 'e' && $comparison->study->part(\DuskRail\Document\Parts\LinesPart::class)->across === 'entities';
    if ($comparison->study->part(\DuskRail\Document\Parts\LinesPart::class)->groups !== [] && isset($groups['Groups'])) {
        // Whole groups stand after what they are made of.
        $groups += ['Whole groups' => $groups['Groups']];
        unset($groups['Groups']);
    }
    if ($years || $comparison->study->part(\DuskRail\Document\Parts\LinesPart::class)->across === 'measures') {
        $groups = [$comparison->subject()->name ?? '' => array_merge(...array_values($groups ?: [[]]))];
    }
@endphp
<aside class="roster" id="roster" aria-label="{{ __('Roster') }}">
    <div class="find">
        <input type="search" id="find" placeholder="{{ __('Search') }}" aria-label="{{ __('Search the roster') }}" autocomplete="off" spellcheck="false">
        <form hx-post="{{ $screen->study->changesAddress() }}" hx-trigger="change" hx-target="#workspace" hx-swap="outerMorph">
            <input type="hidden" name="change" value="sort">
            <select name="sort" aria-label="{{ __('Sort the roster') }}">
                @foreach (\DuskRail\Document\RosterSort::cases() as $case)
                    <option value="{{ $case->value }}" @selected($case === $sort)>{{ \App\View\Label::of($case->label()) }}</option>
                @endforeach
            </select>
        </form>
    </div>
    @if ($screen->view->dimension($screen->comparison->study) === 'e')
        <div class="rule">
            <x-tool of="rule" :screen="$screen" :label="$screen->comparison->study->part(\DuskRail\Document\Parts\RulePart::class)->by === 'hand' ? __('Focus rule') : __('Focus rule: on')" />
        </div>
    @endif
    @if ($isCompared)<button type="button" class="plain small compared" popovertarget="set-peers" title="{{ __('Choose the peer set') }}">{{ __('Compared with :peers', ['peers' => \DuskRail\Words\PeersInWords::of($comparison)]) }}</button>@endif
    @if ($comparison->precision->power > 0)<p class="quiet scale">{{ __('in :words', ['words' => $comparison->precision->unit().'s']) }}</p>@endif
    @php($drawn = \App\View\RosterRow::drawn(array_merge(...array_values($groups ?: [[]]))))
    <div class="rows" id="rows" @if ($drawn !== null) data-rows="{{ route('roster.show', $screen->study) }}?at={{ $screen->study->revision_id }}" @endif>
        @foreach ($groups as $group => $lines)
            @if ($group !== '' && $isCompared && count($groups) > 1 && ! in_array($group, ['Groups', 'Whole groups'], true))
                @php($isSet = $set === "group:{$group}")
                <h2><x-change :study="$screen->study" change="set" :with="['part' => 'peers', 'settings' => ['set' => $isSet ? '' : 'group:'.$group]]" class="plain group" :title="$isSet ? __('Compare with all again') : __('Compare with this group')" :aria-pressed="$isSet ? 'true' : 'false'">{{ $group }}{{ $isSet ? ' ×' : '' }}</x-change></h2>
            @elseif ($group !== '')<h2>{{ \App\View\Label::of($group) }}</h2>@endif
            <x-roster-rows :group="$group" :drawn="$drawn" :at="$screen->study->revision_id" :lineup="$years ? $screen->lineup : \DuskRail\Outcome\Lineup::of($comparison)" :lines="$lines" />
        @endforeach
        <p class="nothing" hidden>{{ __('No name matches.') }}</p>
    </div>
</aside>
