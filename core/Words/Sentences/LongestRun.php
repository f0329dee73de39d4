<?php

declare(strict_types=1);

namespace DuskRail\Words\Sentences;

use DuskRail\Data\Better;
use DuskRail\Outcome\Comparison;

/** For how many periods in a row a line in focus has only risen or only fallen, up to its latest value. */
final class LongestRun implements ClaimFinder
{
    private const SHORTEST = 4;

    public function claims(Comparison $comparison): array
    {
        $claims = [];
        foreach ($comparison->focus() as $line) {
            $run = 0;
            $way = 0;
            for ($i = (int) $line->current; $line->current !== null && $i > $comparison->from; $i--) {
                $step = is_nan($line->values[$i - 1]) ? 0 : $line->values[$i] <=> $line->values[$i - 1];
                if ($step === 0 || ($way !== 0 && $step !== $way)) {
                    break;
                }
                $way = $step;
                $run++;
            }
            if ($run < self::SHORTEST || $line->current === null) {
                continue;
            }
            $noun =
                $comparison->axis->frequency->noun() === 'number'
                    ? 'periods'
                    : "{$comparison->axis->frequency->noun()}s";
            $start = $line->current - $run;
            $isPlace = $comparison->run->table()->nature->isPlace();
            $gains = $way < 0 === ($comparison->better() === Better::Lower);
            $verb = $isPlace ? ($gains ? 'gained ranks' : 'lost ranks') : ($way < 0 ? 'fallen' : 'risen');
            $claims[] = Claim::of(
                "{$line->name} has {$verb} for {$run} {$noun} in a row",
                0.25 + min(0.5, $run / 24),
                "{$comparison->axis->period($start)->label()}: {$comparison->format(
                    $line->values[$start],
                )}; {$comparison->axis->period($line->current)->label()}: {$comparison->format(
                    $line->latest(),
                )}; every one between " .
                    ($way < 0 ? 'below' : 'above') .
                    ' the one before.',
            );
        }

        return $claims;
    }
}
