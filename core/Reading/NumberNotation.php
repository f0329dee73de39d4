<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Numerals;

/** How a file writes numbers: its decimal mark; anything that marks thousands is then known too. */
enum NumberNotation: string
{
    case Point = 'point';
    case Comma = 'comma';

    /** What files write where there is no value; common practice, no source. */
    private const MISSING = [
        '' => 1,
        '-' => 1,
        '–' => 1,
        '—' => 1,
        '.' => 1,
        '..' => 1,
        '...' => 1,
        '…' => 1,
        ':' => 1,
        'n/a' => 1,
        'na' => 1,
        '#n/a' => 1,
        'nan' => 1,
        'null' => 1,
        'none' => 1,
        'x' => 1,
        '--' => 1,
        '---' => 1,
        '***' => 1,
        '**' => 1,
        '/' => 1,
        '•' => 1,
        'n.a.' => 1,
        'n.a' => 1,
        'n.d.' => 1,
        'n.d' => 1,
        'nd' => 1,
        'n/d' => 1,
        'k.a.' => 1,
        'k. a.' => 1,
        's.o.' => 1,
        'n.v.' => 1,
        '#n/v' => 1,
        'missing' => 1,
        'not available' => 1,
        'unknown' => 1,
    ];

    public function example(): string
    {
        return $this === self::Point ? '1,234.5' : '1.234,5';
    }

    /**
     * The decimal mark that all texts agree with; where both would do, the point, unless cells are parted by semicolons
     * as they are where the comma is the decimal mark.
     *
     * @param list<string> $texts
     */
    public static function detect(array $texts, string $delimiter): self
    {
        $point = $comma = 0;
        foreach ($texts as $text) {
            // What is around the digits, a unit or a mark, says nothing about the decimal mark.
            if (
                preg_match(
                    '/^[-+−–(€$£¥\s]*(\d(?:[\d.,\s\x{00A0}\x{202F}\']*\d)?)[)%]?[\s\p{L}*†‡§¹²³()\[\]°\/%-]{0,14}$/u',
                    trim($text),
                    $m,
                ) !== 1
            ) {
                continue;
            }
            $text = $m[1];
            $point += self::Point->read($text) === null ? 0 : 1;
            $comma += self::Comma->read($text) === null ? 0 : 1;
        }

        return match (true) {
            $comma > $point => self::Comma,
            $point > $comma => self::Point,
            default => $delimiter === ';' && (self::anyHas($texts, ',') || self::areThousands($texts))
                ? self::Comma
                : self::Point,
        };
    }

    /**
     * Whether every point in the texts could part thousands, and some are where no decimals would: all values with
     * three, of more than one length before them.
     *
     * @param list<string> $texts
     */
    private static function areThousands(array $texts): bool
    {
        $lengths = [];
        foreach ($texts as $text) {
            if (str_contains($text, '.')) {
                if (preg_match('/(?<!\d)([1-9]\d{0,2})(?:\.\d{3})+(?!\d)/', $text, $m) !== 1) {
                    return false;
                }
                $lengths[] = $m[1];
            }
        }

        return count($lengths) >= 2;
    }

    public static function isMissing(string $text): bool
    {
        return isset(self::MISSING[strtolower(trim($text))]);
    }

    /** The number, NAN where the cell says that there is none, or null where it is not a number. */
    public function read(string $text): ?float
    {
        // Most cells are plain; what comes after is for the others.
        if ($this === self::Point && is_numeric($text) && strpbrk($text, 'eExX') === false) {
            return self::finite((float) $text);
        }
        $text = Numerals::asciiDigits(trim($text));
        if (self::isMissing($text)) {
            return NAN;
        }

        $mark = $this === self::Point ? '.' : ',';
        // An apostrophe in front makes a spreadsheet take digits for text; a raised point is one of decimals.
        $text = (string) preg_replace(["/^['’](?=[-+−]?\d)/u", '/(?<=\d)·(?=\d)/u'], ['', $mark], $text);

        return $this->grouped(str_replace(['٫', '٬'], [$mark, ''], $text));
    }

    /** A number that may have a sign, groups of three digits, decimals and an exponent; null if it is none. */
    private function grouped(string $text): ?float
    {
        $decimal = $this === self::Point ? '\.' : ',';
        $indian = $this === self::Point ? '|[1-9]\d?(?:,\d{2})+,\d{3}' : '';
        $thousands = $this === self::Point ? "[,'’\\s\\x{00A0}\\x{202F}]" : "[.'’\\s\\x{00A0}\\x{202F}]";
        if (
            preg_match(
                "/^([-+−–]?)([1-9]\\d{0,2}(?:{$thousands}\\d{3})+|\\d+{$indian})?(?:{$decimal}(\\d+))?" .
                    "(?:[eE]([-+]?\\d{1,3}))?$/u",
                $text,
                $m,
            ) !== 1 ||
            ($m[2] ?? '') . ($m[3] ?? '') === ''
        ) {
            return null;
        }
        $number =
            preg_replace('/\D/u', '', $m[2] ?? '') . '.' . ($m[3] ?? '0') . 'e' . (($m[4] ?? '') === '' ? '0' : $m[4]);

        return self::finite((float) (($m[1] === '' || $m[1] === '+' ? '' : '-') . $number));
    }

    /**
     * Whether the texts can be read both ways and come to other numbers: `1.234` is 1234 or a little over one.
     *
     * @param list<string> $texts
     * @return array{string, float, float}|null one of them, read with a decimal point and with a decimal comma; null
     *     where they leave no doubt
     */
    public static function doubt(array $texts): ?array
    {
        $doubtful = null;
        foreach ($texts as $text) {
            [$point, $comma] = [self::Point->read($text), self::Comma->read($text)];
            if (($point === null) !== ($comma === null)) {
                return null;
            }
            if ($point !== null && $comma !== null && !is_nan($point) && $point !== $comma) {
                $doubtful ??= [$text, $point, $comma];
            }
        }

        return $doubtful;
    }

    /** Too large for a number is none; nothing below zero is nothing. */
    private static function finite(float $number): ?float
    {
        return is_finite($number) ? ($number === 0.0 ? 0.0 : $number) : null;
    }

    /** @param list<string> $texts */
    private static function anyHas(array $texts, string $mark): bool
    {
        foreach ($texts as $text) {
            if (str_contains($text, $mark)) {
                return true;
            }
        }

        return false;
    }
}
