<?php

declare(strict_types=1);

namespace DuskRail\Study\Parts;

use DuskRail\Rail\Field;
use DuskRail\Rail\Settings;
use DuskRail\Study\Comparison;
use DuskRail\Study\Line;
use DuskRail\Study\Targets;

/** What is drawn of the peers as a whole: a line, a band, of all or of one group; and what is to be reached. */
final readonly class PeersPart implements Part
{
    /** Key of the series that all peers together are calculated as. */
    public const POOL = '~peers';

    /**
     * @param string $group of the peers that line and band are of; nothing for all
     * @param Targets $target in the unit that the rail ends in
     */
    public function __construct(
        public PeerLine $line = PeerLine::Median,
        public Band $band = Band::None,
        public string $group = '',
        public Targets $target = new Targets(),
    ) {}

    /** The name of its line: `Peer median`, `Upland median`. */
    public function lineName(): string
    {
        return $this->group === '' ? $this->line->name() : match ($this->line) {
            PeerLine::Together => "{$this->group} together",
            default => "{$this->group} {$this->line->value}",
        };
    }

    public static function read(array $settings): static
    {
        $read = new Settings('Peers', $settings);

        return new self($read->case('line', PeerLine::Median), $read->case('band', Band::None), $read->text('group'), Targets::read($read->text('target')));
    }

    public function toArray(): array
    {
        return ['line' => $this->line->value, 'band' => $this->band->value, 'group' => $this->group, 'target' => $this->target->text()];
    }

    public function fields(Comparison $comparison): array
    {
        $groups = array_values(array_unique(array_filter(array_map(static fn(Line $line): string => $line->isGroup() ? '' : $line->group, $comparison->lines))));

        return [
            Field::choice('line', 'of the peers draw', $this->line->value, self::labels(PeerLine::cases())),
            Field::choice('band', 'and behind', $this->band->value, self::labels(Band::cases())),
            ...(count($groups) > 1 ? [Field::choice('group', 'of', $this->group, ['' => 'all peers'] + array_combine($groups, array_map(static fn(string $g): string => "the group {$g}", $groups)))] : []),
            Field::text('target', 'target', $this->target->text(), 'as in 120; 2024 110; Veldmere 95'),
        ];
    }

    /**
     * @param list<PeerLine|Band> $cases
     * @return array<string, string>
     */
    private static function labels(array $cases): array
    {
        $labels = [];
        foreach ($cases as $case) {
            $labels[$case->value] = $case->label();
        }

        return $labels;
    }
}
