<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Data\Numerals;
use DuskRail\Reading\FormulaGuard;
use DuskRail\Reading\NotATable;
use JsonException;

/** Rows as JSON (RFC 8259): a list of objects, such a list under one key, or an object a line. */
final readonly class JsonRecords implements TableSource
{
    private const COLUMNS = 500;

    /** Keys of formats that hold lists of objects as well. */
    private const OTHERS = ['class' => 1, 'resources' => 1, 'format' => 1, 'dataSets' => 1];

    /** @param array<string, list<array<array-key, mixed>>> $tables by name */
    private function __construct(private array $tables) {}

    public static function names(): array
    {
        return ['JSON records'];
    }

    public static function endings(): array
    {
        return ['json', 'jsonl', 'ndjson'];
    }

    public static function isOne(string $path): bool
    {
        $read = JsonDocument::read($path);
        if ($read !== null) {
            return self::found($read) !== [];
        }
        $start = (string) file_get_contents($path, false, null, 0, 65_536);
        $first = json_decode(trim((string) strtok(ltrim($start, "\u{FEFF} \t\r\n"), "\n"), " \t\r,["), true);

        // Of a large one its beginning tells: a list of objects, or an object by itself on its line.
        return (is_array($first) && !array_is_list($first) && !isset($first['class'], $first['value'])) ||
            preg_match('/^[\s\x{FEFF}]*\[\s*\{\s*"/u', $start) === 1;
    }

    public static function open(string $path): self
    {
        $text = JsonDocument::text($path);
        try {
            $tables = self::found(JsonDocument::decoded($text));
        } catch (JsonException $problem) {
            $lines = self::lines($text);
            $tables = $lines === [] ? [] : ['rows' => $lines];
            if ($tables === []) {
                throw JsonDocument::broken($problem);
            }
        }

        return $tables === []
            ? throw NotATable::because(
                'The file is JSON but contains no list of objects.',
                'Upload the rows as a list of objects, or as CSV.',
            )
            : new self($tables);
    }

    public function tables(): array
    {
        return array_map(strval(...), array_keys($this->tables));
    }

    public function write(string $table, string $path): void
    {
        $rows =
            $this->tables[$table] ?? throw NotATable::because("The file has no table “{$table}”.", 'Choose another.');
        $columns = [];
        $flat = [];
        foreach ($rows as $row) {
            $cells = self::flat($row);
            $columns += array_fill_keys(array_keys($cells), true);
            $flat[] = $cells;
        }
        if (count($columns) > self::COLUMNS) {
            throw NotATable::because(
                'The objects have ' .
                    Numerals::count(count($columns)) .
                    ' different keys, which is too many for columns.',
                'Use fewer keys, or upload the rows as CSV.',
            );
        }
        $out = fopen($path, 'wb');
        if ($out === false) {
            throw NotATable::because('The table could not be stored on the server.', 'Try again.');
        }
        $names = array_map(strval(...), array_keys($columns));
        fputcsv($out, array_map(FormulaGuard::guard(...), $names), ',', '"', '');
        foreach ($flat as $cells) {
            fputcsv($out, array_map(static fn(string $name): string => $cells[$name] ?? '', $names), ',', '"', '');
        }
        fclose($out);
    }

    /**
     * @param array<array-key, mixed> $read
     * @return array<string, list<array<array-key, mixed>>> lists of objects, the longest first
     */
    private static function found(array $read): array
    {
        $tables = self::areRecords($read) ? ['rows' => $read] : [];
        // Other formats hold lists of objects as well, beside what makes them such.
        if ($tables === [] && array_intersect_key($read, self::OTHERS) === []) {
            foreach ($read as $name => $part) {
                if (is_array($part) && self::areRecords($part)) {
                    $tables[(string) $name] = $part;
                }
            }
        }
        uasort($tables, static fn(array $a, array $b): int => count($b) <=> count($a));

        return array_map(static fn(array $rows): array => array_values(array_filter($rows, is_array(...))), $tables);
    }

    /** @param array<array-key, mixed> $list */
    private static function areRecords(array $list): bool
    {
        if (!array_is_list($list) || count($list) < 2) {
            return false;
        }
        foreach (array_slice($list, 0, 50) as $row) {
            if (!is_array($row) || $row === [] || array_is_list($row)) {
                return false;
            }
        }
        $first = is_array($list[0]) ? $list[0] : [];
        $values = array_filter($first, static fn(mixed $value): bool => $value === null || is_scalar($value));

        return count($values) >= 2 || (count(self::flat($first)) >= 2 && $values !== []);
    }

    /** @return list<array<array-key, mixed>> of a text with an object on each line */
    private static function lines(string $text): array
    {
        $rows = [];
        foreach (explode("\n", $text) as $line) {
            $line = trim($line, " \t\r\u{FEFF}");
            if ($line === '') {
                continue;
            }
            $row = json_decode($line, true, 16);
            if (!is_array($row) || array_is_list($row)) {
                return [];
            }
            $rows[] = $row;
        }

        return $rows;
    }

    /**
     * The values of an object, those of objects in it by both keys.
     *
     * @param array<array-key, mixed> $row
     * @return array<array-key, string>
     */
    private static function flat(array $row, string $prefix = ''): array
    {
        $cells = [];
        foreach ($row as $key => $value) {
            if (is_array($value)) {
                $cells += array_is_list($value) || $prefix !== '' ? [] : self::flat($value, "{$key} ");
            } else {
                $cells["{$prefix}{$key}"] = match (true) {
                    is_bool($value) => $value ? 'yes' : 'no',
                    // A number is none that a spreadsheet would run.
                    is_string($value) => preg_match('/^[-+]?[\d.,\s]+$/', $value) === 1
                        ? $value
                        : FormulaGuard::guard($value),
                    is_float($value) => (string) json_encode($value),
                    default => is_int($value) ? (string) $value : '',
                };
            }
        }

        return $cells;
    }
}
