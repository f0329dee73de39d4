<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\MeasureKind;
use DuskRail\Time\PeriodReading;

/** Two rows of headings over periods down, of which one names entities and the other the measures of each. */
final readonly class CrossedHeadings
{
    private const FEWEST_COLUMNS = 4;

    /**
     * @param list<int> $columns that both are over
     * @param bool|null $hasMeasuresAbove null where no name says that it is of a measure: they may be entities and what
     *     their values are split by
     */
    private function __construct(
        public int $heading,
        public int $above,
        public array $columns,
        public ?bool $hasMeasuresAbove,
    ) {}

    /** @param int $heading row that was taken for the headings; the other may be over it or under it */
    public static function in(Sample $sample, int $heading): ?self
    {
        foreach ([[$heading - 1, $heading], [$heading, $heading + 1]] as [$above, $below]) {
            if ($above < 0 || !isset($sample->rows[$below + 1]) || $sample->isNote($above)) {
                continue;
            }
            [$upper, $lower] = PairedHeadings::rows($sample, $above, $below);
            $columns = self::named($upper, $lower);
            $upper = array_map(static fn(int $column): string => $upper[$column], $columns);
            $lower = array_map(static fn(int $column): string => $lower[$column], $columns);
            $table = new Table($sample, $below);
            $areNumbers = array_filter($columns, static fn(int $column): bool => !$table->isNumeric($column)) === [];
            if ($areNumbers && self::areCrossed($upper, $lower)) {
                [$ofUpper, $ofLower] = [self::signs($upper), self::signs($lower)];
                $isSaid = max($ofUpper, $ofLower) > 0.0;

                return new self($below, $above, $columns, $isSaid ? $ofUpper > $ofLower : null);
            }
        }

        return null;
    }

    /**
     * @param list<string> $upper
     * @param list<string> $lower
     * @return list<int> columns that both rows name, in words and not as periods
     */
    private static function named(array $upper, array $lower): array
    {
        $isName = static fn(string $text): bool => preg_match('/\p{L}/u', $text) === 1;
        $columns = [];
        foreach ($upper as $column => $text) {
            $isOfTime = preg_match(Vocabulary::PERIOD, $lower[$column]) === 1;
            if ($isName($text) && $isName($lower[$column]) && !($columns === [] && $isOfTime)) {
                $columns[] = $column;
            }
        }

        return $columns;
    }

    /**
     * True if each of the one is with each of the other, once.
     *
     * @param list<string> $upper
     * @param list<string> $lower
     */
    private static function areCrossed(array $upper, array $lower): bool
    {
        $pairs = array_map(static fn(string $one, string $other): string => "{$one}\t{$other}", $upper, $lower);
        [$above, $below] = [array_unique($upper), array_unique($lower)];

        return count($pairs) >= self::FEWEST_COLUMNS &&
            count($above) >= 2 &&
            count($below) >= 2 &&
            count(array_unique($pairs)) === count($pairs) &&
            count($above) * count($below) === count($pairs) &&
            PeriodReading::detect(array_values($above), 0.5) === null &&
            PeriodReading::detect(array_values($below), 0.5) === null;
    }

    /**
     * How many of the names have a unit or say what kind of measure they are.
     *
     * @param list<string> $names
     */
    private static function signs(array $names): float
    {
        $names = array_unique($names);
        $are = array_filter($names, static function (string $name): bool {
            $heading = Heading::read($name);

            return $heading->unit !== '' ||
                MeasureKind::guessed($heading->name, '')[1] !== MeasureKind::NO_SIGN;
        });

        return count($are) / max(1, count($names));
    }
}
