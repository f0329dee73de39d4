<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\MeasureKind;
use DuskRail\Data\Spacing;
use DuskRail\Time\Frequency;

/** All that was read from a file, and all that could not be. */
final readonly class Observations
{
    /** A row and a column in one number; no table that is read has more columns. */
    public const COLUMNS = 16384;

    /** A combination of categories and an entity in one number, a subject; no table that is read has more entities. */
    public const SUBJECTS = 1_048_576;

    /**
     * @param list<ReadMeasure> $measures
     * @param list<string> $entities names in the order of the file
     * @param array<int, array<int, array<int, float>>> $values by measure, subject, ordinal
     * @param array<int, array<int, array<int, int>>> $places likewise
     * @param array<int, array<int, array<int, int>>> $statuses likewise, only where not plainly measured
     * @param list<Problem> $problems the first of them
     */
    public function __construct(
        public Frequency $frequency,
        public array $measures,
        public array $entities,
        private array $values,
        private array $places,
        private array $statuses,
        public array $problems,
        public int $problemCount,
        public int $duplicateCount,
        public int $rowCount,
        public Metadata $metadata = new Metadata(),
    ) {}

    /**
     * The same with what another reading could not read.
     *
     * @param list<Problem> $problems the first of them
     */
    public function withProblems(array $problems, int $count, int $duplicates): self
    {
        return new self(
            $this->frequency,
            $this->measures,
            $this->entities,
            $this->values,
            $this->places,
            $this->statuses,
            $problems,
            $count,
            $duplicates,
            $this->rowCount,
            $this->metadata,
        );
    }

    public function isEmpty(): bool
    {
        return $this->values === [] && $this->metadata->attributes === [];
    }

    /** Values that are there. */
    public function valueCount(): int
    {
        $count = 0;
        foreach ($this->values as $entities) {
            foreach ($entities as $periods) {
                foreach ($periods as $value) {
                    $count += is_nan($value) ? 0 : 1;
                }
            }
        }

        return $count;
    }

    /** How far apart the data of a measure are. */
    public function spacing(int $measure): Spacing
    {
        return $this->among($measure, self::measured($this->values[$measure] ?? []));
    }

    /** @param list<int> $measured ordinals */
    private function among(int $measure, array $measured): Spacing
    {
        $isFlow = $this->measures[$measure]->kind === MeasureKind::Flow;

        return Spacing::among($measured, $this->frequencyOf($measure), $isFlow);
    }

    /**
     * @param array<int, array<int, float>> $subjects
     * @return list<int> ordinals at which any of them was measured, in order
     */
    private static function measured(array $subjects): array
    {
        $measured = [];
        foreach ($subjects as $periods) {
            foreach ($periods as $ordinal => $value) {
                if (!is_nan($value)) {
                    $measured[$ordinal] = true;
                }
            }
        }
        ksort($measured);

        return array_keys($measured);
    }

    /**
     * Periods between a series' first and last value that have none, over all series; those at which nobody was
     * measured are no gaps where values are of every fifth year or of dates.
     */
    public function gapCount(): int
    {
        $gaps = 0;
        foreach ($this->values as $measure => $subjects) {
            $present = array_map(
                static fn(array $periods): array => array_filter($periods, static fn(float $v): bool => !is_nan($v)),
                $subjects,
            );
            $measured = self::measured($present);
            $isFree = $this->among($measure, $measured)->isFree;
            foreach (array_filter($present) as $periods) {
                [$first, $last] = [min(array_keys($periods)), max(array_keys($periods))];
                $due = $isFree
                    ? count(array_filter($measured, static fn(int $o): bool => $o >= $first && $o <= $last))
                    : $last - $first + 1;
                $gaps += $due - count($periods);
            }
        }

        return $gaps;
    }

    /** @return array{int, int}|null first and last ordinal, of the measures that have the frequency of the first */
    public function span(): ?array
    {
        $ends = [];
        foreach ($this->spans() as $measure => $span) {
            $ends = $this->frequencyOf($measure) === $this->frequencyOf(0) ? [...$ends, ...$span] : $ends;
        }

        return $ends === [] ? null : [min($ends), max($ends)];
    }

    /** @return array<int, array{int, int}> first and last ordinal of each measure that has values */
    public function spans(): array
    {
        $spans = [];
        foreach ($this->values as $measure => $entities) {
            foreach (array_filter($entities) as $periods) {
                $ordinals = array_keys($periods);
                [$first, $last] = $spans[$measure] ?? [PHP_INT_MAX, PHP_INT_MIN];
                $spans[$measure] = [min($first, min($ordinals)), max($last, max($ordinals))];
            }
        }

        return $spans;
    }

    /** Of a measure, where each has its own, or of all. */
    public function frequencyOf(int $measure): Frequency
    {
        return $this->measures[$measure]->frequency ?? $this->frequency;
    }

    /** @return iterable<int, ReadSeries> */
    public function series(): iterable
    {
        foreach ($this->values as $measure => $entities) {
            foreach ($entities as $subject => $periods) {
                $ordinals = array_keys($periods);
                if ($ordinals === []) {
                    continue;
                }
                $first = min($ordinals);
                $last = max($ordinals);
                $values = $statuses = $places = [];
                for ($ordinal = $first; $ordinal <= $last; $ordinal++) {
                    $values[] = $periods[$ordinal] ?? NAN;
                    $statuses[] = $this->statuses[$measure][$subject][$ordinal] ?? 0;
                    $places[] = $this->places[$measure][$subject][$ordinal] ?? -1;
                }
                yield new ReadSeries(
                    $measure,
                    $subject % self::SUBJECTS,
                    $first,
                    $values,
                    $statuses,
                    $places,
                    intdiv($subject, self::SUBJECTS),
                );
            }
        }
    }
}
