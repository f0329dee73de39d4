{{-- A study: what it says, a small picture of it, and what can be done with it. --}}
<article class="card" id="card-{{ $study->id }}">
    <a class="whole" href="{{ route('studies.show', $study) }}">
        <span @class(['say', 'long' => array_sum(array_map(static fn (array $run): int => mb_strlen($run['text']), $card->headline)) > 60])>@foreach ($card->headline as $run)<span @class(['in-'.$run['ink'] => $run['ink'] !== '', 'bold' => $run['bold']])>{{ $run['text'] }}</span>@endforeach</span>
        {!! $card->picture !!}
    </a>
    <p class="foot">
        <b title="{{ $study->name }}">{{ $study->name }}</b>
        <span>{{ $card->latest }}@if ($card->signals > 0){{ $card->latest === '' ? '' : ' · ' }}<span class="badge">{{ trans_choice(':count signal|:count signals', $card->signals) }}</span>@endif</span>
        <button type="button" class="plain small dots" popovertarget="do-{{ $study->id }}" aria-label="{{ __('What to do with :name', ['name' => $study->name]) }}">⋯</button>
    </p>
    <div class="editor menu" id="do-{{ $study->id }}" popover>
        <form method="post" action="{{ route('studies.update', $study) }}" class="inline">@csrf @method('patch')<input class="input is-small" name="name" value="{{ $study->name }}" maxlength="120" required aria-label="{{ __('Name of the study') }}"> <button>{{ __('Rename') }}</button></form>
        <form method="post" action="{{ route('studies.copy', $study) }}">@csrf<x-once /><button>{{ __('Copy') }}</button></form>
        <form method="post" action="{{ route('studies.destroy', $study) }}" data-confirm="{{ __('Delete the study “:name”? It stays in the bin for :days days.', ['name' => $study->name, 'days' => \App\Maintenance\Bin::DAYS]) }}">@csrf @method('delete')<button>{{ __('Delete') }}</button></form>
    </div>
</article>
