@include('hand-over.head')
<main>
<h1>{{ $title }}</h1>
<p class="source">{{ $about }}</p>
@foreach ($blocks as $block)
@if ($block['picture'] === null)
<p class="text"><x-emphasised :text="$block['text']" /></p>
@else
<article>
@include('hand-over.picture', ['drawn' => $block['picture'], 'level' => 'h2'])
</article>
@endif
@endforeach
</main>
<script>{!! $script !!}</script>
</body>
</html>
