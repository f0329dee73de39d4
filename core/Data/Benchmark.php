<?php

declare(strict_types=1);

namespace DuskRail\Data;

/** What an entity stands for that others are measured by: it is shown and named, and is in no peer set and no sum. */
enum Benchmark: string
{
    case Total = 'total';
    case Mean = 'mean';
    case Median = 'median';
    case Quartile = 'quartile';
    case Target = 'target';
    case Other = 'other';

    /** The attribute that keeps it with an entity. */
    public const ATTRIBUTE = 'summary';

    /** @param array<string, string> $attributes of an entity */
    public static function in(array $attributes): ?self
    {
        $kept = $attributes[self::ATTRIBUTE] ?? '';

        return $kept === '' ? null : self::tryFrom($kept) ?? self::Other;
    }

    public function label(): string
    {
        return match ($this) {
            self::Total => 'total of others',
            self::Mean => 'mean of others',
            self::Median => 'median of others',
            self::Quartile => 'quartile of others',
            self::Target => 'target',
            self::Other => 'another benchmark',
        };
    }
}
