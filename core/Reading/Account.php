<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Numerals;

/** What of a table's numbers is read and what is not, so that nothing is left out without a word. */
final readonly class Account
{
    /**
     * @param int $read columns of values that hold numbers
     * @param array<int, array{name: string, count: int, sum: float}> $columns that hold numbers and are left out, by
     *     column
     * @param list<string> $rows how rows begin that have numbers in columns of values and are no values
     * @param int $rowCount how many of those there are
     */
    public function __construct(
        public int $read = 0,
        public array $columns = [],
        public array $rows = [],
        public int $rowCount = 0,
    ) {}

    public function isWhole(): bool
    {
        return $this->columns === [] && $this->rowCount === 0;
    }

    /**
     * What was kept of one, in words: `Total (12 numbers, sum 646)`.
     *
     * @param mixed $kept as toArray() gives it
     * @return list<string>
     */
    public static function inWords(mixed $kept): array
    {
        $said = [];
        $list = static fn(string $name): array => is_array($kept) && is_array($kept[$name] ?? null) ? $kept[$name] : [];
        foreach ($list('columns') as $column) {
            [$name, $count, $sum] = is_array($column)
                ? [$column['name'] ?? null, $column['count'] ?? null, $column['sum'] ?? null]
                : [null, null, null];
            if (is_string($name) && is_int($count) && is_numeric($sum)) {
                $numbers = Numerals::count($count) . ($count === 1 ? ' number' : ' numbers');
                $said[] = "{$name} ({$numbers}, sum " . Numerals::plain((float) $sum) . ')';
            }
        }
        foreach (array_filter($list('rows'), is_string(...)) as $row) {
            $said[] = "row “{$row}”";
        }

        return $said;
    }

    /** @return array{columns?: list<array{name: string, count: int, sum: float}>, rows?: list<string>} as it is kept */
    public function toArray(): array
    {
        return array_filter(['columns' => array_values($this->columns), 'rows' => $this->rows]);
    }
}
