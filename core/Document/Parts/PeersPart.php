<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Peers\ChosenPeers;
use DuskRail\Rail\Targets;
use DuskRail\Settings\Condition;
use DuskRail\Settings\Declaration;
use DuskRail\Settings\Kinds\Choice;
use DuskRail\Settings\Kinds\Chosen;
use DuskRail\Settings\Kinds\Parsed;
use DuskRail\Settings\Names;
use DuskRail\Settings\ReadsSettings;

/** Whom lines are compared with, what is drawn of them as a whole, and what is to be reached. */
final readonly class PeersPart implements Part
{
    use ReadsSettings;

    /** Key of the series that all peers together are calculated as. */
    public const POOL = '~peers';

    /**
     * @param string $set whom lines are compared with: nothing for all, `group:` and a group, `set:` and the key of a
     *     peer set of the data set
     * @param 'faint'|'hidden' $outside how entities are drawn that are not of the set
     * @param 'present'|'same' $members whether the peers are those with a value in each period, or the same in all
     * @param 'allowed'|'ignored' $dispersion whether chance limits are wider where peers vary more than by chance
     * @param 'automatic'|'proportion'|'events' $counts what counts are of, for the limits of chance
     * @param Targets $target in the unit that the rail ends in
     */
    public function __construct(
        #[Chosen('peer set', of: Names::PeerSets, none: 'All', least: 1, lead: 'peer set')] public string $set = '',
        #[Choice(
            'outside the set',
            ['faint' => 'fainter', 'hidden' => 'hidden'],
            lead: 'outside the set',
            if: Condition::PeerSet,
        )]
        public string $outside = 'faint',
        #[Choice(
            'peer line',
            [
                'none' => 'none',
                'median' => 'median',
                'mean' => 'mean',
                'together' => 'weighted mean (ratio of sums)',
            ],
            enum: PeerLine::class,
            lead: 'peer line',
        )]
        public PeerLine $line = PeerLine::Median,
        #[Choice('band', enum: Band::class, lead: 'peer band')] public Band $band = Band::None,
        #[Parsed(
            'target',
            Targets::class,
            hint: '120; 110 by 2027; Veldmere 95',
            allowed: 'a value, with a start period or a name before it, or with a date after it; several with `;`: ' .
                '`130; 2024 110; Veldmere 95 by 2027-06`',
        )]
        public Targets $target = new Targets(),
        #[Choice(
            'over-dispersion',
            ['allowed' => 'allowed for', 'ignored' => 'ignored'],
            lead: 'over-dispersion',
            when: ['band' => 'chance'],
            about: 'whether chance limits are wider where the peers vary more than by chance',
        )]
        public string $dispersion = 'allowed',
        #[Choice(
            'counts',
            ['automatic' => 'automatic', 'proportion' => 'shares of the denominator', 'events' => 'events'],
            lead: 'counts are',
            when: ['band' => 'chance'],
            about: 'whether counts are a share of what they are divided by, as patients seen in time, or events',
        )]
        public string $counts = 'automatic',
        #[Choice(
            'members',
            ['present' => 'those with a value in each period', 'same' => 'the same throughout'],
            lead: 'peer line of',
            about: 'whether the peers are those with a value in each period, or those with one in every period shown',
        )]
        public string $members = 'present',
    ) {}

    public static function from(array $settings): static
    {
        // As studies have it that were made before there were peer sets.
        $group = $settings['group'] ?? null;
        unset($settings['group']);
        if (is_string($group) && $group !== '' && in_array($settings['set'] ?? '', ['', null], true)) {
            $settings['set'] = "group:{$group}";
        }

        return Declaration::of(self::class)->read($settings);
    }

    /** The group that lines are compared with; nothing where it is no group. */
    public function group(): string
    {
        return str_starts_with($this->set, 'group:') ? substr($this->set, 6) : '';
    }

    public static function name(): string
    {
        return 'peers';
    }

    public static function title(): string
    {
        return 'Peers';
    }

    /** The name of its line: `Peer median`, `Upland median`, `Median like Veldmere`. */
    public function lineName(ChosenPeers $chosen): string
    {
        return match (true) {
            $chosen->isAll() => $this->line->name(),
            !$chosen->isGroup => ($this->line === PeerLine::Pooled ? 'Weighted mean' : ucfirst($this->line->value)) .
                $chosen->among,
            $this->line === PeerLine::Pooled => "{$chosen->name} together",
            default => "{$chosen->name} {$this->line->value}",
        };
    }
}
