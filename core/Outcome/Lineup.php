<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\Unit;
use DuskRail\Document\Study;
use DuskRail\Time\CycleAxis;
use DuskRail\Time\PeriodAxis;

/**
 * The lines that one picture shows, whatever they run across: entities, measures, or years merged into each other. The
 * pictures, what the pointer reads, and the data are made from it alike.
 */
final readonly class Lineup
{
    use HasLines;

    /**
     * @param list<Line> $lines in the order of the data set; of years the latest first
     * @param int $from first position shown, of the axis
     * @param int $to last position shown
     * @param PeerSummary $summary what stands for all the quiet lines
     * @param int|null $open first position whose values are of incomplete periods
     */
    public function __construct(
        public Comparison $comparison,
        public PeriodAxis|CycleAxis $axis,
        public Unit $unit,
        public array $lines,
        public int $from,
        public int $to,
        public PeerSummary $summary,
        public int $decimals,
        public ?int $open = null,
    ) {}

    /** All lines of a comparison, along its own time. */
    public static function of(Comparison $comparison): self
    {
        return new self(
            $comparison,
            $comparison->axis,
            $comparison->run->table()->unit,
            $comparison->lines,
            $comparison->from,
            $comparison->to,
            PeerSummary::of($comparison),
            $comparison->decimals,
            $comparison->run->table()->open(),
        );
    }

    /**
     * The same picture of some of its lines.
     *
     * @param list<Line> $lines
     */
    public function only(array $lines): self
    {
        return $this->copy($lines, $this->from, $this->to, $this->summary->withoutBand());
    }

    /** The same picture with other peers summed up. */
    public function with(PeerSummary $summary): self
    {
        return $this->copy($this->lines, $this->from, $this->to, $summary);
    }

    /** The same picture of a part of the time. */
    public function within(int $from, int $to): self
    {
        return $this->copy($this->lines, $from, $to, $this->summary);
    }

    /** @param list<Line> $lines */
    private function copy(array $lines, int $from, int $to, PeerSummary $summary): self
    {
        return new self(
            $this->comparison,
            $this->axis,
            $this->unit,
            $lines,
            $from,
            $to,
            $summary,
            $this->decimals,
            $this->open,
        );
    }

    /** Of values that are not those of the rail, as ranks, none is in millions. */
    public function precision(): Precision
    {
        $own = $this->comparison->precision;
        $isOwn = $this->unit === $this->comparison->run->table()->unit;

        return new Precision($this->decimals, $isOwn ? $own->carried : PHP_INT_MAX, $isOwn ? $own->power : 0);
    }

    /** How many lines have a rank together with a line at a position, this one included. */
    public function placed(Line $line, int $at): int
    {
        $peers = $this->comparison->peers;
        $placed = array_filter(
            $this->present(),
            static fn(Line $other): bool => $peers->counts($line, $other) && !is_nan($other->values[$at] ?? NAN),
        );

        return count($placed);
    }

    /** When a point of a line is: the period that the position is, in full. */
    public function when(Line $line, int $position): string
    {
        if ($this->axis instanceof PeriodAxis) {
            return $this->axis->period($position)->label();
        }

        return $this->axis->period($this->turnOf($line), $position)?->label() ?? $this->axis->placeLabel($position);
    }

    /** A place on the axis as it is written in documents: a period, or so many places into the cycle. */
    public function code(int $position): string
    {
        return $this->axis instanceof PeriodAxis ? $this->axis->period($position)->code() : (string) $position;
    }

    /** What a position is called, whatever the line. */
    public function place(int $position): string
    {
        return $this->axis instanceof PeriodAxis
            ? $this->axis->period($position)->short()
            : $this->axis->placeLabel($position);
    }

    /**
     * Where a point comes from: the series it is of, and its position on the axis that the rail ends on.
     *
     * @return array{string, int}|null
     */
    public function source(Line $line, int $position): ?array
    {
        if ($this->axis instanceof PeriodAxis) {
            return [$line->key, $position];
        }
        $period = $this->axis->period($this->turnOf($line), $position);
        $subject = $this->comparison->subject();

        return $period === null || $subject === null
            ? null
            : [$subject->key, $period->ordinal - $this->comparison->axis->first];
    }

    private function study(): Study
    {
        return $this->comparison->study;
    }

    private function turnOf(Line $line): int
    {
        return (int) substr($line->key, 2);
    }
}
