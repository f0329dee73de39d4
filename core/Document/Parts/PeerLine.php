<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

/** The one line that stands for all peers. */
enum PeerLine: string
{
    case None = 'none';
    case Median = 'median';
    case Mean = 'mean';

    /** The ratio of their sums: all calculated as if they were one. */
    case Pooled = 'together';

    /** What it is called on the chart. */
    public function name(): string
    {
        return match ($this) {
            self::None => '',
            self::Median => 'Peer median',
            self::Mean => 'Peer mean',
            self::Pooled => 'Weighted peer mean',
        };
    }
}
