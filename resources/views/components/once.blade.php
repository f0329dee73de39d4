{{-- With it, a form that is sent twice is done once. --}}
<input type="hidden" name="once" value="{{ Str::uuid() }}">
