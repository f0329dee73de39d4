<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Numerals;

/** A column that holds numbers and is not read: why, and what it can be made with one click. */
final readonly class LeftOutColumn
{
    /** How far a sum may be off, for the rounding of its parts. */
    private const NEAR = 0.005;

    /** Share of the rows in which a column must be the sum of others. */
    private const SHARE = 0.9;

    /** @param Role|null $remedy what it can be made; null where it holds nothing of its own */
    private function __construct(
        public int $column,
        public string $name,
        public int $count,
        public string $why,
        public ?Role $remedy,
    ) {}

    /** @return list<self> of a table that was read by a plan */
    public static function all(Account $account, Table $table, Plan $plan): array
    {
        $all = [];
        foreach ($account->columns as $column => ['name' => $name, 'count' => $count]) {
            [$why, $isOwn] = self::why($column, $table, $plan);
            $shape = TableShapes::named($plan->shape);
            $roles = $shape->roles();
            $remedy = match (true) {
                !$isOwn => null,
                !$shape->hasTimesAcross() && in_array(Role::Figures, $roles, true) => Role::Figures,
                in_array(Role::About, $roles, true) => Role::About,
                default => null,
            };
            $all[] = new self($column, $name, $count, $why, $remedy);
        }

        return $all;
    }

    /** @return array{string, bool} the reason, and whether it holds something of its own */
    private static function why(int $column, Table $table, Plan $plan): array
    {
        $passedOver = new PassedOver($table);
        $earlier = array_values(array_filter($table->columns, static fn(int $c): bool => $c < $column));

        return match (true) {
            $column === $table->time => ['times of day', false],
            $passedOver->isRowNumber($column) => ['it numbers the rows', false],
            $passedOver->isSaidAgain($column), $passedOver->twin($column, $earlier) !== null
                => ['it repeats another column', false],
            preg_match(Vocabulary::ASIDE, $table->words($column)) === 1 => ['it describes the values', true],
            self::isSumOfOthers($column, $table, $plan) => ['the sum of the columns that are read', true],
            TableShapes::named($plan->shape)->hasTimesAcross() && !$plan->isPaired()
                => ['its header is not a period like the others', true],
            count($table->different($column)) === 1 => ['the same in all rows', true],
            default => ['', true],
        };
    }

    private static function isSumOfOthers(int $column, Table $table, Plan $plan): bool
    {
        $values = $plan->columns->values;
        $rows = $near = 0;
        foreach (count($values) < 2 ? [] : array_slice($table->cells($column), 0, 200) as $i => $cell) {
            $own = Figure::read($plan->numbers, $cell)?->value;
            $sum = 0.0;
            foreach ($values as $other) {
                $value = Figure::read($plan->numbers, $table->cells($other)[$i])->value ?? NAN;
                $sum += is_nan($value) ? 0.0 : $value;
            }
            if ($own !== null && !is_nan($own)) {
                $rows++;
                $near += abs($sum - $own) <= self::NEAR * abs($own) ? 1 : 0;
            }
        }

        return $rows > 0 && $near >= self::SHARE * $rows;
    }

    /** `Total (12 numbers): the sum of the columns that are read`. */
    public function inWords(): string
    {
        return "{$this->name} (" .
            Numerals::count($this->count) .
            ($this->count === 1 ? ' number' : ' numbers') .
            ')' .
            ($this->why === '' ? '' : ": {$this->why}");
    }
}
