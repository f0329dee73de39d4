{{-- The calculations that fit next, and all by what they are for. --}}
<div data-lazy="{{ route('proposals.show', $screen->study) }}" hx-morph-skip-children></div>
<div class="all">
@foreach (\DuskRail\Rail\StopCategory::cases() as $purpose)
    <section>
    <p class="head">{{ \App\View\Label::of($purpose->label()) }}</p>
    @foreach (\DuskRail\Rail\StopCatalogue::all() as $type => $stop)
        @continue($stop::category() !== $purpose)
        <x-change :study="$screen->study" change="add-stop" :with="['stop' => $type]"><b>{{ \App\View\Label::of($stop::title()) }}</b> <span>{{ \App\View\Label::of($stop::purpose()) }}</span></x-change>
    @endforeach
    </section>
@endforeach
</div>
