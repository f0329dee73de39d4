<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** A line that is drawn with characters between the rows of a table: `-----`, `|---|---:|`, `+====+`. */
final class RuledLine
{
    private const CHARACTERS = "-=_+:| \u{2500}\u{2550}\u{253C}";

    /** @param list<string> $row cells */
    public static function is(array $row): bool
    {
        // Nearly all rows have another character first.
        $first = $row[0] ?? '';
        if ($first !== '' && strspn($first, self::CHARACTERS) !== strlen($first)) {
            return false;
        }
        $text = implode('', $row);

        return strspn($text, self::CHARACTERS) === strlen($text) && preg_match('/(?:-|=|_|─|═){3}/u', $text) === 1;
    }
}
