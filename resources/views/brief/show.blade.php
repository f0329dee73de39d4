<x-layout :title="$brief->name">
    <header class="top"><x-mark /><span class="right"><x-theme-switch /><a class="go" href="{{ route('briefs.read', $brief->token) }}">{{ __('Open reading page') }}</a></span></header>
    <main class="page">
        @if ($errors->any())<p class="said wrong" role="alert">{{ $errors->first() }}</p>@endif
        <form method="post" action="{{ route('briefs.update', $brief) }}">@csrf @method('put')<input class="title brief-name" name="name" value="{{ $brief->name }}" aria-label="{{ __('Brief name; Enter saves') }}" maxlength="120"></form>
        <p class="quiet">{{ __('Studies and text on one page. Anyone with this link can read it but cannot change it:') }} <a href="{{ route('briefs.read', $brief->token) }}">{{ route('briefs.read', $brief->token) }}</a></p>
        <ol class="blocks">
            @forelse ($brief->blocks as $block)
                <li>
                    @if ($block->study !== null)
                        <a href="{{ route('studies.show', $block->study) }}"><b>{{ $block->study->name }}</b></a> 
                        <form method="post" action="{{ route('briefs.update', $brief) }}" class="view-of" data-at-once>@csrf @method('put')<input type="hidden" name="block" value="{{ $block->id }}">
                            <span class="select is-small"><select name="view" aria-label="{{ __('View of :study', ['study' => $block->study->name]) }}">
                                @foreach (\DuskRail\Views\Views::all() as $name => $view)<option value="{{ $name }}" @selected($name === ($block->view ?? $block->study->document()->view))>{{ \App\View\Label::of($view->title()) }}</option>@endforeach
                            </select></span>
                            <noscript><button class="button is-small">{{ __('Save') }}</button></noscript>
                        </form>
                    @elseif ($block->study_id !== null)
                        <span class="quiet">{{ __('This study was deleted.') }} <a href="{{ route('bin.show') }}">{{ __('Bin') }}</a></span>
                    @else
                        <form method="post" action="{{ route('briefs.update', $brief) }}" class="text">@csrf @method('put')<input type="hidden" name="block" value="{{ $block->id }}"><textarea name="text" rows="2" aria-label="{{ __('Text') }}" maxlength="4000">{{ $block->text }}</textarea><button class="button is-small">{{ __('Save') }}</button></form>
                    @endif
                    <form method="post" action="{{ route('briefs.update', $brief) }}" class="moves">@csrf @method('put')<input type="hidden" name="block" value="{{ $block->id }}">
                        <button class="plain small" name="do" value="up" @disabled($loop->first)>{{ __('Move up') }}</button><button class="plain small" name="do" value="down" @disabled($loop->last)>{{ __('Move down') }}</button><button class="plain small" name="do" value="remove">{{ __('Remove') }}</button>
                    </form>
                </li>
            @empty
                <li class="quiet">{{ __('This brief is empty. Add a study or a text.') }}</li>
            @endforelse
        </ol>
        <form class="inline" method="post" action="{{ route('briefs.update', $brief) }}">@csrf @method('put')
            <label for="brief-study">{{ __('Add a study') }}</label>
            <span class="select is-small"><select name="study" id="brief-study">@foreach ($studies as $study)<option value="{{ $study->id }}">{{ $study->name }}</option>@endforeach</select></span>
            <button class="button is-small" @disabled($studies->isEmpty())>{{ __('Add') }}</button>
        </form>
        <form class="inline text" method="post" action="{{ route('briefs.update', $brief) }}">@csrf @method('put')
            <label for="brief-text">{{ __('Add text') }}</label>
            <textarea name="text" id="brief-text" rows="2" required maxlength="4000"></textarea>
            <button class="button is-small">{{ __('Add') }}</button>
        </form>
        <form class="inline" method="post" action="{{ route('briefs.update', $brief) }}">@csrf @method('put')
            <input type="hidden" name="controls[]" value="">
            <span>{{ __('Readers can change, for all charts:') }}</span>
            @foreach (\DuskRail\Outcome\ReaderChoices::CONTROLS as $control => $label)<label><input type="checkbox" name="controls[]" value="{{ $control }}" @checked(in_array($control, $brief->controls ?? [], true))> {{ \App\View\Label::of($label) }}</label>@endforeach
            <button class="button is-small">{{ __('Save') }}</button>
        </form>
        <form method="post" action="{{ route('briefs.destroy', $brief) }}" data-confirm="{{ __('Delete the brief “:name”?', ['name' => $brief->name]) }}">@csrf @method('delete')<button class="plain small">{{ __('Delete this brief') }}</button></form>
    </main>
</x-layout>
