<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Document\Parts\PeersPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Rail\Stops\Named;
use DuskRail\Time\PeriodAxis;
use DuskRail\Views\Views;

/** What stands for the peers is of others at the end than at the beginning, and moves by that. */
final class ChangedPeers implements Signal
{
    /** A smaller part of the level is not worth a word; common practice, no source. */
    private const SEEN = 0.01;

    public function notice(Comparison $comparison): ?Notice
    {
        $part = $comparison->study->part(PeersPart::class);
        $view = Views::of($comparison->study);
        $isDrawn = $view->hasPeers() && $view->lineup($comparison)->axis instanceof PeriodAxis;
        if ($comparison->peerLine === [] || !$isDrawn) {
            return null;
        }
        if ($part->members === 'same') {
            return $comparison->peers->size() === 0 ? self::ofNobody() : null;
        }
        $first = self::first($comparison, $comparison->peerLine);
        $last = Line::lastOf($comparison->peerLine, $comparison->from, $comparison->reference);
        if ($first === null || $last === null || $first >= $last) {
            return null;
        }
        $lacking = self::lacking($comparison, $first, $last);
        if ($lacking === []) {
            return null;
        }
        $study = $comparison->study->withPart($part->with(['members' => 'same']));
        $same = Comparison::of($study, $comparison->data->source());
        [$then, $now] = [$comparison->peerLine[$first], $comparison->peerLine[$last]];
        [$sameThen, $sameNow] = [$same->peerLine[$first] ?? NAN, $same->peerLine[$last] ?? NAN];
        $moved = abs($now - $then - ($sameNow - $sameThen));
        // One alone is no company, and holds nothing against the others.
        if ($same->peers->size() < 2 || is_nan($moved) || $moved < self::SEEN * max(abs($then), abs($sameThen))) {
            return null;
        }
        $text = $comparison->format(...);

        return Notice::saying(
            "changed-peers-{$first}-{$last}",
            "{$comparison->peerLineName()}: " .
                implode(', ', $lacking) .
                ". Of the {$same->peers->size()} with a value throughout it went from {$text($sameThen)} to " .
                "{$text($sameNow)}, not from {$text($then)} to {$text($now)}.",
        )->withRemedy('Keep the same peers', 'set', ['part' => 'peers', 'settings' => ['members' => 'same']]);
    }

    /** @param list<float> $values */
    private static function first(Comparison $comparison, array $values): ?int
    {
        for ($i = $comparison->from; $i <= $comparison->reference; $i++) {
            if (!is_nan($values[$i] ?? NAN)) {
                return $i;
            }
        }

        return null;
    }

    /** @return list<string> without whom it is at either end, who is part of it at the other; none if of the same */
    private static function lacking(Comparison $comparison, int $first, int $last): array
    {
        $words = [];
        foreach ([[$first, $last], [$last, $first]] as [$at, $other]) {
            $names = [];
            foreach ($comparison->lines as $line) {
                $isOne = is_nan($line->values[$at]) && !is_nan($line->values[$other]) && $comparison->peers->has($line);
                $names = $isOne ? [...$names, $line->name] : $names;
            }
            if ($names !== []) {
                $words[] = 'without ' . Named::few($names) . " in {$comparison->axis->period($at)->label()}";
            }
        }

        return $words;
    }

    private static function ofNobody(): Notice
    {
        return Notice::saying(
            'changed-peers-none',
            'No peer has a value in every period shown, so there is no line of the same peers throughout.',
        )->withRemedy('Use those with a value', 'set', ['part' => 'peers', 'settings' => ['members' => 'present']]);
    }
}
