{{-- A text of several lines, bold where it stands between asterisks. --}}
@props(['text'])
{!! collect(\DuskRail\Words\Wording::emphasised($text))->map(static fn (array $piece): string => $piece['bold'] ? '<b>'.e($piece['text']).'</b>' : nl2br(e(\DuskRail\Words\Wording::plain($piece['text']))))->implode('') !!}
