<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** Which column of a table names what is compared. */
final readonly class EntityColumns
{
    public function __construct(private Table $table) {}

    /**
     * @param list<int> $among
     * @return int|null the one with the most different texts: names of entities rather than of groups or units
     */
    public function mostVaried(array $among): ?int
    {
        // What values are split by is compared where there is nothing else.
        $compared = array_filter(
            $among,
            fn(int $column): bool => preg_match(Vocabulary::SPLIT, $this->table->words($column)) !== 1,
        );
        $best = null;
        $most = 0;
        foreach ($compared === [] ? $among : $compared as $column) {
            $different = count($this->table->different($column));
            // Of a name and its code, which are as many, the name.
            $more = $different > $most || ($different === $most && $best !== null && $this->isLonger($column, $best));
            if ($more) {
                [$best, $most] = [$column, $different];
            }
        }

        return $best;
    }

    private function isLonger(int $column, int $other): bool
    {
        $length = fn(int $c): int => mb_strlen(implode('', $this->table->different($c)));

        return preg_match(Vocabulary::CODE, $this->table->words($other)) === 1 && $length($column) > $length($other);
    }

    /**
     * A column of whole numbers that tells rows of one period apart: numbers of subjects, of trees.
     *
     * @param list<int> $among
     * @param list<int> $keys
     */
    public function numbered(array $among, array $keys): ?int
    {
        foreach ($among as $column) {
            $whole = array_filter(
                $this->table->different($column),
                static fn(string $c): bool => preg_match('/^\d{1,9}$/', $c) === 1,
            );
            if (
                count($whole) > 1 &&
                count($whole) === count($this->table->different($column)) &&
                count($whole) < 0.5 * count($this->table->rows) &&
                $this->table->repeats([...$keys, $column]) <= 0.02 * count($this->table->rows)
            ) {
                return $column;
            }
        }

        return null;
    }
}
