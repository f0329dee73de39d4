<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Data\MeasureKind;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Composition;
use DuskRail\Statistics\Ends;

/**
 * A ratio has risen although it fell in every category or member that it is of, or the other way round: what changed is
 * how much each counts (Simpson 1951).
 */
final class AgainstAllParts implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        $isRatio = $comparison->run->origin->kind === MeasureKind::Rate || $comparison->isPooledByWeight();
        if (!$isRatio || $comparison->run->table()->nature->isRelative() || !$comparison->hasOneNow()) {
            return null;
        }
        foreach ($comparison->focus() as $line) {
            foreach (Composition::of($comparison, $line) as $parts) {
                if ($parts->isReversed($comparison)) {
                    return $this->said($comparison, $parts);
                }
            }
        }

        return null;
    }

    private function said(Comparison $comparison, Composition $parts): Notice
    {
        $whole = $parts->whole->ends($comparison->from, $comparison->season());
        [$did, $others] = $whole->change() > 0.0 ? ['risen', 'fallen'] : ['fallen', 'risen'];
        $what = $parts->of === '' ? 'members' : 'categories of ' . $parts->of;
        $text = static fn(string $name, Ends $ends): string => "{$name} from {$comparison->format($ends->first)} to " .
            $comparison->format($ends->last);
        $detail = [$text($parts->whole->name, $whole)];
        foreach ($parts->ends as $name => $ends) {
            $detail[] = $text((string) $name, $ends);
        }
        $notice = Notice::saying(
            'against-all-' . hash('crc32b', "{$parts->whole->key} {$parts->of}"),
            "{$parts->whole->name} has {$did} over the time shown, though each of its " .
                count($parts->ends) .
                " {$what} has {$others}: how much each counts has changed.",
            implode('; ', $detail) . '.',
        );

        return $parts->breakdown === '' || $comparison->brokenDown() !== null
            ? $notice->withRemedy('Show rate and mix', 'view', ['view' => 'contributions'])
            : $notice->withRemedy('Show the categories', 'breakdown', [
                'breakdown' => $parts->breakdown,
                'choice' => 'lines',
            ]);
    }
}
