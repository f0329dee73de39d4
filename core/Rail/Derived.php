<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Data\DataSource;
use DuskRail\Data\Measure;
use DuskRail\Data\SeriesTable;
use DuskRail\Rail\Formula\Expression;
use DuskRail\Rail\Formula\InvalidFormula;

/** A measure that is calculated from others, as the stop “Formula” does: `Leakage ÷ Water supplied × 100`. */
final class Derived
{
    /**
     * Its values, on the periods of the finest measure that it names.
     *
     * @throws InvalidFormula when it cannot be read, names nothing, or is not possible of the units
     */
    public static function table(string $formula, DataSource $data): SeriesTable
    {
        $names = array_map(static fn(Measure $m): string => $m->name, $data->measures());
        $named = Expression::parse($formula, $names)->measures();
        $base = null;
        foreach ($named as $key) {
            $base =
                $base === null || $data->measures()[$key]->frequency->isFinerThan($data->measures()[$base]->frequency)
                    ? $key
                    : $base;
        }
        if ($base === null) {
            throw InvalidFormula::because('The formula contains no measure. Available: ' . implode(', ', $names) . '.');
        }
        $run = Rail::of()
            ->with(StopCatalogue::make('formula', ['text' => $formula]))
            ->run($data->table($base), Scope::all($data));
        $refused = $run->refused();

        return $refused === null ? $run->table() : throw InvalidFormula::because((string) $refused->refusal);
    }
}
