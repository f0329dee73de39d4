{{-- A button of the chart's menu: a drawing of what it is about, and its name; and the editor that it opens. --}}
@props(['of', 'label' => null, 'screen' => null])
@php
    $label ??= \App\View\Label::of(\App\View\Editor::label($of));
    $drawings = [
        'lines' => 'M1 4h14M1 8h14M1 12h14',
        'peers' => 'M1 11 6 8l4 2 5-5M1 14l5-2 4 1 5-2',
        'axis' => 'M3 1v12h12M3 4H1M3 8H1',
        'labels' => 'M1 11 6 6l3 2 2-2M11 2h4v4h-4z',
        'variation' => 'M1 4h14M1 12h14M1 9l3-2 3 3 3-5 3 3 2-1',
        'turns' => 'M1 12l6-8 4 5h4M7 1v14',
        'projection' => 'M1 12l5-4M8 6.5l1.5-1.2M11.5 3.8L13 2.6M1 15h14M6 8v7',
        'event' => 'M8 1v14M1 5h5M10 11h5M10 6h5',
        'marks' => 'M4 15V2h8l-2 3 2 3H4',
        'panels' => 'M1 2h6v5H1zM9 2h6v5H9zM1 9h6v5H1zM9 9h6v5H9z',
        'style' => 'M1 12c4-9 6-9 7-4s4 3 7-5M1 15h14',
        'sentences' => 'M2 2h12v8H7l-4 4v-4H2zM5 5h6M5 7.5h4',
        'peer-comparison' => 'M1 14h14M3 14V9h2v5M7 14V5h2v9M11 14v-7h2v7',
    ];
    $drawing = $drawings[$of] ?? 'M2 4h12M2 8h8M2 12h10M11 6v4M6 2v4M8 10v4';
    $titles = [
        'lines' => __('What each line is: an entity, a measure or a group'),
        'peers' => __('Whom the lines are compared with, peer line, band and target'),
        'axis' => __('Scale, limits and start of the value axis'),
        'labels' => __('Values and names beside the lines'),
        'variation' => __('Limits of what the first line in focus does by itself'),
        'turns' => __('When the lines in focus change course, and how fast they have gone since'),
        'projection' => __('How the lines in focus go on, and whether they reach their targets'),
        'marks' => __('Events, spans and texts on the chart'),
        'panels' => __('How the chart is split into panels'),
        'sentences' => __('Sentences about these values, ready to use as a headline'),
        'peer-comparison' => __('Value, rank and gap of each line in focus among the peers'),
        'overlay' => __('Which years are shown, and how'),
        'stack' => __('What is summed, and how the parts are ordered'),
        'contributions' => __('What contributes, how it is taken apart, and how many bars'),
        'event' => __('The event, who had it, and how long before and after'),
        'sparks' => __('Columns and order of the table'),
        'scatter' => __('Measures on both axes, size and fits'),
        'figures' => __('What the table shows'),
        'style' => __('Line width, colours and markers'),
    ];
@endphp
<button type="button" class="tool" title="{{ $titles[$of] ?? $label }}" popovertarget="{{ in_array($of, ['sentences', 'peer-comparison'], true) ? $of : 'set-'.$of }}"><svg width="16" height="16" aria-hidden="true"><path d="{{ $drawing }}"/></svg>{{ $label }}</button>
@if ($screen !== null)<x-editor :screen="$screen" :id="'set-'.$of" />@endif
