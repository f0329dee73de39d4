<?php

declare(strict_types=1);

namespace DuskRail\Data;

/** Finds values that were sent in another unit without a word: all are a power of ten of those that are there. */
final class ScaleShift
{
    /** Pairs that must say so. */
    private const FEWEST = 3;

    /** Share of the pairs that must say the same. */
    private const SHARE = 0.8;

    /** How far, in powers of ten, a value for the same period may be off: revisions are smaller. */
    private const NEAR = 0.02;

    /** The same of a value for the next period. */
    private const NEAR_NEXT = 0.3;

    /**
     * What new values are multiplied by to be of the size of those that are there; 1 where they are.
     *
     * @param list<array{float, float}> $same values of one period, as stored and as sent
     * @param list<array{float, float}> $next the latest stored value, and the one sent after it
     * @param bool $isPercent whether stored values are per cent, which are also sent as shares of one
     */
    public static function factor(array $same, array $next, bool $isPercent): float
    {
        $power = count($same) >= self::FEWEST ? self::power($same, self::NEAR) : null;
        $power ??= $same === [] && count($next) >= self::FEWEST ? self::power($next, self::NEAR_NEXT) : 0;
        // Without the same period to go by, only usual steps are taken for a change of the unit.
        $isUsual = $power === -2 ? $isPercent || $same !== [] : abs($power) % 3 === 0 || $same !== [];

        return $power === 0 || !$isUsual ? 1.0 : 10.0 ** -$power;
    }

    /**
     * The power of ten that nearly all pairs are apart; 0 for none.
     *
     * @param non-empty-list<array{float, float}> $pairs
     */
    private static function power(array $pairs, float $near): int
    {
        $powers = [];
        foreach ($pairs as [$old, $new]) {
            if ($old * $new > 0.0) {
                $apart = log10($new / $old);
                $powers[] = abs($apart - round($apart)) <= $near ? (int) round($apart) : 0;
            }
        }
        $counts = array_count_values($powers);
        arsort($counts);
        $power = (int) array_key_first($counts);

        return $powers !== [] && $counts[$power] >= self::SHARE * count($pairs) ? $power : 0;
    }
}
