<?php

declare(strict_types=1);

namespace DuskRail\Data;

/**
 * What an office says of one value, or of why there is none. The number is what is stored. Letters are those of the
 * code lists of statistical offices (SDMX observation status and the flags beside values in tables; from memory).
 */
enum Status: int
{
    case Measured = 0;
    case Provisional = 1;
    case Estimated = 2;
    case Break = 3;
    case Forecast = 4;
    case Unreliable = 5;
    case Differs = 6;
    case Revised = 7;
    case Confidential = 8;
    case Inapplicable = 9;
    case Unavailable = 10;

    private const MARKS = [
        'p' => self::Provisional,
        'prov' => self::Provisional,
        'provisional' => self::Provisional,
        'preliminary' => self::Provisional,
        'v' => self::Provisional,
        'unvalidated' => self::Provisional,
        'e' => self::Estimated,
        'est' => self::Estimated,
        'estimate' => self::Estimated,
        'estimated' => self::Estimated,
        'i' => self::Estimated,
        'imputed' => self::Estimated,
        's' => self::Estimated,
        'b' => self::Break,
        'break' => self::Break,
        'f' => self::Forecast,
        'forecast' => self::Forecast,
        'u' => self::Unreliable,
        'unreliable' => self::Unreliable,
        'low reliability' => self::Unreliable,
        'd' => self::Differs,
        'differs' => self::Differs,
        'definition differs' => self::Differs,
        'r' => self::Revised,
        'revised' => self::Revised,
        'c' => self::Confidential,
        'confidential' => self::Confidential,
        'suppressed' => self::Confidential,
        'q' => self::Confidential,
        'z' => self::Inapplicable,
        'not applicable' => self::Inapplicable,
        'inapplicable' => self::Inapplicable,
        'm' => self::Unavailable,
        'o' => self::Unavailable,
        'l' => self::Unavailable,
        'x' => self::Unavailable,
        'missing' => self::Unavailable,
        'not available' => self::Unavailable,
        'unavailable' => self::Unavailable,
    ];

    /** Reads what is beside a value; an unknown or empty mark is a measured value. */
    public static function fromMark(string $mark): self
    {
        return self::MARKS[trim(mb_strtolower($mark), " .()[]\u{00A0}\t")] ?? self::Measured;
    }

    /** Whether letters are known as a mark. */
    public static function isMark(string $letters): bool
    {
        return isset(self::MARKS[mb_strtolower($letters)]);
    }

    /** The letter that stands for it in files; nothing for a plain value. */
    public function mark(): string
    {
        return $this === self::Measured ? '' : (string) array_search($this, self::MARKS, true);
    }

    public function inWords(): string
    {
        return match ($this) {
            self::Break => 'break in series',
            self::Unreliable => 'low reliability',
            self::Differs => 'definition differs',
            self::Inapplicable => 'not applicable',
            self::Unavailable => 'not available',
            default => strtolower($this->name),
        };
    }

    /** Whether a value may still change, so that it is drawn and said as not final. */
    public function isOpen(): bool
    {
        return in_array($this, [self::Provisional, self::Estimated, self::Forecast], true);
    }
}
