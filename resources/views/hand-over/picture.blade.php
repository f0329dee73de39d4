<{{ $level }}>@foreach ($drawn['runs'] as $run)<span @class(['in-'.$run['ink'] => $run['ink'] !== '', 'bold' => $run['bold']])>{{ $run['text'] }}</span>@endforeach</{{ $level }}>
<p class="subtitle">{{ $drawn['wording']->subtitle }}</p>
<div class="picture" data-from="{{ $drawn['from'] }}" data-points="{{ json_encode((object) $drawn['points'], JSON_THROW_ON_ERROR) }}" data-readouts="{{ json_encode($drawn['readouts'], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE) }}">{!! $drawn['svg'] !!}<p class="readout" hidden></p></div>
<p class="source">{{ $drawn['wording']->source }}</p>
