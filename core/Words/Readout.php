<?php

declare(strict_types=1);

namespace DuskRail\Words;

use Closure;
use DuskRail\Data\Numerals;
use DuskRail\Data\Status;
use DuskRail\Data\ValueType;
use DuskRail\Document\LineState;
use DuskRail\Outcome\Line;
use DuskRail\Outcome\Lineup;
use DuskRail\Statistics\SortedValues;
use DuskRail\Time\CycleAxis;
use DuskRail\Time\Frequency;
use DuskRail\Time\Lag;
use DuskRail\Time\PeriodAxis;

/** What is said of the points of a line: its value, its change on a year before, and its place among the others. */
final class Readout
{
    /**
     * @return array{name: string, points: array<int, array{string, string, string}>} of each position shown that has a
     *     value: the period, the value with its unit, and the rest of what there is to say
     */
    public static function along(Lineup $lineup, Line $line): array
    {
        $others = self::others($lineup, $line);

        return self::told($lineup, $line, static function (int $position, float $value) use ($others): array {
            $lower = $higher = $same = 0;
            foreach ($others as $values) {
                // What is missing is neither.
                if ($values[$position] < $value) {
                    $lower++;
                } elseif ($values[$position] > $value) {
                    $higher++;
                } elseif ($values[$position] === $value) {
                    $same++;
                }
            }

            return [$lower, $higher, $same];
        });
    }

    /**
     * The same of all lines that are present. What is counted is sorted once for each position: to look through all
     * lines for every point of every line would take minutes where there are thousands.
     *
     * @return array<string, array{name: string, points: array<int, array{string, string, string}>}> by line
     */
    public static function ofAll(Lineup $lineup): array
    {
        $peers = $lineup->comparison->peers;
        $years = $lineup->axis instanceof CycleAxis;
        $counted = [];
        foreach ($lineup->present() as $line) {
            if ($years || $peers->isAmong($line)) {
                $counted[$years ? '' : $peers->kind($line)][] = $line->values;
            }
        }
        $sorted = $told = [];
        foreach ($lineup->present() as $line) {
            $kind = $years ? '' : $peers->kind($line);
            $own = $years || $peers->isAmong($line) ? 0 : 1;
            $told[$line->key] = self::told($lineup, $line, static function (int $position, float $value) use (
                $counted,
                $kind,
                $own,
                &$sorted,
            ): array {
                $sorted[$kind][$position] ??= SortedValues::of(array_column($counted[$kind] ?? [], $position));
                [$lower, $higher, $same] = $sorted[$kind][$position]->around($value);

                return [$lower, $higher, $same + $own];
            });
        }

        return $told;
    }

    /**
     * @param Closure(int, float): array{int, int, int} $count how many are lower than a value at a position, higher and
     *     the same, itself included
     * @return array{name: string, points: array<int, array{string, string, string}>}
     */
    private static function told(Lineup $lineup, Line $line, Closure $count): array
    {
        $points = [];
        $statuses = self::statuses($lineup, $line);
        for ($i = $lineup->from; $i <= $lineup->to; $i++) {
            if (!is_nan($line->values[$i])) {
                $points[$i] = self::at($lineup, $line, $i, $statuses[$i] ?? null, $count);
            }
        }

        return ['name' => $line->name, 'points' => $points];
    }

    /**
     * @param Status|null $status what the file says of it
     * @param Closure(int, float): array{int, int, int} $count
     * @return array{string, string, string}
     */
    private static function at(Lineup $lineup, Line $line, int $position, ?Status $status, Closure $count): array
    {
        $value = $line->values[$position];
        $counts = $count($position, $value);
        // One decimal more than the labels: whoever points at a spot wants to know it better.
        // The file's own decimals hold for its own values alone.
        $isOwn = $lineup->unit === $lineup->comparison->run->table()->unit;
        $precision = $lineup->precision();
        $decimals = $isOwn ? $precision->fine() : $lineup->decimals + 1;
        $before = self::yearBefore($lineup, $line, $position);
        $rest = [self::change($lineup, $value, $before, $decimals)];
        // A rank is the place itself.
        $rest[] = $lineup->unit->isRank() ? '' : self::place($lineup, $line, $counts);
        $rest[] = $status?->inWords() ?? '';
        // What became of it is told where it ends.
        $rest[] = $position === $line->last ? $lineup->comparison->data->entities()[$line->key]->note ?? '' : '';

        return [
            $lineup->when($line, $position),
            match (true) {
                $lineup->unit->isRank() => 'rank ' . Numerals::text($value, 0) . ' of ' . array_sum($counts),
                $lineup->unit->sort === ValueType::Index => Numerals::text($value, $decimals),
                // Who points at a large number wants all of it.
                $precision->power > 0 => trim(Numerals::text($value, 0) . " {$lineup->unit->text()}"),
                default => trim(Numerals::text($value, $decimals) . " {$lineup->unit->text()}"),
            },
            implode(' · ', array_filter($rest)),
        ];
    }

    /** The change on a year before: of a rank how many ranks up or down. */
    private static function change(Lineup $lineup, float $value, float $before, int $decimals): string
    {
        $on = $lineup->axis instanceof CycleAxis ? 'on the one before' : 'on a year before';
        $ranks = $before - $value;

        return match (true) {
            is_nan($before) => '',
            !$lineup->unit->isRank() => $lineup->precision()->signed($value - $before, $decimals) . " {$on}",
            $ranks === 0.0 => "the same rank as a year before",
            default => Numerals::text(abs($ranks), 0) .
                (abs($ranks) === 1.0 ? ' rank ' : ' ranks ') .
                ($ranks > 0.0 ? 'up' : 'down') .
                " {$on}",
        };
    }

    /**
     * What the file says of the data of a line, as long as they are where they were measured.
     *
     * @return array<int, Status> by position
     */
    private static function statuses(Lineup $lineup, Line $line): array
    {
        $axis = $lineup->axis;
        $comparison = $lineup->comparison;
        if (!($axis instanceof PeriodAxis) || $axis->frequency !== $comparison->run->origin->axis->frequency) {
            return [];
        }
        $statuses = [];
        foreach ($comparison->data->statuses($comparison->study->measure)[$line->key] ?? [] as $ordinal => $status) {
            $statuses[$ordinal - $axis->first] = $status;
        }

        return $statuses;
    }

    private static function yearBefore(Lineup $lineup, Line $line, int $position): float
    {
        if ($lineup->axis instanceof CycleAxis) {
            $turn = (int) substr($line->key, 2) - 1;

            return $lineup->line("y:{$turn}")->values[$position] ?? NAN;
        }
        if ($lineup->axis->frequency === Frequency::Number || $lineup->axis->frequency->isYearly()) {
            return NAN;
        }

        return $line->values[Lag::yearBefore($lineup->axis, $position) ?? -1] ?? NAN;
    }

    /** @return list<list<float>> values of the years, or of the lines that a place counts, this one included */
    private static function others(Lineup $lineup, Line $line): array
    {
        $peers = $lineup->comparison->peers;
        $years = $lineup->axis instanceof CycleAxis;
        $values = [];
        foreach ($lineup->present() as $other) {
            if ($years || $peers->counts($line, $other)) {
                $values[] = $other->values;
            }
        }

        return $values;
    }

    /**
     * Its place among the years, or the lines that it is compared with, from whichever end is nearer.
     *
     * @param array{int, int, int} $counts lower, higher and the same
     */
    private static function place(Lineup $lineup, Line $line, array $counts): string
    {
        [$lower, $higher, $same] = $counts;
        $of = $lower + $higher + $same;
        $whose = $lineup->axis instanceof CycleAxis ? '' : $lineup->comparison->peers->named($line);
        $shared = $lower + $higher < $of - 1 ? 'joint ' : '';

        return match (true) {
            $of < 2 || $line->state === LineState::Off => '',
            $lower + $higher === 0 => "the same as all {$of}{$whose}",
            $lower === 0 => "{$shared}lowest of {$of}{$whose}",
            $higher === 0 => "{$shared}highest of {$of}{$whose}",
            $lower < $higher => $shared . Numerals::ordinal($lower + 1) . " lowest of {$of}{$whose}",
            default => $shared . Numerals::ordinal($higher + 1) . " highest of {$of}{$whose}",
        };
    }
}
