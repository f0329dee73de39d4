<?php

declare(strict_types=1);

namespace App\View;

use DuskRail\Data\Benchmark;

/** What an entity can be as a benchmark, to choose from. */
final class Benchmarks
{
    /** @return array<string, string> words by value */
    public static function choices(): array
    {
        $choices = ['' => 'none: it is compared'];
        foreach (Benchmark::cases() as $benchmark) {
            $choices[$benchmark->value] = $benchmark->label();
        }

        return $choices;
    }
}
