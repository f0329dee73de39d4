<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Dataset;
use App\Models\StoredSeries;
use DuskRail\Reading\FoundBreakdowns;
use DuskRail\Reading\Limits;
use DuskRail\Reading\NotATable;
use DuskRail\Reading\Observations;
use DuskRail\Reading\ReadSeries;
use DuskRail\Time\Period;

/** Each series of a file with the stored one: what a preview foresees and what an import writes see the same. */
final class SeriesPairs
{
    /**
     * @param list<int> $ids of each measure of the file, 0 for a new one
     * @param array<string, StoredSeries> $stored those that no series of the file has met yet
     */
    private function __construct(
        private readonly Observations $observations,
        private readonly Matching $matching,
        private readonly FoundBreakdowns $breakdowns,
        private readonly array $ids,
        private array $stored,
    ) {}

    /** @throws NotATable when what is there and what is brought are too far apart */
    public static function of(?Dataset $dataset, Observations $observations, Matching $matching, Answers $answers): self
    {
        $ids = $matching->measureIds();
        $stored = StoredSeries::ofVersion($dataset->version ?? 0, array_values(array_filter($ids)));
        self::mustFit($observations, $ids, $answers->isInPlace() ? [] : $stored);
        $breakdowns = FoundBreakdowns::of($observations, $dataset?->asBreakdowns() ?? []);

        return new self($observations, $matching, $breakdowns, $ids, $stored);
    }

    /** @return iterable<array{ReadSeries, StoredSeries|null, string}> with values in the stored unit, and the cell */
    public function each(): iterable
    {
        foreach ($this->observations->series() as $read) {
            $entity = $this->matching->entities[$read->entity]->id ?? 0;
            $cell = $this->breakdowns->cell($read);
            $key = "{$this->ids[$read->measure]}/{$entity}/{$cell}";
            $old = $this->stored[$key] ?? null;
            unset($this->stored[$key]);
            yield [$read->times($this->matching->factors[$read->measure]), $old, $cell];
        }
    }

    /** @return list<StoredSeries> of the measures of the file, after the last pair: those that it does not have */
    public function rest(): array
    {
        return array_values($this->stored);
    }

    /**
     * @param list<int> $ids
     * @param array<string, StoredSeries> $stored
     *
     * @throws NotATable
     */
    private static function mustFit(Observations $observations, array $ids, array $stored): void
    {
        $spans = [];
        foreach ($stored as $series) {
            // Eight bytes to a value; unpacking them all only to count them would take long.
            $raw = $series->getRawOriginal('values');
            $end = $series->first + intdiv(strlen(is_string($raw) ? $raw : ''), 8) - 1;
            [$first, $last] = $spans[$series->measure_id] ?? [$series->first, $end];
            $spans[$series->measure_id] = [min($first, $series->first), max($last, $end)];
        }
        foreach ($observations->spans() as $n => [$first, $last]) {
            [$oldFirst, $oldLast] = $spans[$ids[$n] ?? 0] ?? [$first, $last];
            $frequency = $observations->frequencyOf($n);
            Limits::span(
                $observations->measures[$n]->name,
                Period::at($frequency, min($first, $oldFirst)),
                Period::at($frequency, max($last, $oldLast)),
            );
        }
    }
}
