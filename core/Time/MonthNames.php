<?php

declare(strict_types=1);

namespace DuskRail\Time;

/** Names of months in the languages that ICU has. */
final class MonthNames
{
    private const SHORT = 'jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec';

    /** A pattern of one name in English, with its first three letters as a group. */
    public const WORD = '(jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\.?';

    /** Beside ICU's names: usual short forms, and names without their accents; common practice, no source. */
    private const FURTHER = [
        'mrz' => 3,
        'maerz' => 3,
        'jaenner' => 1,
        'feber' => 2,
        'fevr' => 2,
        'fevrier' => 2,
        'aout' => 8,
        'aou' => 8,
        'decembre' => 12,
    ];

    /** Month of the year, 1–12, when the text is a month's name and nothing else. */
    public static function number(string $text): ?int
    {
        $text = self::inEnglish(mb_strtolower(trim($text)));
        if (preg_match('/^' . self::WORD . '$/', $text, $m) !== 1) {
            return null;
        }
        $full = strtolower(Period::month(2000, self::place($m[1]))->label());

        return str_starts_with($full, rtrim($text, '.')) || $text === 'sept' || $text === 'sept.'
            ? self::place($m[1])
            : null;
    }

    /** A text with the name of a month in any language of ICU put into English: `31 mars 2024`, `März 24`. */
    public static function inEnglish(string $text): string
    {
        if (preg_match('/[^\x00-\x7f]|\p{L}{3}/u', $text) !== 1 || mb_strlen($text) > 40) {
            return $text;
        }
        $names = self::all();
        $text = preg_replace('/ de (?=\p{L}|\d)/u', ' ', $text) ?? $text;

        return preg_replace_callback(
            '/\p{L}[\p{L}\p{M}’\'.-]*\p{L}\.?/u',
            static fn(array $m): string => isset($names[rtrim($m[0], '.')])
                ? explode('|', self::SHORT)[$names[rtrim($m[0], '.')] - 1]
                : $m[0],
            $text,
            1,
        ) ?? $text;
    }

    /** @return array<string, int> number by name, full or short, without its full stop */
    private static function all(): array
    {
        /** @var array<string, int>|null $names */
        static $names = null;
        if ($names === null) {
            /** @var array<string, int> $names */
            $names = require __DIR__ . '/month-names.php';
            $names += self::FURTHER;
        }

        return $names;
    }

    /** @param string $start of an English name, three letters */
    public static function place(string $start): int
    {
        return intdiv((int) strpos(self::SHORT, $start), 4) + 1;
    }
}
