<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Numerals;

/** Reads the rows of a table as a plan says, going on past what it cannot read. */
final class Reader
{
    /** Rows after which progress is told. */
    private const TELL = 20_000;

    /** Cells of values that are read of one table; more would not find room in the 1 GB that an import may take. */
    public const MOST = 6_000_000;

    /**
     * @param iterable<int, list<string>> $rows by row number from 0
     * @param (callable(int, int): void)|null $progress told now and then how many rows are read, and how many cells
     *     could not be
     * @throws NotATable where there are more cells than can be read
     */
    public static function read(
        iterable $rows,
        Plan $plan,
        ?callable $progress = null,
        int $most = self::MOST,
    ): Observations {
        $shape = TableShapes::named($plan->shape);
        $builder = new ObservationBuilder($plan, $shape->frequency($plan), $shape->isOfFigures());
        $asides = array_flip($plan->rows->asides);
        $mostRows = intdiv($most, max(1, count($plan->columns->values)));
        $tell = static fn() => $progress !== null && $builder->rowCount % self::TELL === 0
            ? $progress($builder->rowCount, $builder->problems->count)
            : null;
        foreach ($plan->arrangement->rows($rows, $plan->heading) as $number => $row) {
            if ($plan->heading !== null && $number <= $plan->heading) {
                $builder->headings->read($number, $row);
                continue;
            }
            if ($builder->rowCount > $mostRows) {
                throw NotATable::because(
                    'The table has more than ' . Numerals::text((float) $most, 0) . ' values.',
                    'Split it by period or by entity, import one part, and add the others on the page of the data set.',
                );
            }
            if (!isset($asides[$number]) && $builder->readPlain($number, $row)) {
                $tell();
                continue;
            }
            $isEmpty = trim($row[0] ?? '') === '' && trim(implode('', $row)) === '';
            if ($isEmpty || isset($asides[$number]) || $builder->isNonData($row)) {
                $builder->account->see($row);
                continue;
            }
            $builder->read($shape, $number, $row);
            $tell();
        }
        $shape->end($builder);

        return $builder->observations();
    }
}
