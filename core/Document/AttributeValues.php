<?php

declare(strict_types=1);

namespace DuskRail\Document;

use DuskRail\Data\Entity;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\UnknownPeriod;

/**
 * Who is meant by a value of an attribute, or by having a date in one: `is:Size class=large`, `dates:Joined`.
 */
final class AttributeValues
{
    private const IS = 'is:';

    private const DATES = 'dates:';

    /** An attribute of more values tells nothing of whoever has one of them. */
    private const MOST = 12;

    /**
     * @param array<array-key, Entity> $entities
     * @return array<string, string> names by key
     */
    public static function offered(array $entities): array
    {
        $values = $offered = [];
        foreach ($entities as $entity) {
            foreach ($entity->attributes as $attribute => $value) {
                if ($value !== '') {
                    $values[(string) $attribute][$value] = true;
                }
            }
        }
        // The group of an entity is offered as a group.
        unset($values['group']);
        foreach ($values as $attribute => $of) {
            $texts = array_map(strval(...), array_keys($of));
            $dates = array_filter($texts, static fn(string $text): bool => self::date($text) !== null);
            if (count($dates) === count($texts)) {
                $offered[self::DATES . $attribute] = "{$attribute} (its dates)";
            } elseif (count($texts) <= self::MOST) {
                sort($texts);
                foreach ($texts as $text) {
                    $offered[self::IS . "{$attribute}={$text}"] = "{$attribute}: {$text}";
                }
            }
        }

        return $offered;
    }

    /** What a key is called; null for a key of another kind. */
    public static function named(string $key): ?string
    {
        return match (true) {
            str_starts_with($key, self::DATES) => substr($key, strlen(self::DATES)),
            str_starts_with($key, self::IS) => implode(': ', explode('=', substr($key, strlen(self::IS)), 2)),
            default => null,
        };
    }

    /** Whether an entity has the value, or a date. */
    public static function holds(string $key, Entity $entity): bool
    {
        foreach ($entity->attributes as $attribute => $value) {
            if ($key === self::IS . "{$attribute}={$value}") {
                return true;
            }
        }

        return self::dateIn($key, $entity) !== null;
    }

    /** The date that an entity has in the attribute; null without one. */
    public static function dateIn(string $key, Entity $entity): ?Period
    {
        return str_starts_with($key, self::DATES)
            ? self::date($entity->attributes[substr($key, strlen(self::DATES))] ?? '')
            : null;
    }

    private static function date(string $text): ?Period
    {
        try {
            $period = Period::parse($text);
        } catch (UnknownPeriod) {
            return null;
        }

        return $period->frequency === Frequency::Number ? null : $period;
    }
}
