<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Data\Numerals;
use DuskRail\Reading\ByteEncoding;
use DuskRail\Reading\Dialect;
use DuskRail\Reading\LabelledCodes;
use DuskRail\Reading\NotATable;
use DuskRail\Reading\RuledLine;
use DuskRail\Reading\Sample;
use ErrorException;

/** A CSV or TSV file (RFC 4180, with the liberties that files take), read row by row. */
final readonly class DelimitedFile
{
    /** What such files are called, in texts that list what can be brought. */
    public const NAMES = ['CSV', 'TSV'];

    public const ENDINGS = ['csv', 'tsv', 'txt', 'tab'];

    private const SAMPLE_BYTES = 1_100_000;

    /** Bytes that are cut up at a time. */
    private const AT_ONCE = 262_144;

    /** Characters of a row; no table that people read has longer ones. */
    private const LONGEST = 1_000_000;

    /** Rows among which lines are drawn, as one of hyphens under the headings. */
    private const RULED = 60;

    /** Characters that a table is judged by; with the rows they bound what a page needs to show any file. */
    private const SAMPLED = 16_000_000;

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
        $codes = null;
        foreach ($this->written() as $number => $row) {
            $codes = $number === 0 ? LabelledCodes::in($row) : $codes;
            // Lines between the rows are drawn at the beginning, or between bars.
            if (($number < self::RULED || $this->dialect->delimiter === '|') && RuledLine::is($row)) {
                $row = [''];
            }
            yield $number => $codes === null ? $row : $codes->row($number, $row);
        }
    }

    /** @return iterable<int, list<string>> the rows as they are in the file */
    private function written(): iterable
    {
        $file = fopen($this->path, 'rb');
        if ($file === false) {
            throw NotATable::because('The file can no longer be opened.', 'Upload it again.');
        }
        try {
            fseek($file, $this->dialect->skip);
            if ($this->dialect->encoding !== 'UTF-8') {
                stream_filter_append(
                    $file,
                    'convert.iconv.' .
                        (ByteEncoding::ICONV[$this->dialect->encoding] ?? $this->dialect->encoding) .
                        '/UTF-8',
                    STREAM_FILTER_READ,
                );
            }
            // A filtered stream cannot be wound back, so it takes the slow way from the start.
            yield from $this->dialect->encoding === 'UTF-8' ? $this->quick($file) : $this->quoted($file);
        } catch (ErrorException) {
            throw NotATable::because(
                "The file contains bytes that are not text in {$this->dialect->encoding}.",
                'Save it as CSV in UTF-8, and upload it.',
            );
        } finally {
            fclose($file);
        }
    }

    /**
     * Lines without a quotation mark, which most are, only need to be cut up, many at a time; the others are PHP's own
     * fgetcsv's.
     *
     * @param resource $file
     * @return iterable<int, list<string>>
     */
    private function quick($file): iterable
    {
        $number = 0;
        $delimiter = $this->dialect->delimiter ?: ',';
        $rest = '';
        do {
            $read = (string) fread($file, self::AT_ONCE);
            $isEnd = $read === '';
            $read = $rest . $read;
            $end = $isEnd ? strlen($read) : strrpos($read, "\n");
            if ($end === false || $read === '') {
                // The line goes on.
                $rest = $read;
            } elseif (str_contains($read, '"')) {
                $rest = '';
                fseek($file, -strlen($read), SEEK_CUR);
                foreach ($this->marked($file, (int) ftell($file) + $end, $number) as $number => $row) {
                    yield $number => $row;
                }
                $number++;
            } else {
                $rest = $isEnd ? '' : substr($read, $end + 1);
                foreach (explode("\n", substr($read, 0, $end)) as $line) {
                    if (strlen($line) > self::LONGEST) {
                        throw self::tooLong($number);
                    }
                    yield $number++ => explode($delimiter, rtrim($line, "\r"));
                }
            }
            if (strlen($rest) > self::LONGEST) {
                throw self::tooLong($number);
            }
        } while (!$isEnd);
    }

    /**
     * Line by line until a place, some of them with quotation marks.
     *
     * @param resource $file
     * @param int $number of the first of them
     * @return iterable<int, list<string>>
     */
    private function marked($file, int $until, int $number): iterable
    {
        while (ftell($file) <= $until && ($line = fgets($file, self::LONGEST + 2)) !== false) {
            if (strlen($line) > self::LONGEST) {
                throw self::tooLong($number);
            }
            if (!str_contains($line, '"')) {
                yield $number++ => explode($this->dialect->delimiter ?: ',', rtrim($line, "\r\n"));
                continue;
            }
            fseek($file, -strlen($line), SEEK_CUR);
            yield $number++ => $this->quotedRow($file) ?? [''];
        }
    }

    /**
     * @param resource $file
     * @return iterable<int, list<string>>
     */
    private function quoted($file): iterable
    {
        $number = 0;
        while (($row = $this->quotedRow($file)) !== null) {
            if (strlen(implode($row)) > self::LONGEST) {
                throw self::tooLong($number);
            }
            yield $number++ => $row;
        }
    }

    private static function tooLong(int $number): NotATable
    {
        return NotATable::because(
            'Row ' . Numerals::count($number + 1) . ' has over 1,000,000 characters.',
            'A quotation mark may be missing. Correct or delete the row.',
        );
    }

    /**
     * @param resource $file
     * @return list<string>|null
     */
    private function quotedRow($file): ?array
    {
        $row = fgetcsv($file, null, $this->dialect->delimiter, '"', '');

        // An empty line comes as [null].
        return $row === false ? null : array_map(strval(...), $row);
    }

    /**
     * @return array{Sample, bool} the first rows, and whether they are all there are
     */
    public function sample(string $fileName, int $most): array
    {
        $rows = [];
        $whole = true;
        $length = 0;
        foreach ($this->rows() as $row) {
            if (count($rows) >= $most || $length > self::SAMPLED) {
                $whole = false;
                break;
            }
            $rows[] = $row;
            $length += array_sum(array_map(strlen(...), $row));
        }

        return [new Sample($rows, $fileName, $this->dialect->delimiter), $whole];
    }
}
