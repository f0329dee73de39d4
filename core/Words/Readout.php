<?php

declare(strict_types=1);

namespace DuskRail\Words;

use DuskRail\Data\Numerals;
use DuskRail\Data\Status;
use DuskRail\Data\ValueType;
use DuskRail\Document\LineState;
use DuskRail\Outcome\Line;
use DuskRail\Outcome\Lineup;
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
        $points = [];
        $statuses = self::statuses($lineup, $line);
        $others = self::others($lineup, $line);
        for ($i = $lineup->from; $i <= $lineup->to; $i++) {
            if (!is_nan($line->values[$i])) {
                $points[$i] = self::at($lineup, $line, $i, [$statuses[$i] ?? null, $others]);
            }
        }

        return ['name' => $line->name, 'points' => $points];
    }

    /**
     * @param array{Status|null, list<list<float>>} $beside what the file says of it, and the values of the others
     * @return array{string, string, string}
     */
    private static function at(Lineup $lineup, Line $line, int $position, array $beside): array
    {
        [$status, $others] = $beside;
        $value = $line->values[$position];
        // One decimal more than the labels: whoever points at a spot wants to know it better.
        $decimals = $lineup->decimals + 1;
        $before = self::yearBefore($lineup, $line, $position);
        $rest = [
            is_nan($before)
                ? ''
                : Numerals::signed($value - $before, $decimals) .
                    ' on ' .
                    ($lineup->axis instanceof CycleAxis ? 'the one' : 'a year') .
                    ' before',
        ];
        $rest[] = self::place($lineup, $line, $position, $others);
        $rest[] = $status?->inWords() ?? '';
        // What became of it is told where it ends.
        $rest[] = $position === $line->last ? $lineup->comparison->data->entities()[$line->key]->note ?? '' : '';

        return [
            $lineup->when($line, $position),
            trim(
                Numerals::text($value, $decimals) .
                    ($lineup->unit->sort === ValueType::Index ? '' : " {$lineup->unit->text()}"),
            ),
            implode(' · ', array_filter($rest)),
        ];
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
     * @param list<list<float>> $others
     */
    private static function place(Lineup $lineup, Line $line, int $position, array $others): string
    {
        $value = $line->values[$position];
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
