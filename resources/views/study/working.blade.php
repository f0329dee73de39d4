<div id="working-of">
    <h2>{{ $working === null ? $name : "{$working->entity}, {$working->period}" }}</h2>
    @if ($more !== [])
    <div class="more"><b>{{ \App\View\Label::of($title) }}</b>@foreach ($more as $told)<p>{{ $told }}</p>@endforeach</div>
    @endif
    @if ($working !== null)
    <ol>
        @foreach ($working->steps as $step)
            <li>
                <b>{{ $step->stop }}</b>
                <p>@if ($step->equation !== ''){{ $step->equation }} = @endif<strong>{{ $step->result }}</strong>@if ($loop->first) <span class="quiet">{{ $step->period }}</span>@endif</p>
                @if ($step->inputs !== [])
                    <details>
                        <summary>{{ __(':count values', ['count' => count($step->inputs)]) }}</summary>
                        <table>@foreach ($step->inputs as $input)<tr><th scope="row">{{ $input['period'] }}</th><td>{{ $input['value'] }}</td></tr>@endforeach</table>
                    </details>
                @endif
                @foreach ($step->cells as $cell)<p class="quiet">{{ $cell }}</p>@endforeach
            </li>
        @endforeach
    </ol>
    <p class="quiet">@if ($working->origin !== null){{ $working->origin->text() }}@else {{ __('Source file unknown.') }}@endif</p>
    @endif
    <textarea class="as-text" readonly hidden aria-label="{{ __('Working as text') }}">{{ implode("\n", [...$more, ...$working === null ? [] : [$working->text()]]) }}</textarea>
    <div class="acts"><button type="button" class="act" data-copy>{{ __('Copy as text') }}</button><button type="button" class="act" popovertarget="working" popovertargetaction="hide">{{ __('Close') }}</button></div>
</div>
