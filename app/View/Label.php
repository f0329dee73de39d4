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
    public static function of(string $text): string
    {
        $label = Lang::getLoader()->load(App::getLocale(), '*', '*')[$text] ?? $text;

        return is_string($label) ? $label : $text;
    }
}
