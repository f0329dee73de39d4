<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Status;

/**
 * A figure with what else stands in its cell: a unit, a mark that says how sure it is, a footnote, a sign at its end.
 */
final readonly class Figure
{
    private const MARK =
        '/^(.*[\d)%\]\p{L}])(?:\s*\((p|prov|e|est|r|\d{1,2}|[a-d])\)|\s*\[(\w{1,2})\]|' .
        '\s*([*†‡§¹²³⁰⁴-⁹]+)|(?<=\d)([per])|\s+([per]))$/iu';

    private function __construct(public float $value, public Status $status, public string $unit) {}

    /** @return self|null null where the cell is no figure */
    public static function read(NumberNotation $notation, string $text): ?self
    {
        $plain = $notation->read($text);
        if ($plain !== null) {
            return new self($plain, Status::Measured, '');
        }
        $text = trim($text);
        $status = Status::Measured;
        while (preg_match(self::MARK, $text, $m) === 1) {
            $found = Status::fromMark(($m[2] ?? '') . ($m[3] ?? '') . ($m[5] ?? '') . ($m[6] ?? ''));
            $status = $found === Status::Measured ? $status : $found;
            $text = rtrim($m[1]);
        }
        $unit = '';
        if (preg_match('/^(\(?)\s*([€$£¥])\s*(.+)$/u', $text, $m) === 1) {
            [$text, $unit] = [$m[1] . $m[3], $m[2]];
        } elseif (
            preg_match(
                '/^(\(?[-+−]?\d[\d.,\'’\s\x{00A0}\x{202F}]*\)?)\s*([\p{L}°€$£¥‰%][\p{L}°²³\/€$£%.]{0,11})$/u',
                $text,
                $m,
            ) === 1 &&
            preg_match('/^(th|st|nd|rd|x)$/i', $m[2]) !== 1
        ) {
            [$text, $unit] = [trim($m[1]), $m[2]];
        }
        $value = match (true) {
            preg_match('/^\(\s*([^()+−-]+)\s*\)$/u', $text, $m) === 1 => self::negative($notation->read($m[1])),
            preg_match('/^([^-+−]+?)\s*[-−]$/u', $text, $m) === 1 => self::negative($notation->read($m[1])),
            default => $notation->read($text),
        };

        return $value === null || (is_nan($value) && $unit !== '') ? null : new self($value, $status, $unit);
    }

    private static function negative(?float $value): ?float
    {
        return $value === null ? null : -$value;
    }
}
