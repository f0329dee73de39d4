<?php

declare(strict_types=1);

namespace App\View;

use Illuminate\Support\Facades\App;
use Illuminate\Support\Facades\Lang;

/**
 * What the core calls a setting, an option, a stop or a view, in the language of the interface.
 *
 * Names of the data are among the options: what no language file has stays as it is. Laravel's `__()` would take
 * such a name for the key of a group of its own texts where it looks like one.
 */
final class Label
{
    /** @var array<string, array<array-key, mixed>> text by text in English, by language */
    private static array $known = [];

    public static function of(string $text): string
    {
        $language = App::getLocale();
        self::$known[$language] ??= Lang::getLoader()->load($language, '*', '*');
        $label = self::$known[$language][$text] ?? $text;

        return is_string($label) ? $label : $text;
    }
}
