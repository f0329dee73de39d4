<form method="post" action="{{ route('style.store', $study) }}">
    @csrf
    <p class="quiet">{{ __('Lines, labels, colours, sizes, events and shaded periods; not the data.') }}</p>
    @foreach ($others as $id => $name)
        <label><input type="checkbox" name="to[]" value="{{ $id }}"> {{ $name }}</label>
    @endforeach
    <p><button class="button is-small">{{ __('Apply style') }}</button> <a href="{{ route('style.show') }}">{{ __('House style …') }}</a></p>
</form>
