<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Document\Targets;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Chosen;
use DuskRail\Settings\Kinds\Parsed;
use DuskRail\Settings\ReadsSettings;

/** What is drawn of the peers as a whole: a line, a band, of all or of one group; and what is to be reached. */
final readonly class PeersPart implements Part
{
    use ReadsSettings;

    /** Key of the series that all peers together are calculated as. */
    public const POOL = '~peers';

    /**
     * @param string $group of the peers that line and band are of; nothing for all
     * @param Targets $target in the unit that the rail ends in
     */
    public function __construct(
        #[
            Choice(
                'peer line',
                [
                    'none' => 'no line',
                    'median' => 'their median',
                    'mean' => 'their mean, each counting the same',
                    'together' => 'all of them together, as a ratio of sums',
                ],
                enum: PeerLine::class,
                lead: 'of the peers draw',
            ),
        ]
        public PeerLine $line = PeerLine::Median,
        #[Choice('band', enum: Band::class, lead: 'and behind')] public Band $band = Band::None,
        #[
            Chosen('group', of: 'groups', none: 'all peers', least: 2, each: 'the group %s', lead: 'of'),
        ]
        public string $group = '',
        #[
            Parsed(
                'target',
                Targets::class,
                hint: 'as in 120; 2024 110; Veldmere 95',
                allowed: 'a value, before it the period from which it holds, and before that whom it is for, several ' .
                    'parted by `;`, as in `130; 2024 110; Veldmere 95`',
            ),
        ]
        public Targets $target = new Targets(),
    ) {}

    public static function name(): string
    {
        return 'peers';
    }

    public static function title(): string
    {
        return 'Peers';
    }

    /** The name of its line: `Peer median`, `Upland median`. */
    public function lineName(): string
    {
        return $this->group === ''
            ? $this->line->name()
            : match ($this->line) {
                PeerLine::Pooled => "{$this->group} together",
                default => "{$this->group} {$this->line->value}",
            };
    }
}
