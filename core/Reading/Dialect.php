<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Numerals;

/**
 * How a text table is written down: its encoding and what parts its cells. Detected from the first bytes of the file.
 */
final readonly class Dialect
{
    public const DELIMITERS = [',' => 'comma', ';' => 'semicolon', "\t" => 'tab', '|' => 'bar'];

    public const ENCODINGS = [
        ...['UTF-8', 'Windows-1252', 'Windows-1250', 'Windows-1251', 'Windows-1253', 'Windows-1254', 'KOI8-R'],
        ...['Mac Roman', 'UTF-16LE', 'UTF-16BE'],
    ];

    /**
     * Signatures of files that are sometimes renamed to .csv (from memory; each is the format's own published magic
     * number).
     */
    private const SIGNATURES = [
        "\x89PNG" => 'a PNG image',
        "\xFF\xD8\xFF" => 'a JPEG image',
        'GIF8' => 'a GIF image',
        '%PDF' => 'a PDF',
        "PK\x03\x04" => 'a zip archive or a spreadsheet file',
        "\xD0\xCF\x11\xE0" => 'an old spreadsheet or document',
        "\x1F\x8B" => 'a gzip archive',
    ];

    private const LONGEST_LINE = 1_000_000;

    private function __construct(public string $encoding, public string $delimiter, public int $skip) {}

    public static function of(string $encoding, string $delimiter, int $skip = 0): self
    {
        return new self($encoding, $delimiter, $skip);
    }

    /**
     * @param string $sample the first bytes of the file; a megabyte and a little shows a line that is too long
     *
     * @throws NotATable
     */
    public static function detect(string $sample): self
    {
        [$encoding, $skip] = self::encoding($sample);
        $body = substr($sample, $skip);
        if (trim($body, " \t\r\n\0") === '' && !str_contains($body, "\0")) {
            throw NotATable::empty();
        }
        foreach (self::SIGNATURES as $signature => $what) {
            if (str_starts_with($sample, $signature)) {
                throw NotATable::because(
                    "The file is {$what}, despite its name.",
                    'Save the table as CSV or TSV and upload that.',
                );
            }
        }
        if (!str_starts_with($encoding, 'UTF-16')) {
            $nul = strpos($body, "\0");
            if ($nul !== false) {
                $line = substr_count(substr($body, 0, $nul), "\n") + 1;

                throw NotATable::because(
                    "Line {$line} contains a NUL byte (byte " . Numerals::count($skip + $nul + 1) . ').',
                    'The file is damaged or is not text. Save it as CSV again.',
                );
            }
        }
        $text = self::decoded($body, $encoding);
        if (strlen($text) > self::LONGEST_LINE && strcspn($text, "\r\n") > self::LONGEST_LINE) {
            throw NotATable::because(
                'The first line has over 1,000,000 characters; line breaks may be missing.',
                'Save it as CSV again.',
            );
        }

        return new self($encoding, self::delimiter($text), $skip);
    }

    public static function decoded(string $bytes, string $encoding): string
    {
        return match (true) {
            $encoding === 'UTF-8' => $bytes,
            str_starts_with($encoding, 'UTF-') => (string) mb_convert_encoding($bytes, 'UTF-8', $encoding),
            default => ByteEncoding::decoded($bytes, $encoding),
        };
    }

    /** @return array{string, int} encoding, and bytes of byte order mark before the text */
    private static function encoding(string $sample): array
    {
        return match (true) {
            str_starts_with($sample, "\xEF\xBB\xBF") => ['UTF-8', 3],
            str_starts_with($sample, "\xFF\xFE") => ['UTF-16LE', 2],
            str_starts_with($sample, "\xFE\xFF") => ['UTF-16BE', 2],
            // The sample may end in the middle of a character, which is up to four bytes long.
            mb_check_encoding(self::wholeCharacters($sample), 'UTF-8') => ['UTF-8', 0],
            default => [ByteEncoding::of($sample), 0],
        };
    }

    private static function wholeCharacters(string $sample): string
    {
        for ($cut = 1; $cut <= 4 && $cut < strlen($sample); $cut++) {
            $byte = ord($sample[strlen($sample) - $cut]);
            if ($byte >= 0xc0) {
                return substr($sample, 0, -$cut);
            }
            if ($byte < 0x80) {
                break;
            }
        }

        return $sample;
    }

    /** The mark that cuts the first lines into the same number of cells, and into most of them. */
    private static function delimiter(string $text): string
    {
        $lines = array_slice(preg_split('/\r\n|\n|\r/', substr($text, 0, 65_536)) ?: [], 0, 60);
        $lines = array_values(array_filter($lines, static fn(string $line): bool => trim($line) !== ''));
        $best = ',';
        $most = 0.0;
        foreach (array_keys(self::DELIMITERS) as $delimiter) {
            $widths = array_map(static fn(string $line): int => count(str_getcsv($line, $delimiter, '"', '')), $lines);
            $counts = array_count_values($widths);
            arsort($counts);
            $width = (int) array_key_first($counts);
            $score = $width < 2 ? 0.0 : ($counts[$width] / count($lines)) * (1.0 + log($width));
            // Texts and numbers hold commas; a tab is hardly ever anything else than a mark.
            $score *= match ($delimiter) {
                "\t" => 1.3,
                ';' => 1.01,
                default => 1.0,
            };
            if ($score > $most) {
                [$best, $most] = [$delimiter, $score];
            }
        }

        return $best;
    }
}
