<?php

declare(strict_types=1);

namespace DuskRail\Words\Sentences;

use DuskRail\Document\Parts\PeersPart;
use DuskRail\Outcome\Comparison;

/** What a line in focus is seen beside: the others in focus, and what stands for all peers. */
final class Pairs
{
    /** @return list<array{string, list<float>, string, list<float>}> two names, each with its values */
    public static function of(Comparison $comparison): array
    {
        $pairs = [];
        $focus = $comparison->focus();
        foreach ($focus as $i => $line) {
            foreach (array_slice($focus, $i + 1) as $other) {
                $pairs[] = [$line->name, $line->values, $other->name, $other->values];
            }
            if ($comparison->peerLine !== [] && count($comparison->summarised()) > 1) {
                $pairs[] = [
                    $line->name,
                    $line->values,
                    'the ' . lcfirst($comparison->study->part(PeersPart::class)->lineName()),
                    $comparison->peerLine,
                ];
            }
        }

        return $pairs;
    }
}
