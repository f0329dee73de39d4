<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Reading\Dialect;
use DuskRail\Reading\NotATable;
use DuskRail\Reading\Sample;

/** A CSV or TSV file (RFC 4180, with the liberties that files take), read row by row. */
final readonly class DelimitedFile
{
    private const SAMPLE_BYTES = 1_100_000;

    private function __construct(private string $path, public Dialect $dialect) {}

    /** @throws NotATable */
    public static function open(string $path): self
    {
        return new self($path, Dialect::detect((string) file_get_contents($path, false, null, 0, self::SAMPLE_BYTES)));
    }

    public static function with(string $path, Dialect $dialect): self
    {
        return new self($path, $dialect);
    }

    /** @return iterable<int, list<string>> by row number from 0; an empty line is a row with one empty cell */
    public function rows(): iterable
    {
        $file = fopen($this->path, 'rb');
        if ($file === false) {
            throw NotATable::because('The file can no longer be opened.', 'Bring it again.');
        }
        try {
            fseek($file, $this->dialect->skip);
            if ($this->dialect->encoding !== 'UTF-8') {
                stream_filter_append($file, 'convert.iconv.'.str_replace('Windows-1252', 'CP1252', $this->dialect->encoding).'/UTF-8', STREAM_FILTER_READ);
            }
            $number = 0;
            while (($row = fgetcsv($file, null, $this->dialect->delimiter, '"', '')) !== false) {
                /** @var list<string> $row an empty line comes as [null], any other without nulls */
                $row = $row === [null] ? [''] : $row;
                yield $number++ => $row;
            }
        } finally {
            fclose($file);
        }
    }

    /**
     * @return array{Sample, bool} the first rows, and whether they are all there are
     */
    public function sample(string $fileName, int $most): array
    {
        $rows = [];
        $whole = true;
        foreach ($this->rows() as $row) {
            if (count($rows) >= $most) {
                $whole = false;
                break;
            }
            $rows[] = $row;
        }

        return [new Sample($rows, $fileName, $this->dialect->delimiter), $whole];
    }
}
