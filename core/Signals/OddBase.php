<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Statistics\Quantile;
use DuskRail\Study\Comparison;
use DuskRail\Time\PeriodRange;

/**
 * A line whose base was freakish: over 8 % from the mean of the stretches before and after it, and over four times as
 * far as the lines usually are (common practice, no source). Its index misleads ever after.
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
        $length = $index->base->count();
        $before = PeriodRange::between($index->base->first->plus(-$length), $index->base->last->plus(-$length));
        $after = PeriodRange::between($index->base->first->plus($length), $index->base->last->plus($length));
        [$earlier, $then, $later] = [$index->means($before), $index->means($index->base), $index->means($after)];
        $away = [];
        foreach ($comparison->present() as $line) {
            $neighbours = ($earlier[$line->key] + $later[$line->key]) / 2;
            $share = $neighbours > 0.0 ? $then[$line->key] / $neighbours - 1.0 : NAN;
            if (! is_nan($share)) {
                $away[$line->name] = $share;
            }
        }
        $usual = Quantile::of(array_values(array_map(abs(...), $away)), 0.5);
        $odd = array_filter($away, static fn(float $share): bool => abs($share) > self::FAR && abs($share) > 4 * $usual);
        if ($odd === [] || count($odd) * 3 > count($away)) {
            return null;
        }
        uasort($odd, static fn(float $a, float $b): int => abs($b) <=> abs($a));
        $name = (string) array_key_first($odd);
        $percent = round(abs($odd[$name]) * 100);
        $others = count($odd) > 1 ? ' (and '.(count($odd) - 1).' more)' : '';

        return Notice::saying(
            "odd-base-{$index->base->code()}",
            "{$index->base->label()} was no ordinary base for {$name}{$others}: {$percent} % ".($odd[$name] > 0 ? 'above' : 'below').' the time before and after, so its index misleads.',
            implode(', ', array_map(static fn(string $n, float $s): string => sprintf('%s %+.0f %%', $n, $s * 100), array_map(strval(...), array_keys($odd)), $odd)),
        )->mendedBy("Use {$before->label()}", 'change-stop', ['id' => $index->stop, 'settings' => ['base' => IndexAtEnd::code($before)]]);
    }
}
