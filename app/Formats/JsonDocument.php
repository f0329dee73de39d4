<?php

declare(strict_types=1);

namespace App\Formats;

/** What a file is as JSON, so that formats written in it can tell their own files. */
final class JsonDocument
{
    /** Up to so many bytes the whole of it is looked at; of a larger one its beginning and its end. */
    private const WHOLE = 5_000_000;

    private const EDGE = 65_536;

    /**
     * @return array<array-key, mixed>|null null for what is no single object or list of JSON, or is large
     */
    public static function read(string $path): ?array
    {
        if (filesize($path) > self::WHOLE || !self::isBegun($path)) {
            return null;
        }
        $read = json_decode(self::text($path), true, 64);

        return is_array($read) ? $read : null;
    }

    /**
     * Whether a file that is large, or did not arrive whole, looks like JSON that has one of some keys.
     *
     * @param list<string> $keys
     */
    public static function seemsToHave(string $path, array $keys): bool
    {
        if (!self::isBegun($path)) {
            return false;
        }
        $start = (string) file_get_contents($path, false, null, 0, self::EDGE);
        // A line that is an object by itself is one of many: a file of rows.
        if (
            is_array(json_decode((string) strtok(ltrim($start, "\u{FEFF} \t\r\n"), "\n"), true)) &&
            str_contains($start, "\n")
        ) {
            return false;
        }
        $end = (string) file_get_contents($path, false, null, max(0, filesize($path) - self::EDGE));

        return preg_match('/"(' . implode('|', $keys) . ')"\s*:/', $start . $end) === 1;
    }

    private static function isBegun(string $path): bool
    {
        return preg_match('/^[\s\x{FEFF}]*[{\[]/u', (string) file_get_contents($path, false, null, 0, 256)) === 1;
    }

    private static function text(string $path): string
    {
        $text = (string) file_get_contents($path);

        return str_starts_with($text, "\u{FEFF}") ? substr($text, 3) : $text;
    }
}
