{{-- One thing that would mislead, with its remedy. --}}
@props(['study', 'notice'])
<li>
    <svg width="14" height="14" aria-hidden="true"><path d="M2 12V2h8l-2.2 3L10 8H3.6" fill="none" stroke="var(--warn)" stroke-width="1.8"/></svg>
    @if ($notice->detail !== '')
        <details><summary>{{ $notice->sentence }}</summary><p>{{ $notice->detail }}</p></details>
    @else
        <span>{{ $notice->sentence }}</span>
    @endif
    @if ($notice->remedy !== '')
        <x-change :study="$study" :change="$notice->input['change']" :with="$notice->input" class="remedy">{{ \App\View\Label::of($notice->remedy) }}</x-change>
    @endif
    <x-change :study="$study" change="dismiss" :with="['signal' => $notice->id]" class="dismiss" :aria-label="__('Dismiss: :sentence', ['sentence' => $notice->sentence])" :title="__('Dismiss')">×</x-change>
</li>
