<?php

declare(strict_types=1);

namespace DuskRail\Study\Parts;

/** The one line that stands for all peers. */
enum PeerLine: string
{
    case None = 'none';
    case Median = 'median';
    case Mean = 'mean';
    case Together = 'together';

    public function label(): string
    {
        return match ($this) {
            self::None => 'no line',
            self::Median => 'their median',
            self::Mean => 'their mean, each counting the same',
            self::Together => 'all of them together, as a ratio of sums',
        };
    }

    /** What it is called on the chart. */
    public function name(): string
    {
        return match ($this) {
            self::None => '',
            self::Median => 'Peer median',
            self::Mean => 'Peer mean',
            self::Together => 'Peers together',
        };
    }
}
