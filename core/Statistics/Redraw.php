<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Poisson counts drawn again, the same ones every time: few by multiplying uniform numbers (Knuth), many by transformed
 * rejection (Hörmann, 1993, “The transformed rejection method for generating Poisson random variables”, PTRS).
 */
final class Redraw
{
    private const FEW = 12.0;

    private readonly Randomizer $random;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    /** @param float $mean of the counts; 0 or more */
    public function poisson(float $mean): float
    {
        if ($mean < self::FEW) {
            $limit = exp(-$mean);
            $product = $this->uniform();
            for ($count = 0; $product > $limit; $count++) {
                $product *= $this->uniform();
            }

            return (float) $count;
        }
        $root = sqrt($mean);
        $b = 0.931 + 2.53 * $root;
        $a = -0.059 + 0.02483 * $b;
        $inverse = 1.1239 + 1.1328 / ($b - 3.4);
        $quick = 0.9277 - 3.6224 / ($b - 2.0);
        while (true) {
            $u = $this->uniform() - 0.5;
            $v = $this->uniform();
            $us = 0.5 - abs($u);
            $count = floor(((2.0 * $a) / $us + $b) * $u + $mean + 0.43);
            if ($us >= 0.07 && $v <= $quick) {
                return $count;
            }
            if ($count < 0.0 || ($us < 0.013 && $v > $us)) {
                continue;
            }
            $density = -$mean + $count * log($mean) - Incomplete::logGamma($count + 1.0);
            if (log(($v * $inverse) / ($a / ($us * $us) + $b)) <= $density) {
                return $count;
            }
        }
    }

    /** Above 0 and below 1. */
    private function uniform(): float
    {
        return ($this->random->getInt(0, 0x7ffffffe) + 0.5) / 0x7fffffff;
    }
}
