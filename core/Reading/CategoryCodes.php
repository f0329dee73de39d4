<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/**
 * What the codes that statistical offices use for categories mean: the cross-domain code lists of SDMX for sex and age,
 * and the codes that hold in all lists. From memory.
 */
final class CategoryCodes
{
    private const SEX = ['F' => 'Female', 'M' => 'Male', 'T' => 'Total', 'W' => 'Female', 'N' => 'Not applicable'];

    private const ANY = [
        '_T' => 'Total',
        '_Z' => 'Not applicable',
        '_U' => 'Not known',
        '_O' => 'Other',
        '_X' => 'Not stated',
    ];

    /** @return string the name of a category that is written as a code; else what is written */
    public static function name(string $breakdown, string $code): string
    {
        $words = Vocabulary::words($breakdown);

        return self::ANY[$code] ?? match (1) {
            preg_match('/\b(sex|gender|sexe|sexo|geschlecht|kön|kjønn|køn|sesso)\b/iu', $words) => self::SEX[
                $code
            ] ?? $code,
            preg_match('/\b(age|ages|alter|âge|edad|età|leeftijd|ålder|alder)\b/iu', $words) => self::age($code),
            default => $code,
        };
    }

    private static function age(string $code): string
    {
        return match (1) {
            preg_match('/^Y(\d+)(?:T|-|_)(\d+)$/', $code, $m) => "{$m[1]} to {$m[2]}",
            preg_match('/^Y_?LT(\d+)$/', $code, $m) => "under {$m[1]}",
            preg_match('/^Y_?GE(\d+)$/', $code, $m), preg_match('/^Y(\d+)\+$/', $code, $m) => "{$m[1]} and over",
            preg_match('/^Y_?GT(\d+)$/', $code, $m) => "over {$m[1]}",
            preg_match('/^Y(\d+)$/', $code, $m) => $m[1],
            default => $code,
        };
    }
}
