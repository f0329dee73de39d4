<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** Counts, row by row, the numbers of columns that are left out, and rows of values of which nothing came. */
final class AccountKeeper
{
    private const ROWS_KEPT = 20;

    /** @var list<int>|null columns that are left out; known with the first row */
    private ?array $out = null;

    /** @var array<int, int> */
    private array $counts = [];

    /** @var array<int, float> */
    private array $sums = [];

    /** @var array<int, true> columns of values in which a number was seen */
    private array $read = [];

    /** @var list<string> */
    private array $rows = [];

    private int $rowCount = 0;

    public function __construct(private readonly Plan $plan, private readonly TableHeadings $headings) {}

    /** @param list<string> $row of values */
    public function see(array $row): void
    {
        foreach ($this->out ??= $this->columnsOut($row) as $column) {
            $text = $row[$column] ?? '';
            $value = is_numeric($text) ? (float) $text : ($text === '' ? null : $this->number($text));
            if ($value !== null && is_finite($value)) {
                $this->counts[$column] = ($this->counts[$column] ?? 0) + 1;
                $this->sums[$column] = ($this->sums[$column] ?? 0.0) + $value;
            }
        }
        if (count($this->read) < count($this->plan->columns->values)) {
            foreach ($this->plan->columns->values as $column) {
                if (!isset($this->read[$column]) && preg_match('/\d/', $row[$column] ?? '') === 1) {
                    $this->read[$column] = true;
                }
            }
        }
    }

    /**
     * A row of which no value came, and no problem either, as a sum under a table of one entity.
     *
     * @param list<string> $row
     */
    public function passOver(array $row): void
    {
        $hasNumbers = array_filter(
            $this->plan->columns->values,
            fn(int $column): bool => is_finite($this->number($row[$column] ?? '') ?? NAN),
        );
        if ($hasNumbers === []) {
            return;
        }
        $this->rowCount++;
        $texts = array_values(array_filter(array_map(trim(...), $row), static fn(string $t): bool => $t !== ''));
        if (count($this->rows) < self::ROWS_KEPT) {
            $isName = static fn(string $text): bool => preg_match('/\p{L}/u', $text) === 1;
            $names = array_slice($texts, 0, isset($texts[1]) && $isName($texts[0]) && $isName($texts[1]) ? 2 : 1);
            $this->rows[] = mb_strimwidth(mb_scrub(implode(', ', $names)), 0, 60, '…');
        }
    }

    private function number(string $text): ?float
    {
        return preg_match('/\d/', $text) === 1
            ? Figure::read($this->plan->numbers, $text, $this->plan->stated->letter)?->value
            : null;
    }

    /**
     * @param list<string> $row
     * @return list<int>
     */
    private function columnsOut(array $row): array
    {
        $all = range(0, max(1, $this->headings->breadth ?: count($row)) - 1);

        return array_values(
            array_filter($all, fn(int $column): bool => $this->plan->columns->role($column) === Role::Out),
        );
    }

    public function account(): Account
    {
        $columns = [];
        ksort($this->counts);
        foreach ($this->counts as $column => $count) {
            $name = $this->headings->text($column);
            $columns[$column] = ['name' => $name, 'count' => $count, 'sum' => $this->sums[$column]];
        }

        return new Account(count($this->read), $columns, $this->rows, $this->rowCount);
    }
}
