<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Data\Numerals;
use DuskRail\Reading\NotATable;
use JsonException;
use ZipArchive;

/**
 * A Tabular Data Package (specs.frictionlessdata.io, version 1): a zip with its descriptor `datapackage.json` and the
 * CSV files that it names, or a descriptor alone that holds its rows inside.
 */
final readonly class TabularPackage implements TableSource
{
    public const DESCRIPTOR = 'datapackage.json';

    private const LARGEST = 600_000_000;

    /** Files that one table may be cut into. */
    private const PARTS = 100;

    /** Bytes of the descriptor, with what rows it holds. */
    private const LARGEST_DESCRIPTOR = 40_000_000;

    /**
     * @param array<string, array<array-key, mixed>> $resources by name
     * @param array<array-key, mixed> $descriptor
     */
    private function __construct(
        private array $resources,
        private array $descriptor,
        private string $path,
        private string $folder,
    ) {}

    public static function names(): array
    {
        return ['data package'];
    }

    public static function endings(): array
    {
        return ['zip', 'json'];
    }

    public static function isOne(string $path): bool
    {
        if (Packed::is($path)) {
            return Packed::holds($path, self::DESCRIPTOR);
        }
        $read = JsonDocument::read($path);

        return $read === null
            ? JsonDocument::seemsToHave($path, ['resources'])
            : is_array($read['resources'] ?? null) && array_is_list($read['resources']);
    }

    public static function open(string $path): self
    {
        $folder = '';
        if (Packed::is($path)) {
            $zip = self::zip($path);
            $index = (int) $zip->locateName(self::DESCRIPTOR, ZipArchive::FL_NODIR);
            $name = (string) $zip->getNameIndex($index);
            $folder = substr($name, 0, -strlen(self::DESCRIPTOR));
            $json = (string) $zip->getFromIndex($index, self::LARGEST_DESCRIPTOR);
            $zip->close();
        } else {
            $json = (string) file_get_contents($path, false, null, 0, self::LARGEST_DESCRIPTOR);
        }
        try {
            $descriptor = JsonDocument::decoded($json);
        } catch (JsonException $problem) {
            throw NotATable::because(
                'The descriptor ' . self::DESCRIPTOR . " is not JSON: {$problem->getMessage()}.",
                'Download it again from its source.',
            );
        }
        $resources = [];
        foreach (is_array($descriptor['resources'] ?? null) ? $descriptor['resources'] : [] as $number => $resource) {
            if (is_array($resource) && (isset($resource['path']) || is_array($resource['data'] ?? null))) {
                $name = is_string($resource['name'] ?? null) ? $resource['name'] : 'table ' . ((int) $number + 1);
                $resources[$name] = $resource;
            }
        }

        return $resources === []
            ? throw NotATable::because('The package contains no table.', 'Upload its CSV files separately.')
            : new self($resources, $descriptor, $path, $folder);
    }

    public function tables(): array
    {
        return array_map(strval(...), array_keys($this->resources));
    }

    public function write(string $table, string $path): void
    {
        $resource =
            $this->resources[$table] ??
            throw NotATable::because("The package has no table “{$table}”.", 'Choose another.');
        $out = fopen($path, 'wb');
        if ($out === false) {
            throw NotATable::because('The table could not be stored on the server.', 'Try again.');
        }
        foreach ($this->notes() as $name => $text) {
            fputcsv($out, ["# {$name}", $text], ',', '"', '');
        }
        $schema = is_array($resource['schema'] ?? null) ? $resource['schema'] : [];
        $missing = is_array($schema['missingValues'] ?? null) ? $schema['missingValues'] : [''];
        foreach (
            is_array($resource['data'] ?? null) ? self::inline($resource['data']) : $this->packed($resource, $path)
            as $row
        ) {
            fputcsv(
                $out,
                array_map(static fn(string $cell): string => in_array($cell, $missing, true) ? '' : $cell, $row),
                ',',
                '"',
                '',
            );
        }
        fclose($out);
    }

    /**
     * @return array<string, string> what the descriptor says of the whole, in the form that tables of this program
     *     say it
     */
    private function notes(): array
    {
        $first = static fn(mixed $list, string $name): string => is_array($list) &&
        is_array($list[0] ?? null) &&
        is_string($list[0][$name] ?? null)
            ? $list[0][$name]
            : '';
        $notes = array_filter(
            ['source' => $first($this->descriptor['sources'] ?? null, 'title')],
            static fn(string $text): bool => $text !== '',
        );
        return $notes + self::ownNotes($this->descriptor['dusk-rail'] ?? null);
    }

    /** @return array<string, string> what this program wrote into a package */
    private static function ownNotes(mixed $own): array
    {
        $notes = [];
        $list = static fn(string $name): array => is_array($own) && is_array($own[$name] ?? null) ? $own[$name] : [];
        foreach ($list('measures') as $name => $about) {
            $notes['periods'] = 'code';
            $notes["about {$name}"] = is_array($about) ? implode('; ', array_filter($about, is_string(...))) : '';
        }
        foreach (array_filter($list('notes'), is_string(...)) as $name => $text) {
            $notes[(string) $name] = $text;
        }

        return $notes;
    }

    /**
     * Rows that are in the descriptor: lists of cells, or objects.
     *
     * @param array<array-key, mixed> $data
     * @return iterable<list<string>>
     */
    private static function inline(array $data): iterable
    {
        $text = static fn(mixed $cell): string => is_string($cell)
            ? $cell
            : ($cell === null
                ? ''
                : (string) json_encode($cell));
        $keys = null;
        foreach ($data as $row) {
            if (!is_array($row)) {
                throw NotATable::because(
                    'A row in datapackage.json is neither a list nor an object.',
                    'Upload the table as CSV.',
                );
            }
            if (!array_is_list($row) && $keys === null) {
                $keys = array_map(strval(...), array_keys($row));
                yield $keys;
            }
            yield $keys === null
                ? array_map($text, array_values($row))
                : array_map(static fn(string $key): string => $text($row[$key] ?? null), $keys);
        }
    }

    /**
     * @param array<array-key, mixed> $resource
     * @return iterable<list<string>>
     */
    private function packed(array $resource, string $beside): iterable
    {
        $paths = is_array($resource['path'] ?? null) ? array_values($resource['path']) : [$resource['path'] ?? ''];
        $written = 0;
        if (count($paths) > self::PARTS || count(array_unique($paths, SORT_REGULAR)) < count($paths)) {
            throw NotATable::because(
                'The package splits one table into more than ' . self::PARTS . ' files, or names one of them twice.',
                'Upload the file with the values separately.',
            );
        }
        foreach ($paths as $part => $name) {
            if (!is_string($name) || preg_match('#^(\w+:|/)|(^|/)\.\.(/|$)#', $name) === 1) {
                throw NotATable::because(
                    'The package refers to a file outside itself: ' .
                        (is_string($name) ? mb_strimwidth($name, 0, 80, '…') : '?') .
                        '.',
                    'Upload that file separately.',
                );
            }
            if (!str_starts_with((string) file_get_contents($this->path, false, null, 0, 4), "PK\x03\x04")) {
                throw NotATable::because(
                    "Only datapackage.json was uploaded, without “{$name}”.",
                    'Upload the whole zip file, or only that file.',
                );
            }
            $zip = self::zip($this->path);
            $stream = $zip->getStream($this->folder . $name);
            if ($stream === false) {
                throw NotATable::because(
                    "The package does not contain “{$name}”, which its datapackage.json lists.",
                    'Download it again from its source.',
                );
            }
            $copy = "{$beside}.part";
            $written += Packed::copied($stream, $copy, self::LARGEST - $written, 'package');
            $zip->close();
            try {
                foreach (DelimitedFile::open($copy)->rows() as $number => $row) {
                    // The parts of one table each have the headings.
                    if ($part === 0 || $number > 0) {
                        yield $row;
                    }
                }
            } finally {
                unlink($copy);
            }
        }
    }

    private static function zip(string $path): ZipArchive
    {
        $zip = new ZipArchive();
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            throw NotATable::because('The package cannot be opened.', 'The upload may be incomplete. Upload it again.');
        }
        $size = 0;
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $size += (int) ($zip->statIndex($i)['size'] ?? 0);
        }
        if ($size > self::LARGEST) {
            throw NotATable::because(
                'The package unpacks to ' . Numerals::count($size / 1e6) . ' MB, which is too large.',
                'Upload the file with the values separately.',
            );
        }

        return $zip;
    }
}
