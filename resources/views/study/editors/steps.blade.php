{{-- The states that the study was in, the latest first; each can be taken up again. --}}
@php($steps = \App\Models\StudyRevision::around($screen->study->revision_id, 40))
<ol class="steps">
    @foreach ($steps as $n => $step)
        @php($isNow = $step->id === $screen->study->revision_id)
        <li @class(['now' => $isNow])>
            <button type="button" class="plain" hx-put="{{ route('history.update', $screen->study) }}" hx-vals='{"to": {{ $step->id }}}' hx-target="#workspace" hx-swap="outerMorph" @if ($isNow) aria-current="step" @endif>
                @if ($n < 12){!! \App\View\StepPicture::of($screen->study, $step) !!}@endif
                <span>{{ $step->summary }}</span>
                <time class="quiet" datetime="{{ $step->created_at?->toIso8601String() }}">{{ $step->created_at?->isoFormat('D MMM YYYY, HH:mm') }}</time>
            </button>
        </li>
    @endforeach
</ol>
