<{{ $level }}>@foreach ($drawn['runs'] as $run)<span @class(['in-'.$run['ink'] => $run['ink'] !== '', 'bold' => $run['bold']])>{{ $run['text'] }}</span>@endforeach</{{ $level }}>
<p class="subtitle">{{ $drawn['wording']->subtitle }}</p>
<div class="picture" data-from="{{ $drawn['from'] }}" data-points="{{ json_encode((object) $drawn['points'], JSON_THROW_ON_ERROR) }}" data-periods="{{ json_encode((object) $drawn['periods'], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE) }}">{!! $drawn['svg'] !!}<p class="readout" hidden></p>
{{-- A line's words are read when one of its points is: all of them together may be many megabytes. --}}
@foreach ($drawn['readouts'] as $key => $said)
<script type="application/json" data-said="{{ $key }}">{!! json_encode($said, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_HEX_TAG) !!}</script>
@endforeach
</div>
<p class="source">{{ $drawn['wording']->source }}</p>
