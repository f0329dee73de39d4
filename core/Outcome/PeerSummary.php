<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Document\Parts\PeerLine;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Peers\PeerFigures;

/** What stands for all the quiet lines of a picture, and which of it is drawn. */
final readonly class PeerSummary
{
    /**
     * @param list<float> $line along the axis; empty when it is not drawn
     * @param string $name what the line is called at its end
     * @param list<list<float>> $values of the lines that a band is drawn of, if one is
     * @param bool $drawsLines whether the quiet lines are drawn one by one, or only what sums them up
     */
    public function __construct(
        public PeersPart $part,
        public array $line = [],
        public string $name = '',
        public array $values = [],
        public bool $drawsLines = true,
    ) {}

    /** Of the peers of a comparison, as its study wishes. */
    public static function of(Comparison $comparison): self
    {
        $part = $comparison->study->part(PeersPart::class);

        return new self(
            $part,
            $comparison->peerLine,
            $comparison->peerLineName(),
            $comparison->peers->values(),
        );
    }

    /** Of the peers that a line is compared with, where these are of its own kind alone. */
    public static function beside(Comparison $comparison, Line $line): self
    {
        $part = $comparison->study->part(PeersPart::class);
        $values = $comparison->peers->valuesBeside($line);

        return new self(
            $part,
            match ($part->line) {
                PeerLine::Median => PeerFigures::quantile($values, 0.5),
                PeerLine::Mean => PeerFigures::mean($values),
                default => [],
            },
            $comparison->peerLineName(),
            $values,
        );
    }

    public function withoutBand(): self
    {
        return new self(new PeersPart(line: $this->part->line), $this->line, $this->name, [], $this->drawsLines);
    }
}
