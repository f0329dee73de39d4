<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Status;

/**
 * What a cell holds in the place of a value that an office does not show: a bound (`<5`), a range (`1-4`), a word or a
 * notation key (`SUPP`, `NE`). Keys of emission inventories are those of the UNFCCC reporting guidelines, from memory;
 * the others are common practice, no source.
 */
final class NotShown
{
    private const BOUND =
        '/^(?:<|>|≤|≥|<=|>=|&lt;|&gt;|less than|fewer than|under|over|more than|up to|below|above|bis|unter|über)' .
        '\s*\d[\d.,]*\s*%?$/iu';

    private const RANGE = '/^(\d[\d.,]*)\s*(?:-|–|—|\.\.|to|bis|à)\s*((?:0[.,]|[1-9])[\d.,]*)\s*%?$/iu';

    private const WORDS = [
        'supp' => Status::Confidential,
        'suppr' => Status::Confidential,
        'suppressed' => Status::Confidential,
        'redacted' => Status::Confidential,
        'withheld' => Status::Confidential,
        'confidential' => Status::Confidential,
        'conf' => Status::Confidential,
        'not shown' => Status::Confidential,
        'dnr' => Status::Unavailable,
        'not reported' => Status::Unavailable,
        'not collected' => Status::Unavailable,
        'no data' => Status::Unavailable,
        'nodata' => Status::Unavailable,
        'tbc' => Status::Unavailable,
        'tba' => Status::Unavailable,
        'pending' => Status::Unavailable,
        'ne' => Status::Unavailable,
        'ie' => Status::Unavailable,
        'no' => Status::Inapplicable,
        'n/m' => Status::Inapplicable,
        'n.m.' => Status::Inapplicable,
        'nm' => Status::Inapplicable,
        'not meaningful' => Status::Inapplicable,
        'not applicable' => Status::Inapplicable,
    ];

    /** Why a cell has no number; null where it says nothing of the kind. */
    public static function statusOf(string $text): ?Status
    {
        $text = trim($text);
        $word = mb_strtolower(trim($text, "[]() \u{00A0}"));

        return match (true) {
            isset(self::WORDS[$word]) => self::WORDS[$word],
            strlen($text) > 40 => null,
            preg_match(self::BOUND, $text) === 1, self::isRange($text) => Status::Confidential,
            default => null,
        };
    }

    /** From a number to a larger one; two of years are a period. */
    private static function isRange(string $text): bool
    {
        if (preg_match(self::RANGE, $text, $m) !== 1 || preg_match('/^(1[5-9]|2[0-2])\d\d$/', $m[1]) === 1) {
            return false;
        }
        $plain = static fn(string $t): string => (string) preg_replace('/[.,](?=\d{3}\b)/', '', $t);

        return (float) strtr($plain($m[2]), ',', '.') > (float) strtr($plain($m[1]), ',', '.');
    }
}
