@php($remarks = $screen->comparison->remarks())
<ul class="signals" id="signals" aria-label="Signals">
    @foreach ($remarks as ['remark' => $remark, 'stop' => $stop])
        <li>
            <svg width="14" height="14" aria-hidden="true"><path d="M2 12V2h8l-2.2 3L10 8H3.6" fill="none" stroke="var(--warn)" stroke-width="1.8"/></svg>
            @if ($remark->detail !== '')
                <details><summary>{{ $remark->sentence }}</summary><p>{{ $remark->detail }}</p></details>
            @else
                <span>{{ $remark->sentence }}</span>
            @endif
            @if ($remark->remedy !== '')
                <x-change :study="$screen->study" change="change-stop" :with="['id' => $stop, 'settings' => $remark->remedySettings]" class="remedy">{{ $remark->remedy }}</x-change>
            @endif
        </li>
    @endforeach
</ul>
