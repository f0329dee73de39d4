<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Reading\NotATable;

/** A delimited file that is packed with gzip (RFC 1952); bytes are counted as they come, whatever it says of their number. */
final readonly class Gzipped implements TableSource
{
    private const LARGEST = 600_000_000;

    private const BLOCK = 1_000_000;

    private function __construct(private string $path) {}

    public static function names(): array
    {
        return ['GZ'];
    }

    public static function endings(): array
    {
        return ['gz'];
    }

    public static function isOne(string $path): bool
    {
        return str_starts_with((string) file_get_contents($path, false, null, 0, 2), "\x1F\x8B");
    }

    public static function open(string $path): self
    {
        return new self($path);
    }

    public function tables(): array
    {
        return ['The file'];
    }

    public function write(string $table, string $path): void
    {
        $in = gzopen($this->path, 'rb');
        $out = fopen($path, 'wb');
        if ($in === false || $out === false) {
            throw NotATable::because('The file could not be unpacked.', 'Unpack it, and upload what is in it.');
        }
        $bytes = 0;
        try {
            while (!gzeof($in)) {
                $block = gzread($in, self::BLOCK);
                if ($block === false || ($block === '' && $bytes === 0)) {
                    throw NotATable::because('The gzip file is damaged.', 'Download it again, or unpack it first.');
                }
                $bytes += strlen($block);
                if ($bytes > self::LARGEST) {
                    throw NotATable::because(
                        'The file is larger than 600 MB when unpacked.',
                        'Unpack it, and upload parts of it.',
                    );
                }
                fwrite($out, $block);
            }
        } finally {
            gzclose($in);
            fclose($out);
        }
    }
}
