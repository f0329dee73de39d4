<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Document\Parts\LookPart;
use DuskRail\Outcome\Comparison;

/** Values missing between others. The lines are open there; whoever does not look closely may not see it. */
final class Gaps implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        $gaps = [];
        foreach ($comparison->present() as $line) {
            [$from, $last] = [$comparison->from, $line->last ?? -1];
            while ($from <= $last && is_nan($line->values[$from])) {
                $from++;
            }
            if ($from > $last || !is_nan(array_sum(array_slice($line->values, $from, $last - $from + 1)))) {
                // None is missing, which is known at once.
                continue;
            }
            $missing = 0;
            for ($i = $from; $i <= $last; $i++) {
                $missing += is_nan($line->values[$i]) && !isset($line->absent[$i]) ? 1 : 0;
            }
            if ($missing > 0) {
                $gaps[$line->name] = $missing;
            }
        }
        if ($gaps === []) {
            return null;
        }
        $names = array_map(strval(...), array_keys($gaps));
        $few =
            count($names) > 2
                ? "{$names[0]}, {$names[1]} and " . (count($names) - 2) . ' more'
                : implode(' and ', $names);

        $isJoined = $comparison->study->part(LookPart::class)->gaps === 'hair';

        return Notice::saying(
            'gaps-' . hash('crc32b', implode(',', $names)),
            "{$few} " .
                (count($names) === 1 ? 'has missing values' : 'have missing values') .
                '; ' .
                (count($names) === 1 ? 'its line is' : 'their lines are') .
                ($isJoined ? ' joined by a thin dashed line there.' : ' interrupted there.'),
            implode(', ', array_map(static fn(string $n, int $m): string => "{$n}: {$m}", $names, $gaps)),
        )->withRemedy($isJoined ? 'Interrupt them' : 'Join them', 'set', [
            'part' => LookPart::name(),
            'settings' => ['gaps' => $isJoined ? 'open' : 'hair'],
        ]);
    }
}
