<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Document\Parts\Band;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Outcome\Comparison;

/** Too few peers for a quartile or a tenth of them to mean anything. */
final class FewPeers implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        $band = $comparison->study->part(PeersPart::class)->band;
        $needed = match ($band) {
            Band::Quartiles => 4,
            Band::Deciles => 10,
            default => 0,
        };
        $count = $comparison->peers->count($comparison->reference);

        return $count >= $needed
            ? null
            : Notice::saying(
                "few-peers-{$count}",
                "{$count} peers are too few for this band; it needs {$needed}.",
            )->withRemedy('Show lowest to highest', 'set', [
                'part' => 'peers',
                'settings' => ['band' => Band::Range->value],
            ]);
    }
}
