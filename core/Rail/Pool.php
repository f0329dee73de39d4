<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Data\MeasureKind;
use DuskRail\Data\Series;
use DuskRail\Data\SeriesTable;
use DuskRail\Peers\PeerFigures;

/**
 * Several entities calculated as if they were one: amounts are added up (or averaged), and of ratios the sums are
 * divided, never the ratios averaged.
 *
 * Members that have not begun or have ended are left out of the sum; a gap within a member's values leaves a gap.
 */
final readonly class Pool
{
    /**
     * @param string $key of the series that it adds; no entity has it
     * @param list<string> $members entity keys
     * @param bool $averaged the amounts of one member on average, to be seen beside the members
     */
    private function __construct(
        public string $key,
        public string $name,
        public array $members,
        private bool $averaged,
    ) {}

    /** @param list<string> $members */
    public static function sum(string $key, string $name, array $members): self
    {
        return new self($key, $name, $members, false);
    }

    /** @param list<string> $members */
    public static function average(string $key, string $name, array $members): self
    {
        return new self($key, $name, $members, true);
    }

    /** The table with a series for the pool, where the table has any of its members. */
    public function addedTo(SeriesTable $table): SeriesTable
    {
        $members = array_intersect_key($table->series, array_flip($this->members));
        if ($members === []) {
            return $table;
        }
        $values = array_map(static fn(Series $s): array => $s->values, $members);
        // Levels that are ratios already have no sum, and nothing to be weighed by.
        $together =
            $table->kind === MeasureKind::Rate
                ? PeerFigures::mean($values)
                : $this->together($members, $table->axis->count);

        return $table->with(new Series($this->key, $together));
    }

    /**
     * After a division: the ratios of the members weighed by what they were divided by, which is a ratio of sums.
     */
    public function weighed(SeriesTable $table): SeriesTable
    {
        if ($table->weights === null || !isset($table->series[$this->key])) {
            return $table;
        }
        $members = array_map(
            static fn(Series $s): array => $s->values,
            array_intersect_key($table->series, array_flip($this->members)),
        );

        return $table->with(new Series($this->key, PeerFigures::weightedMean($members, ($table->weights)())));
    }

    /**
     * The same of several values at once: in each period those members count that have all of them.
     *
     * @param list<array<array-key, list<float>>> $tables values by member
     * @return list<list<float>> one for each table
     */
    public function alike(array $tables, int $count): array
    {
        $sums = array_fill(0, count($tables), array_fill(0, $count, 0.0));
        $counts = array_fill(0, $count, 0);
        foreach ($this->members as $member) {
            $own = array_map(static fn(array $table): ?array => $table[$member] ?? ($table[''] ?? null), $tables);
            for ($i = 0; $i < $count && !in_array(null, $own, true); $i++) {
                $values = array_map(static fn(?array $values): float => $values[$i] ?? NAN, $own);
                if (!is_nan(array_sum($values))) {
                    $counts[$i]++;
                    foreach ($values as $at => $value) {
                        $sums[$at][$i] += $value;
                    }
                }
            }
        }

        return array_map(
            fn(array $of): array => array_map(
                fn(float $sum, int $n): float => $n === 0 ? NAN : ($this->averaged ? $sum / $n : $sum),
                $of,
                $counts,
            ),
            $sums,
        );
    }

    /**
     * @param array<string, Series> $members
     * @return list<float>
     */
    private function together(array $members, int $count): array
    {
        $sums = array_fill(0, $count, 0.0);
        $counts = array_fill(0, $count, 0);
        foreach ($members as $series) {
            $last = $series->lastPosition();
            $begun = false;
            foreach ($series->values as $i => $value) {
                $begun = $begun || !is_nan($value);
                if ($begun && $i <= $last) {
                    $sums[$i] += $value;
                    $counts[$i]++;
                }
            }
        }

        return array_map(
            fn(float $sum, int $of): float => $of === 0 ? NAN : ($this->averaged ? $sum / $of : $sum),
            $sums,
            $counts,
        );
    }
}
