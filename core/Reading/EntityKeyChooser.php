<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/**
 * What the columns of a table are that are neither entity nor period nor values: some say more of the entity, some
 * split the data, some tell nothing apart.
 */
final readonly class EntityKeyChooser
{
    /** Categories of one breakdown. */
    private const MOST = 400;

    /** Rows of a table that is so short that shares say nothing. */
    private const HANDFUL = 8;

    /** Share of rows that may be for a value that another one is for. */
    private const AGAIN = 0.1;

    /**
     * @param list<int> $about
     * @param list<int> $breakdowns
     * @param int|null $group of those about the entity, the one to group by
     */
    private function __construct(public array $about, public array $breakdowns, public ?int $group) {}

    /**
     * The entity, and what the other columns are then: of several that may name it the first with which no two rows are
     * for the same value, or nearly none.
     *
     * @param list<int> $free columns that may be either
     * @param list<int|null> $entities columns that may name them, the likeliest first
     * @param list<int> $keys columns that tell values apart already: those of period and measure
     * @return array{int|null, self}
     */
    public static function best(Table $table, array $free, array $entities, array $keys): array
    {
        $best = null;
        foreach (array_unique($entities) ?: [null] as $entity) {
            $found = self::of($table, array_values(array_diff($free, [$entity ?? -1])), $entity, $keys);
            $columns = [...$keys, ...$entity === null ? [] : [$entity], ...$found->breakdowns];
            $again = $table->repeats($columns);
            if ($again <= self::AGAIN * $table->rowCount()) {
                return [$entity, $found];
            }
            $best = $best === null || $again < $best[0] ? [$again, $entity, $found] : $best;
        }

        return [$best[1], $best[2]];
    }

    /**
     * @param list<int> $free columns that may be either
     * @param list<int> $keys columns that tell values apart already: those of period and measure
     */
    public static function of(Table $table, array $free, ?int $entity, array $keys): self
    {
        $about = $rest = [];
        $group = null;
        foreach ($free as $column) {
            $count = count($table->different($column));
            if ($count < 2 || self::isNonData($table, $column, $keys)) {
                continue;
            }
            if ($entity !== null && self::describes($table, $column, $entity)) {
                $isGroup =
                    $group === null &&
                    preg_match(Vocabulary::GROUP, $table->words($column)) === 1 &&
                    $count < count($table->different($entity));
                $group = $isGroup ? $column : $group;
                $about = $isGroup ? $about : [...$about, $column];
            } else {
                $rest[] = $column;
            }
        }
        $breakdowns = self::splitting($table, $rest, [...$entity === null ? [] : [$entity], ...$keys]);

        return new self($about, $breakdowns, $group);
    }

    /** Whether a column says the same of an entity wherever it is: a number must do so more than once. */
    private static function describes(Table $table, int $column, int $entity): bool
    {
        $entities = count($table->different($entity));

        return $entities > 1 &&
            (!$table->isNumeric($column) ||
                $table->rowCount() >= 2 * $entities ||
                preg_match(Vocabulary::CODE, $table->words($column)) === 1) &&
            $table->follows($column, $entity);
    }

    /** @param list<int> $keys */
    private static function isNonData(Table $table, int $column, array $keys): bool
    {
        if (preg_match(Vocabulary::ASIDE, $table->words($column)) === 1) {
            return true;
        }
        foreach ($keys as $key) {
            // The code of a measure, the number of a month: the same said in another way.
            if ($table->follows($column, $key)) {
                return true;
            }
        }

        return false;
    }

    /**
     * The fewest columns without which rows would be for the same value again.
     *
     * @param list<int> $rest
     * @param list<int> $keys
     * @return list<int>
     */
    private static function splitting(Table $table, array $rest, array $keys): array
    {
        $may = array_values(array_filter($rest, static fn(int $c): bool => self::isCategory($table, $c)));
        $again = $table->repeats($keys);
        $allowed = max(2, (int) (0.02 * $table->rowCount()));
        $least = $may === [] ? $again : $table->repeats([...$keys, ...$may]);
        // In a long table one row may be there twice by mistake; in a handful it would be much of it.
        $needed = $table->rowCount() <= self::HANDFUL && $least === 0 ? 1 : 2;
        if ($again - $least < $needed || $least > $allowed) {
            return [];
        }
        // Numbers go first where texts are enough, and codes before names.
        usort($may, static fn(int $a, int $b): int => self::weight($table, $a) <=> self::weight($table, $b));
        foreach ($may as $column) {
            $without = array_values(array_diff($may, [$column]));
            if ($table->repeats([...$keys, ...$without]) <= $least) {
                $may = $without;
            }
        }
        sort($may);

        return $may;
    }

    private static function isCategory(Table $table, int $column): bool
    {
        $different = $table->different($column);
        $whole = array_filter($different, static fn(string $c): bool => preg_match('/^\d{1,6}$/', $c) === 1);

        $most = $table->rowCount() <= self::HANDFUL ? $table->rowCount() : min(self::MOST, $table->rowCount() / 2);

        return count($different) <= $most && (!$table->isNumeric($column) || count($whole) === count($different));
    }

    /** @return array{bool, bool, int} the first to be left out is the least */
    private static function weight(Table $table, int $column): array
    {
        return [
            !$table->isNumeric($column),
            preg_match(Vocabulary::CODE, $table->words($column)) !== 1,
            mb_strlen(implode('', $table->different($column))),
        ];
    }
}
