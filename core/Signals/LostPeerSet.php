<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Document\Parts\PeersPart;
use DuskRail\Outcome\Comparison;

/** The peer set of the study is no longer there, so all are compared. */
final class LostPeerSet implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        $set = $comparison->study->part(PeersPart::class)->set;
        $isThere = isset($comparison->data->peerSets()[substr($set, 4)]);

        return !str_starts_with($set, 'set:') || $isThere
            ? null
            : Notice::saying(
                "lost-peer-set-{$set}",
                'The peer set of this study was deleted; all entities are compared.',
            )->withRemedy('Compare with all', 'set', ['part' => 'peers', 'settings' => ['set' => '']]);
    }
}
