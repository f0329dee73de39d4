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
                    'none' => 'none',
                    'median' => 'median',
                    'mean' => 'mean',
                    'together' => 'weighted mean (ratio of sums)',
                ],
                enum: PeerLine::class,
                lead: 'peer line',
            ),
        ]
        public PeerLine $line = PeerLine::Median,
        #[Choice('band', enum: Band::class, lead: 'peer band')] public Band $band = Band::None,
        #[
            Chosen('group', of: 'groups', none: 'All', least: 2, each: 'Group %s', lead: 'peers'),
        ]
        public string $group = '',
        #[
            Parsed(
                'target',
                Targets::class,
                hint: '120; 2024 110; Veldmere 95',
                allowed: 'a value, with a start period or a name before it; several with `;`: ' .
                    '`130; 2024 110; Veldmere 95`',
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
