{{-- Cards of studies, and what asks for the next ones as they come into sight. --}}
@foreach ($page->studies as $study)
    @if (isset($page->cards[$study->id]))
        @include('home.card', ['study' => $study, 'card' => $page->cards[$study->id]])
    @else
        <article class="card waiting" id="card-{{ $study->id }}" hx-get="{{ route('studies.card', $study) }}" hx-trigger="revealed" hx-swap="outerHTML">
            <a class="say" href="{{ route('studies.show', $study) }}">{{ $study->name }}</a>
            <p class="foot"><b>{{ $study->name }}</b></p>
        </article>
    @endif
@endforeach
@if ($page->hasMore)
    @php($next = array_filter(['q' => $page->search, 'dataset' => $page->dataset, 'page' => $page->page + 1]))
    <a class="card more" href="{{ route('data.index', $next) }}" hx-get="{{ route('data.index', $next) }}" hx-trigger="revealed" hx-swap="outerHTML">{{ __('More studies') }}</a>
@endif
