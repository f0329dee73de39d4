<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** Keeps a spreadsheet from running a text of the data as a formula: OWASP, “CSV Injection” (from memory). */
final class FormulaGuard
{
    public static function guard(string $text): string
    {
        return preg_match('/^\'*[=+\-@\t\r]/', $text) === 1 ? "'{$text}" : $text;
    }

    /** Takes off what guard() put on. */
    public static function unguard(string $text): string
    {
        return preg_match('/^\'+[=+\-@\t\r]/', $text) === 1 ? substr($text, 1) : $text;
    }
}
