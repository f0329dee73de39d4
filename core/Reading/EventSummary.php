<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\MeasureKind;

/** How the events of one entity and period are made into one value. */
enum EventSummary: string
{
    case Out = 'out';
    case Sum = 'sum';
    case Mean = 'mean';
    case Median = 'median';
    case Lowest = 'lowest';
    case Highest = 'highest';
    case Last = 'last';
    case Different = 'different';

    public function label(): string
    {
        return match ($this) {
            self::Out => 'exclude',
            self::Sum => 'sum',
            self::Mean => 'mean',
            self::Median => 'median',
            self::Lowest => 'minimum',
            self::Highest => 'maximum',
            self::Last => 'last value',
            self::Different => 'distinct count',
        };
    }

    /** What the data measure, of a column of this heading. */
    public function measure(string $heading): string
    {
        return match ($this) {
            self::Out, self::Sum => $heading,
            self::Different => 'Distinct ' . mb_strtolower(mb_substr($heading, 0, 1)) . mb_substr($heading, 1),
            self::Lowest => 'Minimum ' . mb_strtolower(mb_substr($heading, 0, 1)) . mb_substr($heading, 1),
            self::Highest => 'Maximum ' . mb_strtolower(mb_substr($heading, 0, 1)) . mb_substr($heading, 1),
            default => ucfirst($this->value) . ' ' . mb_strtolower(mb_substr($heading, 0, 1)) . mb_substr($heading, 1),
        };
    }

    /** Only a sum adds up over time: a mean does not, and what is there in two months is one thing in both together. */
    public function kind(): MeasureKind
    {
        return $this === self::Sum ? MeasureKind::Flow : MeasureKind::Rate;
    }

    /**
     * @param non-empty-list<float|string> $cells in the order of the file: numbers, or texts to be told apart
     */
    public function of(array $cells): float
    {
        $numbers = array_values(array_filter($cells, static fn(float|string $c): bool => is_float($c) && !is_nan($c)));
        if ($this === self::Different) {
            return (float) count(array_unique(array_map(strval(...), $cells)));
        }
        if ($numbers === []) {
            return NAN;
        }
        sort($numbers);
        $count = count($numbers);

        return match ($this) {
            self::Sum => array_sum($numbers),
            self::Mean => array_sum($numbers) / $count,
            self::Median => ($numbers[intdiv($count - 1, 2)] + $numbers[intdiv($count, 2)]) / 2,
            self::Lowest => $numbers[0],
            self::Highest => $numbers[$count - 1],
            default => array_values(
                array_filter($cells, static fn(float|string $c): bool => is_float($c) && !is_nan($c)),
            )[$count - 1],
        };
    }
}
