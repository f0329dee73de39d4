<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Data\Numerals;
use DuskRail\Reading\NotATable;
use JsonException;

/** What a file is as JSON, so that formats written in it can tell their own files. */
final class JsonDocument
{
    /** Up to so many bytes the whole of it is looked at; of a larger one its beginning and its end. */
    private const WHOLE = 5_000_000;

    /** Bytes of JSON that can be held whole. */
    private const LARGEST = 40_000_000;

    private const EDGE = 65_536;

    /** Objects and lists; each takes some hundred bytes. */
    private const PARTS = 500_000;

    /**
     * @return array<array-key, mixed>|null null for what is no single object or list of JSON, or is large
     */
    public static function read(string $path): ?array
    {
        if (filesize($path) > self::WHOLE || !self::isBegun($path)) {
            return null;
        }
        try {
            $read = self::decoded(self::text($path));
        } catch (JsonException|NotATable) {
            return null;
        }

        return $read === [] ? null : $read;
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
        // A list is one of rows, whatever those hold.
        if (preg_match('/^[\s\x{FEFF}]*\[/u', $start) === 1) {
            return false;
        }
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

    /**
     * What a file holds.
     *
     * @return array<array-key, mixed> nothing where it is JSON of another kind
     *
     * @throws NotATable when it is too large, or no JSON
     */
    public static function whole(string $path): array
    {
        $text = self::text($path);
        try {
            return self::decoded($text);
        } catch (JsonException $problem) {
            throw self::broken($problem);
        }
    }

    public static function broken(JsonException $problem): NotATable
    {
        return NotATable::because(
            "The file is not valid JSON: {$problem->getMessage()}.",
            'The upload may be incomplete. Upload it again.',
        );
    }

    /**
     * All of a text, with or without a byte order mark.
     *
     * @return array<array-key, mixed> nothing where it is JSON of another kind
     *
     * @throws JsonException
     * @throws NotATable when its many small parts would fill the memory
     */
    public static function decoded(string $text): array
    {
        $parts = substr_count($text, '{') + substr_count($text, '[');
        if ($parts > self::PARTS) {
            throw NotATable::because(
                'The file has ' . Numerals::count($parts) . ' objects and lists, which is too many.',
                'Download a smaller part from its source, or as CSV.',
            );
        }
        $text = str_starts_with($text, "\u{FEFF}") ? substr($text, 3) : $text;
        $read = json_decode($text, true, 64, JSON_THROW_ON_ERROR);

        return is_array($read) ? $read : [];
    }

    private static function isBegun(string $path): bool
    {
        return preg_match('/^[\s\x{FEFF}]*[{\[]/u', (string) file_get_contents($path, false, null, 0, 256)) === 1;
    }

    /**
     * The text of a file.
     *
     * @throws NotATable when it is too large
     */
    public static function text(string $path): string
    {
        if (filesize($path) > self::LARGEST) {
            throw NotATable::because(
                'The file is ' . Numerals::count(filesize($path) / 1e6) . ' MB of JSON, which is too large.',
                'Download a smaller part from its source, or as CSV.',
            );
        }
        return (string) file_get_contents($path);
    }
}
