<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Reading\NotATable;

/** Every format that can be brought; texts that list them are made here. A new one is named here. */
final class TableSources
{
    /** @var list<class-string<TableSource>> what is no delimited text */
    private const ALL = [
        Workbook::class,
        JsonStatFile::class,
        SdmxJson::class,
        TabularPackage::class,
        JsonRecords::class,
        HtmlTables::class,
        PxFile::class,
        Gzipped::class,
        AlignedText::class,
        Archive::class,
    ];

    /**
     * @return class-string<TableSource>|null null for what is delimited text, or nothing that is known
     *
     * @throws NotATable for JSON that none of the formats claims, which as text would be read as nonsense
     */
    public static function of(string $path): ?string
    {
        foreach (self::ALL as $format) {
            if ($format::isOne($path)) {
                return $format;
            }
        }
        if (JsonDocument::read($path) !== null) {
            throw NotATable::because(
                'The file is JSON, but in none of the formats that can be imported: ' . self::ofEnding('json') . '.',
                'For data, CSV works best. A study file must come from “Hand over”.',
            );
        }

        return null;
    }

    /** @return list<class-string<TableSource>> that claim a file: one at most */
    public static function claiming(string $path): array
    {
        return array_values(array_filter(self::ALL, static fn(string $format): bool => $format::isOne($path)));
    }

    /** What can be brought, in words: `CSV, TSV, … or data package`. */
    public static function inWords(): string
    {
        $names = DelimitedFile::NAMES;
        foreach (self::ALL as $format) {
            array_push($names, ...$format::names());
        }

        return self::listed($names);
    }

    /** @param list<string> $names */
    private static function listed(array $names): string
    {
        $last = (string) array_pop($names);

        return $names === [] ? $last : __(':formats or :last', ['formats' => implode(', ', $names), 'last' => $last]);
    }

    /** The formats whose files may have an ending, in words. */
    private static function ofEnding(string $ending): string
    {
        $names = [];
        foreach (self::ALL as $format) {
            array_push($names, ...in_array($ending, $format::endings(), true) ? $format::names() : []);
        }

        return self::listed($names);
    }

    /** What a page asks the browser to offer: `.csv,.tsv,…`. */
    public static function accepted(): string
    {
        $endings = DelimitedFile::ENDINGS;
        foreach (self::ALL as $format) {
            array_push($endings, ...$format::endings());
        }

        return implode(',', array_map(static fn(string $ending): string => ".{$ending}", array_unique($endings)));
    }
}
