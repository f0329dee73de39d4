<form method="post" action="{{ route('finish.store', $study) }}">
    @csrf
    <p class="quiet">Lines, labels, colours, sizes, events and spells; not the figures.</p>
    @foreach ($others as $id => $name)
        <label><input type="checkbox" name="to[]" value="{{ $id }}"> {{ $name }}</label>
    @endforeach
    <p><button class="button is-small">Give it</button> <a href="{{ route('finish.show') }}">House finish …</a></p>
</form>
