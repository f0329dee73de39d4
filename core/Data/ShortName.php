<?php

declare(strict_types=1);

namespace DuskRail\Data;

/** Names in texts that are written by hand: in full, or their first word, in any letters. */
final class ShortName
{
    public static function means(string $written, string $name): bool
    {
        return $written !== '' &&
            in_array(mb_strtolower($written), [mb_strtolower($name), mb_strtolower(explode(' ', $name)[0])], true);
    }
}
