{{-- An editor or a menu under its button. What is in it is there if it is open; else it is fetched when it is opened. --}}
@props(['screen', 'id'])
@php($editor = \App\View\Editor::of($screen, $id))
@if ($editor !== null)
<div @class(['editor', $editor->isMenu ? 'menu' : 'dock']) popover id="{{ $id }}" @if ($screen->added === $id) data-open @endif @unless ($editor->isMenu) role="group" aria-label="{{ \App\View\Label::of($editor->label) }}" @endunless>
    @if ($screen->open->has($id))
        <div class="inside">@include($editor->template, $editor->with)</div>
    @else
        <div class="inside" data-lazy="{{ route('editors.show', [$screen->study, $id]) }}" hx-morph-skip-children></div>
    @endif
    @unless ($editor->isMenu)<x-close :of="$id" />@endunless
</div>
@endif
