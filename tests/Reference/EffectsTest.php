<?php

declare(strict_types=1);

namespace Tests\Reference;

use DuskRail\Statistics\EventPanel;
use PHPUnit\Framework\TestCase;

/** Differences in differences beside R's lm() and clubSandwich; made by make/effects.R. */
final class EffectsTest extends TestCase
{
    public function testEffectErrorAndFreedomAreThoseOfARegressionWithFixedEffects(): void
    {
        $panels = $shapes = [];
        $tried = 0;
        foreach (file(__DIR__ . '/data/effects.csv', FILE_IGNORE_NEW_LINES) ?: [] as $line) {
            $row = explode(',', $line);
            if ($row[0] === 'panel') {
                $shapes[$row[1]] = array_map(intval(...), array_slice($row, 2));
            } elseif ($row[0] === 'values') {
                $panels[$row[1]]["member {$row[2]}"] = array_map(floatval(...), array_slice($row, 3));
            } elseif (in_array($row[0], ['clustered', 'pooled'], true)) {
                [$with, , $before, $after] = $shapes[$row[1]];
                $members = array_slice($panels[$row[1]], 0, $with);
                $panel = new EventPanel(
                    $members,
                    array_fill_keys(array_keys($members), $before),
                    array_slice($panels[$row[1]], $with),
                    1,
                    0,
                    false,
                );
                self::assertSame($before, $after);
                $found = $panel->difference($panel->spans($before));
                self::assertNotNull($found);
                self::assertSame($row[0] === 'pooled', $found->isPooled);
                $own = [$found->effect(), $found->error, $found->freedom, $found->p()];
                foreach ($own as $i => $value) {
                    self::assertEqualsWithDelta(1.0, $value / (float) $row[2 + $i], 1e-7, "{$line}, {$i}");
                }
                $tried++;
            }
        }
        self::assertSame(7, $tried);
    }
}
