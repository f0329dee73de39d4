<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Data\Conversion;
use DuskRail\Data\ScaleShift;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Factors between units (SI Brochure, 9th edition, 2019, tables 4, 7 and 8), and values sent in another one. */
final class ConversionTest extends TestCase
{
    #[TestWith(['m³/d', 'Ml/d', 0.001])]
    #[TestWith(['Ml/d', 'm3 per day', 1000.0])]
    #[TestWith(['MWh', 'GWh', 0.001])]
    #[TestWith(['TWh', 'MWh', 1e6])]
    #[TestWith(['thousand people', 'persons', 1000.0])]
    #[TestWith(['k€', '€ m', null])]
    #[TestWith(['k€', '€m', 0.001])]
    #[TestWith(['min', 'hours', 1 / 60])]
    #[TestWith(['minutes', 's', 60.0])]
    #[TestWith(['ha', 'km²', 0.01])]
    #[TestWith(['kg', 'tonnes', 0.001])]
    #[TestWith(['km', 'm', 1000.0])]
    #[TestWith(['litres per person per day', 'l/person/d', 1.0])]
    #[TestWith(['ml', 'Ml', null])]
    #[TestWith(['m³ per day', 'Ml per month', null])]
    #[TestWith(['€', '$', null])]
    #[TestWith(['Ml', 'GWh', null])]
    public function testAFactorIsKnownWhereTheUnitsAreOfOneKind(string $from, string $to, ?float $factor): void
    {
        $found = Conversion::factor($from, $to);
        $factor === null ? self::assertNull($found) : self::assertEqualsWithDelta($factor, $found, 1e-12 * $factor);
        if ($factor !== null) {
            self::assertEqualsWithDelta(1 / $factor, Conversion::factor($to, $from), 1e-12 / $factor);
        }
    }

    /** Values of one period say any power of ten; those of the next only usual ones, and none where they differ. */
    public function testAnotherSizeIsToldByNearlyAllValues(): void
    {
        mt_srand(5);
        for ($round = 0; $round < 200; $round++) {
            $power = mt_rand(-6, 6);
            $same = $next = [];
            for ($i = 0; $i < 10; $i++) {
                $value = mt_rand(100, 9999) / 10;
                $same[] = [$value, $value * 10.0 ** $power * (1 + mt_rand(-3, 3) / 100)];
                $next[] = [$value, $value * 10.0 ** $power * (1 + mt_rand(-30, 30) / 100)];
            }
            $factor = 10.0 ** -$power;
            self::assertSame($factor, ScaleShift::factor($same, $next, false), "power {$power}");
            $isUsual = abs($power) % 3 === 0;
            self::assertSame($isUsual ? $factor : 1.0, ScaleShift::factor([], $next, false), "next, power {$power}");
            self::assertSame($isUsual || $power === -2 ? $factor : 1.0, ScaleShift::factor([], $next, true));
            // Three of ten that say something else leave nothing to say, two do not.
            foreach ([1, 2, 3] as $others) {
                $mixed = [...array_fill(0, $others, [7.0, 7.0]), ...array_slice($same, $others)];
                $expected = $others < 3 ? $factor : 1.0;
                self::assertSame($expected, ScaleShift::factor($mixed, [], false), "{$others}, power {$power}");
            }
        }
        self::assertSame(1.0, ScaleShift::factor([[1.0, 1000.0], [2.0, 2000.0]], [], false));
    }
}
