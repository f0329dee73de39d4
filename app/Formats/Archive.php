<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Data\Numerals;
use DuskRail\Reading\NotATable;
use DuskRail\Refusal;
use ZipArchive;

/**
 * A zip archive of files of any format that can be brought: one that was uploaded, or several files that were brought
 * together. Each file is a table, or each of its tables is.
 */
final readonly class Archive implements TableSource
{
    private const LARGEST = 600_000_000;

    private const MOST_FILES = 100;

    /** @param array<string, array{string, string|null}> $tables name in the archive, and of its table, by name */
    private function __construct(private string $path, private array $tables) {}

    public static function names(): array
    {
        return ['ZIP'];
    }

    public static function endings(): array
    {
        return ['zip'];
    }

    public static function isOne(string $path): bool
    {
        return Packed::is($path) &&
            !Packed::holds($path, 'datapackage.json') &&
            !Packed::holds($path, '[Content_Types].xml') &&
            !Packed::holds($path, 'content.xml') &&
            self::files($path) !== [];
    }

    /**
     * Packs files that were brought together.
     *
     * @param array<string, string> $paths by name
     */
    public static function pack(string $to, array $paths): void
    {
        $zip = new ZipArchive();
        if ($zip->open($to, ZipArchive::CREATE | ZipArchive::OVERWRITE) !== true) {
            throw NotATable::because('The files could not be stored on the server.', 'Try again.');
        }
        foreach ($paths as $name => $path) {
            $zip->addFile($path, $name);
            // They are read again at once.
            $zip->setCompressionName($name, ZipArchive::CM_STORE);
        }
        $zip->close();
    }

    /** @return list<string> names of the files in it that may hold a table, in the order that people count */
    private static function files(string $path): array
    {
        $zip = new ZipArchive();
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            return [];
        }
        $endings = array_diff(explode(',', str_replace('.', '', TableSources::accepted())), ['zip']);
        $files = [];
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $name = (string) $zip->getNameIndex($i);
            $isHidden = preg_match('~(?:^|/)(?:\.|__MACOSX/)~', $name) === 1;
            if (!$isHidden && in_array(strtolower(pathinfo($name, PATHINFO_EXTENSION)), $endings, true)) {
                $files[] = $name;
            }
        }
        $zip->close();
        usort($files, strnatcasecmp(...));

        return $files;
    }

    public static function open(string $path): self
    {
        $files = self::files($path);
        if (count($files) > self::MOST_FILES) {
            throw NotATable::because(
                'The archive has ' . Numerals::count(count($files)) . ' files, which is too many to read at once.',
                'Upload parts of it.',
            );
        }
        $tables = [];
        $bytes = 0;
        foreach ($files as $file) {
            foreach (self::tablesOf($path, $file, $bytes) as $name => $table) {
                $tables[isset($tables[$name]) ? $file : $name] = [$file, $table];
            }
        }

        return $tables === []
            ? throw NotATable::because('The archive has no file that can be read.', 'Upload its files separately.')
            : new self($path, $tables);
    }

    /**
     * @param int $bytes of the files before it; those of this one are added
     * @return array<string, string|null> tables of a file, by what they are called; null for one that is text
     */
    private static function tablesOf(string $path, string $file, int &$bytes): array
    {
        $name = pathinfo($file, PATHINFO_FILENAME);
        $copy = "{$path}.one";
        $bytes += self::extract($path, $file, $copy, self::LARGEST - $bytes);
        try {
            $format = TableSources::of($copy);
            $tables = $format === null || $format === self::class ? [] : $format::open($copy)->tables();
        } catch (Refusal) {
            // What is wrong with it is said where it is read.
            $tables = [];
        } finally {
            self::discard($copy);
        }
        if (count($tables) < 2) {
            return [$name => $tables[0] ?? null];
        }
        $named = [];
        foreach ($tables as $table) {
            $named["{$name}, {$table}"] = $table;
        }

        return $named;
    }

    public function tables(): array
    {
        return array_map(strval(...), array_keys($this->tables));
    }

    public function write(string $table, string $path): void
    {
        [$file, $inner] =
            $this->tables[$table] ?? throw NotATable::because("The archive has no “{$table}”.", 'Choose another.');
        $copy = "{$path}.one";
        try {
            self::extract($this->path, $file, $copy, self::LARGEST);
            $format = TableSources::of($copy);
            if ($format !== null && $inner !== null) {
                $format::open($copy)->write($inner, $path);

                return;
            }
            self::copyText($copy, $path);
        } finally {
            self::discard($copy);
        }
    }

    /** Text of any encoding and with any mark between its cells, as the others are. */
    private static function copyText(string $from, string $to): void
    {
        $out = fopen($to, 'wb');
        if ($out === false) {
            throw NotATable::because('The table could not be stored on the server.', 'Try again.');
        }
        try {
            foreach (DelimitedFile::open($from)->rows() as $row) {
                fputcsv($out, $row, ',', '"', '');
            }
        } finally {
            fclose($out);
        }
    }

    private static function extract(string $path, string $file, string $to, int $most): int
    {
        $zip = new ZipArchive();
        $stream = $zip->open($path, ZipArchive::RDONLY) === true ? $zip->getStream($file) : false;
        if ($stream === false) {
            throw NotATable::because("“{$file}” in the archive cannot be unpacked.", 'Upload it separately.');
        }
        $bytes = Packed::copied($stream, $to, $most, 'archive');
        $zip->close();

        return $bytes;
    }

    private static function discard(string $copy): void
    {
        if (is_file($copy)) {
            unlink($copy);
        }
    }
}
