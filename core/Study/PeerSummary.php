<?php

declare(strict_types=1);

namespace DuskRail\Study;

/** What is drawn of the peers as a whole: a line, a band, of all or of one group; and a target for everybody. */
final readonly class PeerSummary
{
    /** Key of the series that all peers together are calculated as. */
    public const POOL = '~peers';

    /**
     * @param string $group of the peers that line and band are of; nothing for all
     * @param float|null $target in the unit that the rail ends in
     */
    public function __construct(
        public PeerLine $line = PeerLine::Median,
        public Band $band = Band::None,
        public string $group = '',
        public ?float $target = null,
    ) {}

    /** The name of its line: `Peer median`, `Upland median`. */
    public function lineName(): string
    {
        return $this->group === '' ? $this->line->name() : match ($this->line) {
            PeerLine::Together => "{$this->group} together",
            default => "{$this->group} {$this->line->value}",
        };
    }

    /** @return array{line: string, band: string, group: string, target: float|null} */
    public function toArray(): array
    {
        return ['line' => $this->line->value, 'band' => $this->band->value, 'group' => $this->group, 'target' => $this->target];
    }

    /** @param array<array-key, mixed> $parts */
    public static function read(array $parts): self
    {
        $line = $parts['line'] ?? PeerLine::Median->value;
        $band = $parts['band'] ?? Band::None->value;
        $group = $parts['group'] ?? '';
        $target = $parts['target'] ?? null;
        if ($target !== null && (! is_numeric($target) || ! is_finite((float) $target))) {
            throw InvalidStudy::because('the target must be a number, as in 45.5, or empty.');
        }

        return new self(
            (is_string($line) ? PeerLine::tryFrom($line) : null) ?? throw InvalidStudy::because('there is no such line of the peers; there are '.implode(', ', array_column(PeerLine::cases(), 'value')).'.'),
            (is_string($band) ? Band::tryFrom($band) : null) ?? throw InvalidStudy::because('there is no such band; there are '.implode(', ', array_column(Band::cases(), 'value')).'.'),
            is_string($group) ? $group : '',
            $target === null ? null : (float) $target,
        );
    }
}
