<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Status;

/**
 * A value with what else is in its cell: a unit, a mark that says how sure it is, a footnote, a sign at its end.
 */
final readonly class Figure
{
    /** Flags beside values, one letter or two; an `s` or a `d` may as well be a unit. */
    private const FLAGS = 'b[depsu]?|c|d[pu]?|e[bp]?|f|i|p[er]?|r|s|u|z';

    private const MARK =
        '/^(.*[\d)%\]\p{L}])(?:\s*\((prov\.?|est\.?|\d{1,2}|[a-d]|' .
        self::FLAGS .
        ')\)|\s*\[(\w{1,2})\]|(?:\s*((?:(?<![mtdn])[²³]|[*†‡§¹⁰⁴-⁹])+)|(?<=\d)\s+(?:\d{1,2})\))|(?<=[\d%])(' .
        self::FLAGS .
        ')|\s+(' .
        self::FLAGS .
        '))$/iu';

    /** A letter that is in the place of a value, beside a mark for none or alone. */
    private const NONE = '/^(?:(?::|\.{1,3}|…|-|–|—|n\/?a)\s*)?[(\[]?(c|z|u|x|m|q|d|na|\*)[)\]]?$/iu';

    private const HOURS =
        '/^([-−]?)(\d{1,4}) ?h(?:rs?|ours?)?\.? ?([0-5]?\d) ?m(?:in(?:s|utes?)?)?\.?(?: ?([0-5]?\d) ?s(?:ec)?\.?)?$/iu';

    private const MINUTES = '/^([-−]?)(\d{1,4}) ?m(?:in(?:s|utes?)?)?\.? ?([0-5]?\d) ?s(?:ec(?:s|onds?)?)?\.?$/iu';

    /** In the place of a letter: single letters multiply, as others of the column do. */
    private const MULTIPLIES = '×';

    /** In the place of a letter: a number with one letter is a duration, as others of the column are. */
    private const DURATIONS = 'h:m';

    /** In the place of a letter: minutes and seconds, with hours before them once an hour is over, all in minutes. */
    private const STOPWATCH = 'm:s';

    private const WITH_HOURS = '/^[-−]?\d{1,4}:[0-5]\d:[0-5]\d(?:\.\d+)?$/u';

    private function __construct(public float $value, public Status $status, public string $unit) {}

    /**
     * @param string $letter after values that is their unit, where it could be taken for a flag; or `×`, as letterOf()
     *     gives it
     * @return self|null null where the cell is no value
     */
    public static function read(NumberNotation $notation, string $text, string $letter = ''): ?self
    {
        $plain = $notation->read($text);
        if ($plain !== null) {
            return new self($plain, Status::Measured, '');
        }
        $text = trim($text);
        if (preg_match(self::NONE, $text, $m) === 1) {
            return new self(NAN, $m[1] === '*' ? Status::Confidential : Status::fromMark($m[1]), '');
        }
        $hidden = NotShown::statusOf($text);
        if ($hidden !== null) {
            return new self(NAN, $hidden, '');
        }

        return self::duration($text, $letter) ??
            (self::partOfDuration($notation, $text, $letter) ?? self::amount($notation, $text, $letter));
    }

    /** `01:35:00` and `1h 35m` in hours, `6:42` and `6 min 42 s` in minutes; null where it is none. */
    private static function duration(string $text, string $letter): ?self
    {
        $m = [];
        $unit = match (true) {
            preg_match('/^([-−]?)(\d{1,4}):([0-5]\d)(?::([0-5]\d(?:\.\d+)?))?$/u', $text, $m) === 1 => isset($m[4])
                ? 'h'
                : 'min',
            preg_match(self::HOURS, $text, $m) === 1 => 'h',
            preg_match(self::MINUTES, $text, $m) === 1 => 'min',
            default => null,
        };
        if ($unit === null) {
            return null;
        }
        $value = (float) $m[2] + (float) $m[3] / 60.0 + (float) ($m[4] ?? '0') / 3600.0;
        if ($letter === self::STOPWATCH && $unit === 'h') {
            [$value, $unit] = [60.0 * $value, 'min'];
        }

        return new self($m[1] === '' ? $value : -$value, Status::Measured, $unit);
    }

    /** `55m` and `2h` in a column of durations in hours and minutes. */
    private static function partOfDuration(NumberNotation $notation, string $text, string $letter): ?self
    {
        $unit = '/^(.*\d)\s*(?:(h(?:rs?|ours?)?)|m(?:in(?:s|utes?)?)?)\.?$/iu';
        if ($letter !== self::DURATIONS || preg_match($unit, $text, $m) !== 1) {
            return null;
        }
        $value = $notation->read($m[1]);

        return $value === null ? null : new self(isset($m[2]) ? $value : $value / 60.0, Status::Measured, 'h');
    }

    private static function amount(NumberNotation $notation, string $text, string $letter): ?self
    {
        $money = '';
        if (preg_match('/^([-+−–]?\(?)\s*([€$£¥₹])\s*(.+)$/u', $text, $m) === 1) {
            [$text, $money] = [$m[1] . $m[3], $m[2]];
        }
        $besideOthers = $letter === self::MULTIPLIES;
        // What multiplies could be taken for a flag; without money a flag has a space before it.
        $isFactor =
            ($money !== '' && preg_match('/\d\s*[bmt]\)?$/i', $text) === 1) ||
            ($besideOthers && preg_match('/\d[bm]\)?$/i', $text) === 1);
        [$text, $status] = $isFactor ? [$text, Status::Measured] : self::withoutMarks($text, $letter);
        [$text, $after] = self::parted($text);
        [$factor, $unit] = Multiplier::in($after, $money !== '', $besideOthers);
        $value = self::signed($notation, $text);
        // Two words are a unit only where the first multiplies.
        $isUnit = $factor !== 1.0 || !str_contains($unit, ' ');
        if ($value === null || !$isUnit || (is_nan($value) && $money . $after !== '')) {
            return null;
        }

        return new self($value * $factor, $status, trim("{$money} {$unit}"));
    }

    /** @return array{string, string} a number and what is after it: one word, or two */
    private static function parted(string $text): array
    {
        $word = '[\p{L}°€$£¥‰%][\p{L}°²³\/€$£%.]{0,11}';

        return preg_match(
            "/^(\\(?[-+−–]?\\d[\\d.,'’\\s\\x{00A0}\\x{202F}]*)(\\)?)\\s*({$word}(?: {$word})?)(\\)?)$/u",
            $text,
            $m,
        ) === 1 && preg_match('/^(th|st|nd|rd|x)$/i', $m[3]) !== 1
            ? [trim($m[1]) . $m[2] . $m[4], $m[3]]
            : [$text, ''];
    }

    /** A number that may be in brackets, or have its minus at the end. */
    private static function signed(NumberNotation $notation, string $text): ?float
    {
        return match (true) {
            preg_match('/^\(\s*([^()+−-]+)\s*\)$/u', $text, $m) === 1 => self::negative($notation->read($m[1])),
            preg_match('/^([^-+−]+?)\s*[-−]$/u', $text, $m) === 1 => self::negative($notation->read($m[1])),
            default => $notation->read($text),
        };
    }

    /** @return array{string, Status} what is before marks and flags, and what those say */
    private static function withoutMarks(string $text, string $letter): array
    {
        $status = Status::Measured;
        while (preg_match(self::MARK, $text, $m, PREG_UNMATCHED_AS_NULL) === 1) {
            $mark = $m[2] ?? ($m[3] ?? ($m[5] ?? ($m[6] ?? '')));
            if ($letter !== '' && mb_strtolower($mark) === $letter && ($m[2] ?? $m[3]) === null) {
                break;
            }
            $found = self::status($mark);
            $status = $found === Status::Measured ? $status : $found;
            $text = rtrim((string) $m[1]);
        }

        return [$text, $status];
    }

    /** Of two flags the one that says that the value may change. */
    private static function status(string $mark): Status
    {
        $whole = Status::fromMark($mark);
        $first = Status::fromMark(substr($mark, 0, 1));
        $second = Status::fromMark(substr($mark, 1, 1));

        return match (true) {
            $whole !== Status::Measured || strlen($mark) !== 2 || ctype_digit($mark) => $whole,
            $second->isOpen() => $second,
            default => $first,
        };
    }

    /**
     * The letter that is after nearly all values and is then their unit: `8.25 s` in every cell is seconds; `×` where
     * values have letters that multiply, `h:m` where some are in hours and minutes, `m:s` where some have hours before
     * minutes and seconds and others do not.
     *
     * @param list<string> $texts
     */
    public static function letterOf(array $texts): string
    {
        $letters = [];
        $figures = 0;
        if (preg_grep(self::HOURS, $texts) !== []) {
            return self::DURATIONS;
        }
        if (preg_grep(self::WITH_HOURS, $texts) !== [] && preg_grep('/^[-−]?\d{1,4}:[0-5]\d$/u', $texts) !== []) {
            return self::STOPWATCH;
        }
        foreach ($texts as $text) {
            $figures += preg_match('/\d/', $text);
            if (preg_match('/\d\s*(\p{L}{1,8}\.?)$/u', trim($text), $m) === 1 && Multiplier::isOne($m[1])) {
                return self::MULTIPLIES;
            }
            if (preg_match('/\d\s*([a-z])$/i', trim($text), $m) === 1) {
                $letters[] = mb_strtolower($m[1]);
            }
        }
        $counts = array_count_values($letters);
        arsort($counts);
        $letter = (string) array_key_first($counts);

        return $figures > 0 && ($counts[$letter] ?? 0) >= 0.8 * $figures ? $letter : '';
    }

    private static function negative(?float $value): ?float
    {
        return $value === null ? null : -$value;
    }
}
