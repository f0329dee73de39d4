<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Data\IncompleteSum;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Members;
use DuskRail\Data\Series;
use DuskRail\Data\SeriesTable;
use DuskRail\Peers\PeerFigures;
use DuskRail\Rail\Stops\Weights;

/**
 * Several entities calculated as if they were one: amounts are added up (or averaged), and of ratios the sums are
 * divided, never the ratios averaged.
 *
 * Members that have not begun or have ended are left out of the sum; where the value of one that goes on is lacking,
 * there is no sum, unless that of the others is asked for.
 */
final readonly class Pool
{
    /**
     * @param string $key of the series that it adds; no entity has it
     * @param list<string> $members entity keys
     * @param bool $averaged the amounts of one member on average, to be seen beside the members
     * @param int|null $until ordinal up to which members go on at least; null if the data alone tell
     */
    private function __construct(
        public string $key,
        public string $name,
        public array $members,
        public bool $averaged,
        private IncompleteSum $incomplete = IncompleteSum::Blank,
        private ?int $until = null,
    ) {}

    /** @param list<string> $members */
    public static function sum(
        string $key,
        string $name,
        array $members,
        IncompleteSum $incomplete = IncompleteSum::Blank,
    ): self {
        return new self($key, $name, $members, false, $incomplete);
    }

    /** @param list<string> $members */
    public static function average(
        string $key,
        string $name,
        array $members,
        IncompleteSum $incomplete = IncompleteSum::There,
    ): self {
        return new self($key, $name, $members, true, $incomplete);
    }

    /** The same of members that go on up to a period at least, as up to the merger that they end in. */
    public function goingOnUntil(int $ordinal): self
    {
        return new self($this->key, $this->name, $this->members, $this->averaged, $this->incomplete, $ordinal);
    }

    /** Who of it is there in a table, and who is lacking. */
    public function membersIn(SeriesTable $table): Members
    {
        return $this->among($this->valuesIn($table), $table);
    }

    /** @return array<string, list<float>> by member */
    private function valuesIn(SeriesTable $table): array
    {
        $series = array_intersect_key($table->series, array_flip($this->members));

        return array_map(static fn(Series $s): array => $s->values, $series);
    }

    /** @param array<array-key, list<float>> $values by member, along the axis of the table */
    private function among(array $values, SeriesTable $table): Members
    {
        $until = $this->until === null ? null : $this->until - $table->axis->first;

        return Members::of($values, $table->axis->frequency, $until);
    }

    /** The table with a series for the pool, where the table has any of its members. */
    public function addedTo(SeriesTable $table): SeriesTable
    {
        $values = $this->valuesIn($table);
        if ($values === []) {
            return $table;
        }
        // Levels that are ratios already have no sum, and nothing to be weighed by.
        $together =
            $table->kind === MeasureKind::Rate
                ? PeerFigures::mean($values)
                : $this->together($table, $values);

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
        $weights = ($table->weights)();
        if (isset($weights[Weights::COMMON])) {
            return $table;
        }
        [$members, $blank] = $this->taken($this->valuesIn($table), $table);
        $together = PeerFigures::weightedMean($members, $weights);
        foreach ($together as $i => $value) {
            $together[$i] = isset($blank[$i]) ? NAN : $value;
        }

        return $table->with(new Series($this->key, $together));
    }

    /**
     * Whose values are taken, and the positions that are left blank since one that goes on has none.
     *
     * @param array<array-key, list<float>> $values by member
     * @return array{array<array-key, list<float>>, array<int, true>}
     */
    private function taken(array $values, SeriesTable $table): array
    {
        $members = $this->among($values, $table);
        if ($this->incomplete === IncompleteSum::Same) {
            return [array_intersect_key($values, array_flip($members->throughout())), []];
        }
        $blank = match (true) {
            $this->averaged => $members->missing(),
            $this->incomplete === IncompleteSum::Blank => $members->lacking(),
            default => [],
        };

        return [$values, array_fill_keys(array_keys($blank), true)];
    }

    /**
     * The same of several values at once: in each period those members count that have all of them. One that goes on
     * and lacks any of them leaves it blank, unless the sum of the others is asked for.
     *
     * @param list<array<array-key, list<float>>> $tables values by member
     * @return list<list<float>> one for each table
     */
    public function alike(array $tables, SeriesTable $table): array
    {
        $count = $table->axis->count;
        $parts = $whole = [];
        foreach ($this->members as $member) {
            $own = array_map(static fn(array $of): ?array => $of[$member] ?? ($of[''] ?? null), $tables);
            if (!in_array(null, $own, true)) {
                $parts[$member] = $own;
                for ($i = 0; $i < $count; $i++) {
                    $whole[$member][] = array_sum(array_map(static fn(?array $of): float => $of[$i] ?? NAN, $own));
                }
            }
        }
        [$whole, $blank] = $this->taken($whole, $table);
        $sums = array_fill(0, count($tables), array_fill(0, $count, 0.0));
        $counts = array_fill(0, $count, 0);
        foreach ($whole as $member => $values) {
            foreach ($values as $i => $value) {
                if (!is_nan($value) && !isset($blank[$i])) {
                    $counts[$i]++;
                    foreach ($parts[$member] as $at => $own) {
                        $sums[$at][$i] += $own[$i] ?? NAN;
                    }
                }
            }
        }

        return array_map(fn(array $of): array => $this->shared($of, $counts), $sums);
    }

    /**
     * @param array<string, list<float>> $values by member
     * @return list<float>
     */
    private function together(SeriesTable $table, array $values): array
    {
        [$values, $blank] = $this->taken($values, $table);
        $sums = array_fill(0, $table->axis->count, 0.0);
        $counts = array_fill(0, $table->axis->count, 0);
        foreach ($values as $own) {
            foreach ($own as $i => $value) {
                if (!is_nan($value) && !isset($blank[$i])) {
                    $sums[$i] += $value;
                    $counts[$i]++;
                }
            }
        }

        return $this->shared($sums, $counts);
    }

    /**
     * @param array<int, float> $sums by position
     * @param array<int, int> $counts of members in each
     * @return list<float> NAN where there is no member
     */
    private function shared(array $sums, array $counts): array
    {
        return array_map(
            fn(float $sum, int $of): float => $of === 0 ? NAN : ($this->averaged ? $sum / $of : $sum),
            array_values($sums),
            array_values($counts),
        );
    }
}
