@include('hand-over.head')
<main>
@if ($choices !== [])
<p class="choices">
@foreach ($choices as $stop => $labels)
<select aria-label="{{ __('Choose: :first', ['first' => $labels[0]]) }}">@foreach ($labels as $label)<option>{{ $label }}</option>@endforeach</select>
@endforeach
</p>
@endif
@if ($marks !== [])
<p class="choices">@foreach ($marks as $kinds => $label)<label><input type="checkbox" checked data-marks="{{ $kinds }}"> {{ $label }}</label> @endforeach</p>
@endif
@foreach ($variants as $choice => $variant)
<article data-variant="{{ $choice }}" @if($choice !== $now) hidden @endif>
@include('hand-over.picture', ['drawn' => $variant, 'level' => 'h1'])
</article>
@endforeach
</main>
<script>{!! $script !!}</script>
</body>
</html>
