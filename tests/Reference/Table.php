<?php

declare(strict_types=1);

namespace Tests\Reference;

/** Reads the output of the scripts in tests/Reference/make. */
final class Table
{
    /** @return iterable<list<string>> rows without the remarks */
    public static function rows(string $name): iterable
    {
        $file = fopen(__DIR__ . "/data/{$name}", 'rb');
        assert($file !== false);
        while (($line = fgets($file)) !== false) {
            if ($line[0] !== '#') {
                yield explode(',', rtrim($line, "\n"));
            }
        }
        fclose($file);
    }

    /**
     * @param list<string> $cells
     * @return list<float>
     */
    public static function numbers(array $cells): array
    {
        return array_map(static fn(string $cell): float => $cell === '' ? NAN : (float) $cell, $cells);
    }
}
