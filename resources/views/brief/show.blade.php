<x-layout :title="$brief->name">
    <header class="top"><x-mark /><span class="right"><button type="button" class="plain ground" data-ground-switch><span class="to-night">Night</span><span class="to-day">Day</span></button><a class="go" href="{{ route('briefs.read', $brief->token) }}">Read it</a></span></header>
    <main class="page">
        @if ($errors->any())<p class="said wrong" role="alert">{{ $errors->first() }}</p>@endif
        <form method="post" action="{{ route('briefs.update', $brief) }}">@csrf @method('put')<input class="title brief-name" name="name" value="{{ $brief->name }}" aria-label="Name of the brief; Enter keeps it" maxlength="120"></form>
        <p class="quiet">A page of studies with text between. Whoever has the address <a href="{{ route('briefs.read', $brief->token) }}">{{ route('briefs.read', $brief->token) }}</a> can read it and change nothing.</p>
        <ol class="blocks">
            @forelse ($brief->blocks as $block)
                <li>
                    @if ($block->study !== null)
                        <a href="{{ route('studies.show', $block->study) }}"><b>{{ $block->study->name }}</b></a> <span class="quiet">{{ \DuskRail\Document\ViewCatalogue::of($block->study->document())->title() }}</span>
                    @elseif ($block->study_id !== null)
                        <span class="quiet">a study that lies in the <a href="{{ route('bin.show') }}">bin</a></span>
                    @else
                        <form method="post" action="{{ route('briefs.update', $brief) }}" class="text">@csrf @method('put')<input type="hidden" name="block" value="{{ $block->id }}"><textarea name="text" rows="2" aria-label="Text" maxlength="4000">{{ $block->text }}</textarea><button class="button is-small">Keep</button></form>
                    @endif
                    <form method="post" action="{{ route('briefs.update', $brief) }}" class="moves">@csrf @method('put')<input type="hidden" name="block" value="{{ $block->id }}">
                        <button class="plain small" name="do" value="up" @disabled($loop->first)>up</button><button class="plain small" name="do" value="down" @disabled($loop->last)>down</button><button class="plain small" name="do" value="remove">remove</button>
                    </form>
                </li>
            @empty
                <li class="quiet">Nothing stands in it yet.</li>
            @endforelse
        </ol>
        <form class="inline" method="post" action="{{ route('briefs.update', $brief) }}">@csrf @method('put')
            <label for="brief-study">Add the study</label>
            <span class="select is-small"><select name="study" id="brief-study">@foreach ($studies as $study)<option value="{{ $study->id }}">{{ $study->name }}</option>@endforeach</select></span>
            <button class="button is-small" @disabled($studies->isEmpty())>Add</button>
        </form>
        <form class="inline text" method="post" action="{{ route('briefs.update', $brief) }}">@csrf @method('put')
            <label for="brief-text">Add a text</label>
            <textarea name="text" id="brief-text" rows="2" required maxlength="4000"></textarea>
            <button class="button is-small">Add</button>
        </form>
        <form class="inline" method="post" action="{{ route('briefs.update', $brief) }}">@csrf @method('put')
            <input type="hidden" name="controls[]" value="">
            <span>The reader sets, for all pictures at once,</span>
            @foreach (\DuskRail\Outcome\ReaderChoices::CONTROLS as $control => $label)<label><input type="checkbox" name="controls[]" value="{{ $control }}" @checked(in_array($control, $brief->controls ?? [], true))> {{ $label }}</label>@endforeach
            <button class="button is-small">Keep</button>
        </form>
        <form method="post" action="{{ route('briefs.destroy', $brief) }}" data-confirm="Delete the brief “{{ $brief->name }}”?">@csrf @method('delete')<button class="plain small">Delete this brief</button></form>
    </main>
</x-layout>
