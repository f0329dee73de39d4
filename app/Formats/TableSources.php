<?php

declare(strict_types=1);

namespace App\Formats;

/** The formats that are no delimited text. A new one is registered here. */
final class TableSources
{
    /** @var list<class-string<TableSource>> asked in this order */
    private const ALL = [TabularPackage::class, JsonStatFile::class, Workbook::class];

    /** @return class-string<TableSource>|null null for what is delimited text, or nothing that is known */
    public static function of(string $path): ?string
    {
        foreach (self::ALL as $format) {
            if ($format::isOne($path)) {
                return $format;
            }
        }

        return null;
    }
}
