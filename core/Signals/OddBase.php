<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Outcome\Comparison;
use DuskRail\Statistics\Quantile;
use DuskRail\Time\PeriodRange;

/**
 * A line whose base was freakish: over 8 % to the same side of both the two stretches before it and the two after it,
 * and over four times as far as the lines usually are (common practice, no source). Its index misleads ever after.
 *
 * Both sides must agree, or an ordinary year beside a freakish one would be taken for freakish itself.
 */
final class OddBase implements Signal
{
    private const FAR = 0.08;

    public function notice(Comparison $comparison): ?Notice
    {
        $index = IndexAtEnd::in($comparison);
        if ($index === null) {
            return null;
        }
        $then = $index->means($index->base);
        [$before, $after] = [self::beside($index, -1), self::beside($index, 1)];
        $away = $shares = [];
        foreach ($comparison->present() as $line) {
            $base = $then[$line->key];
            $sides = [$base / ($before[$line->key] ?: NAN) - 1.0, $base / ($after[$line->key] ?: NAN) - 1.0];
            if (!is_nan($sides[0]) && !is_nan($sides[1])) {
                // As far as from the nearer of the two sides, if it is to the same side of both.
                $away[$line->name] = $sides[0] * $sides[1] <= 0.0 ? 0.0 : min(abs($sides[0]), abs($sides[1]));
                $shares[$line->name] = $base / (($before[$line->key] + $after[$line->key]) / 2) - 1.0;
            }
        }
        $length = $index->base->count();
        $earlier = PeriodRange::between($index->base->first->plus(-$length), $index->base->last->plus(-$length));
        $usual = Quantile::of(array_values($away), 0.5);
        $odd = array_filter($away, static fn(float $far): bool => $far > self::FAR && $far > 4 * $usual);
        if ($odd === [] || count($odd) * 3 > count($away)) {
            return null;
        }
        $odd = array_intersect_key($shares, $odd);
        uasort($odd, static fn(float $a, float $b): int => abs($b) <=> abs($a));
        $name = (string) array_key_first($odd);
        $percent = round(abs($odd[$name]) * 100);
        $others = count($odd) > 1 ? ' (and ' . (count($odd) - 1) . ' more)' : '';

        return Notice::saying(
            "odd-base-{$index->base->code()}",
            "{$index->base->label()} is an unusual base for {$name}{$others}: {$percent} % " .
                ($odd[$name] > 0 ? 'above' : 'below') .
                ' the periods before and after. Its index is misleading.',
            implode(
                ', ',
                array_map(
                    static fn(string $n, float $s): string => sprintf('%s %+.0f %%', $n, $s * 100),
                    array_map(strval(...), array_keys($odd)),
                    $odd,
                ),
            ),
        )->withRemedy("Use {$earlier->label()}", 'change-stop', [
            'id' => $index->stop,
            'settings' => ['base' => IndexAtEnd::code($earlier)],
        ]);
    }

    /**
     * The mean of each line over the two stretches before or after the base, or over the one that the data reach.
     *
     * @param -1|1 $side
     * @return array<string, float>
     */
    private static function beside(IndexAtEnd $index, int $side): array
    {
        $length = $index->base->count();
        $stretch = static fn(int $by): PeriodRange => PeriodRange::between(
            $index->base->first->plus($side * $by * $length),
            $index->base->last->plus($side * $by * $length),
        );
        [$near, $far] = [$index->means($stretch(1)), $index->means($stretch(2))];
        $means = [];
        foreach ($near as $key => $mean) {
            $means[$key] = is_nan($far[$key]) ? $mean : (is_nan($mean) ? $far[$key] : ($mean + $far[$key]) / 2);
        }

        return $means;
    }
}
