<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Time\PeriodNotation;
use DuskRail\Time\PeriodReading;
use DuskRail\Time\YearPart;

/**
 * Headings that name measures and periods alike: in two rows, of which one repeats for each of the other, or joined in
 * one, as in `Leakage 2022`.
 */
final readonly class PairedHeadings
{
    private const FEWEST_COLUMNS = 4;

    /**
     * @param int|null $above row over the headings; null where each heading holds both
     * @param list<int> $columns that they are over
     * @param list<string> $measures each once
     * @param list<string> $spans the periods as they are written, by column
     */
    private function __construct(
        public int $heading,
        public ?int $above,
        public array $columns,
        public PeriodReading $periods,
        private array $measures,
        private array $spans,
    ) {}

    /** @param int $heading row that was taken for the headings; the other may be over it or under it */
    public static function inTwoRows(Sample $sample, int $heading): ?self
    {
        foreach ([[$heading - 1, $heading], [$heading, $heading + 1]] as [$above, $below]) {
            if ($above < 0 || !isset($sample->rows[$below + 1]) || $sample->isNote($above)) {
                continue;
            }
            [$upper, $lower] = self::rows($sample, $above, $below);
            foreach ([[$lower, $upper], [$upper, $lower]] as [$times, $others]) {
                foreach (PeriodNotation::recognisable($times) as $notation) {
                    $columns = array_keys(
                        array_filter($times, static fn(string $text): bool => $notation->read($text) !== null),
                    );
                    $names = array_map(static fn(int $column): string => $others[$column], $columns);
                    $spans = array_map(static fn(int $column): string => $times[$column], $columns);
                    $named = array_filter(
                        $names,
                        static fn(string $name): bool => $notation->read($name) === null &&
                            preg_match('/\p{L}/u', $name) === 1,
                    );
                    if (count($named) === count($columns) && self::arePaired($names, $spans)) {
                        $part = $notation === PeriodNotation::Year ? self::partIn($names) : null;

                        return new self(
                            $below,
                            $above,
                            $columns,
                            $part !== null
                                ? PeriodReading::of($part->notation())
                                : PeriodReading::detect($spans) ?? PeriodReading::of($notation),
                            array_values(array_unique($names)),
                            $spans,
                        );
                    }
                }
            }
        }

        return null;
    }

    /**
     * What part of a year all names are, as months under years.
     *
     * @param list<string> $names
     */
    private static function partIn(array $names): ?YearPart
    {
        foreach (YearPart::ofYear() as $part) {
            if (!in_array(null, array_map($part->undated(...), $names), true)) {
                return $part;
            }
        }

        return null;
    }

    /** @return array{list<string>, list<string>} texts of the two rows, the upper one filled to the right */
    public static function rows(Sample $sample, int $above, int $below): array
    {
        // A cell over several columns is over the first of them.
        $upper = $lower = [];
        $last = '';
        for ($column = 0; $column < $sample->width; $column++) {
            $last = $sample->cell($above, $column) === '' ? $last : $sample->cell($above, $column);
            [$upper[], $lower[]] = [$last, $sample->cell($below, $column)];
        }

        return [$upper, $lower];
    }

    /**
     * True if several names share the same periods.
     *
     * @param list<string> $names
     * @param list<string> $spans
     */
    private static function arePaired(array $names, array $spans): bool
    {
        return count($names) >= self::FEWEST_COLUMNS &&
            self::areCrossed($names, $spans) &&
            count(array_unique($names)) >= 2 &&
            count(array_unique($spans)) < count($spans);
    }

    public static function inOne(Sample $sample, int $heading): ?self
    {
        foreach (PeriodNotation::recognisable([]) as $notation) {
            $columns = $names = $spans = [];
            for ($column = 0; $column < $sample->breadth($heading); $column++) {
                $parted = Plan::parted($sample->cell($heading, $column), PeriodReading::of($notation));
                if ($parted !== null) {
                    [$columns[], $names[], $spans[]] = [$column, ...$parted];
                }
            }
            if (
                count($columns) >= 2 &&
                count($columns) >= 0.6 * $sample->breadth($heading) &&
                self::areCrossed($names, $spans) &&
                count(array_unique($names)) * count(array_unique($spans)) === count($columns)
            ) {
                return new self(
                    $heading,
                    null,
                    $columns,
                    PeriodReading::of($notation),
                    array_values(array_unique($names)),
                    $spans,
                );
            }
        }

        return null;
    }

    public function evidence(): string
    {
        $each = implode(', ', array_slice($this->measures, 0, 4)) . (count($this->measures) > 4 ? ' …' : '');

        return $this->above === null
            ? count($this->columns) .
                    " column headers contain a measure and a period: {$each}, {$this->spans[0]} to " .
                    "{$this->spans[count($this->spans) - 1]}"
            : 'rows ' .
                    ($this->above + 1) .
                    ' and ' .
                    ($this->heading + 1) .
                    " are both header rows: {$each} for each period";
    }

    /**
     * Whether every column is a measure and a period of its own.
     *
     * @param list<string> $names
     * @param list<string> $spans
     */
    private static function areCrossed(array $names, array $spans): bool
    {
        $pairs = array_map(static fn(string $name, string $span): string => "{$name}\t{$span}", $names, $spans);

        return count(array_unique($spans)) >= 2 && count(array_unique($pairs)) === count($pairs);
    }
}
