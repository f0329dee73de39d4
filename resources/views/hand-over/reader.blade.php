@include('hand-over.head')
<main>
@if ($choices !== [])
<p class="choices">
@foreach ($choices as $stop => $labels)
<select aria-label="{{ __('Choose: :first', ['first' => $labels[0]]) }}">@foreach ($labels as $label)<option>{{ $label }}</option>@endforeach</select>
@endforeach
</p>
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
