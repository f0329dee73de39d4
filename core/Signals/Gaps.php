<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Document\Parts\LookPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Rail\Stops\Named;

/** Values missing between others. The lines are open there; whoever does not look closely may not see it. */
final class Gaps implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        $gaps = [];
        foreach ($comparison->present() as $line) {
            $missing = self::missing($line, $comparison->from);
            if ($missing > 0) {
                $gaps[$line->name] = $missing;
            }
        }
        if ($gaps === []) {
            return null;
        }
        $names = array_map(strval(...), array_keys($gaps));
        $isJoined = $comparison->study->part(LookPart::class)->gaps === 'hair';

        return Notice::saying(
            'gaps-' . hash('crc32b', implode(',', $names)),
            Named::few($names) .
                (count($names) === 1 ? ' has missing values; its line is' : ' have missing values; their lines are') .
                ($isJoined ? ' joined by a thin dashed line there.' : ' interrupted there.'),
            implode(', ', array_map(static fn(string $n, int $m): string => "{$n}: {$m}", $names, $gaps)),
        )->withRemedy($isJoined ? 'Interrupt them' : 'Join them', 'set', [
            'part' => LookPart::name(),
            'settings' => ['gaps' => $isJoined ? 'open' : 'hair'],
        ]);
    }

    /** How many values are missing between the first and the last of a line; absences that are explained do not count. */
    private static function missing(Line $line, int $from): int
    {
        $last = $line->last ?? -1;
        while ($from <= $last && is_nan($line->values[$from])) {
            $from++;
        }
        // A sum is a number only if none is missing, which is known at once.
        if ($from > $last || !is_nan(array_sum(array_slice($line->values, $from, $last - $from + 1)))) {
            return 0;
        }
        $missing = 0;
        for ($i = $from; $i <= $last; $i++) {
            $missing += is_nan($line->values[$i]) && !isset($line->absent[$i]) ? 1 : 0;
        }

        return $missing;
    }
}
