<?php

declare(strict_types=1);

namespace DuskRail\Data;

/**
 * What may be done to a measure: a flow adds up over time, a stock is a level at a moment, a rate is a quotient
 * already.
 */
enum MeasureKind: string
{
    case Flow = 'flow';
    case Stock = 'stock';
    case Rate = 'rate';

    public function meaning(): string
    {
        return match ($this) {
            self::Flow => 'flow (adds up over time)',
            self::Stock => 'stock (a level at a moment)',
            self::Rate => 'rate (already a quotient)',
        };
    }

    /** A first guess from what a measure is called and counted in; the user sees it and can change it. */
    public static function guess(string $name, string $unit): self
    {
        $text = strtolower("{$name} {$unit}");
        if (preg_match('/%|\bper\b|\/|\brate\b|\bratio\b|\bshare\b|\bindex\b|\bper cent\b/', $text) === 1) {
            return self::Rate;
        }
        $stock =
            '/\b(people|population|inhabitants|persons|residents|connections|customers|' .
            'households|members|staff|employees|headcount|fte|length|km|stock|capacity|area|' .
            'assets|debt|balance|price|temperature)\b/';

        return preg_match($stock, $text) === 1 ? self::Stock : self::Flow;
    }
}
