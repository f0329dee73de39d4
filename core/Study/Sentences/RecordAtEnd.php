<?php

declare(strict_types=1);

namespace DuskRail\Study\Sentences;

use DuskRail\Study\Comparison;

/** That the newest value of a line in focus is its lowest or highest, of all or since a while ago. */
final class RecordAtEnd implements Teller
{
    public function claims(Comparison $comparison): array
    {
        $claims = [];
        $long = max(6, 2 * ($comparison->axis->frequency->perYear() ?? 6));
        foreach ($comparison->focus() as $line) {
            $first = $line->first($comparison->from);
            if ($first === null || $line->last === null || $line->last - $first < $long) {
                continue;
            }
            foreach (['lowest' => -1, 'highest' => 1] as $what => $way) {
                $since = $line->last;
                $tied = false;
                for ($i = $line->last - 1; $i >= $first; $i--) {
                    $step = is_nan($line->values[$i]) ? $way : $line->latest() <=> $line->values[$i];
                    if ($step !== $way) {
                        $tied = $step === 0;
                        break;
                    }
                    $since = $i;
                }
                if ($line->last - $since < $long) {
                    continue;
                }
                $all = $since === $first;
                $beaten = $all ? null : $since - 1;
                $claims[] = Claim::of(
                    "{$line->name} is at its {$what} since ".$comparison->axis->period($beaten ?? $first)->label().($all ? ', when the figures begin' : ''),
                    ($all ? 0.5 : 0.25) + min(0.2, ($line->last - $since) / 600),
                    "{$comparison->axis->period($line->last)->label()}: {$comparison->format($line->latest())}".($beaten === null ? ', '.($way < 0 ? 'below' : 'above').' every value before.' : "; {$comparison->axis->period($beaten)->label()}: {$comparison->format($line->values[$beaten])}".($tied ? ', the same.' : '.')),
                );
            }
        }

        return $claims;
    }
}
