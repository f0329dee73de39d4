<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\StoredSeries;
use DuskRail\Reading\ReadSeries;

/** A series of a file beside the one that is there: merged into it, or the same. */
final class LaidOver
{
    /** A series of a file as it is stored, given the one that is there, if there is one. */
    public static function next(?StoredSeries $old, ReadSeries $read, Answers $answers): ReadSeries
    {
        return $old === null || $answers->isInPlace()
            ? $read
            : self::laidOver($old, $read, $answers->removesWithdrawn);
    }

    /**
     * Stored values of periods for which the file has a cell without a value.
     *
     * @return list<int> ordinals
     */
    public static function withdrawn(StoredSeries $old, ReadSeries $new): array
    {
        $withdrawn = [];
        [$first, $values] = [$old->first, $old->values];
        foreach ($new->values as $i => $value) {
            $was = $values[$new->first + $i - $first] ?? NAN;
            if (is_nan($value) && $new->places[$i] >= 0 && !is_nan($was)) {
                $withdrawn[] = $new->first + $i;
            }
        }

        return $withdrawn;
    }

    /**
     * A series merged into the one that is there: where the file has no value, the old ones stay, unless those that are
     * withdrawn are to go.
     */
    private static function laidOver(StoredSeries $old, ReadSeries $new, bool $removesWithdrawn): ReadSeries
    {
        $first = min($old->first, $new->first);
        $oldFirst = $old->first;
        // Taken out of the model once: every look into it unpacks the whole list.
        [$oldValues, $oldStatuses] = [$old->values, $old->statuses];
        $end = max($oldFirst + count($oldValues), $new->first + count($new->values));
        $values = $statuses = $places = [];
        for ($ordinal = $first; $ordinal < $end; $ordinal++) {
            $fresh = $new->values[$ordinal - $new->first] ?? NAN;
            $isCell = ($new->places[$ordinal - $new->first] ?? -1) >= 0;
            $isFresh = !is_nan($fresh) || ($removesWithdrawn && $isCell);
            $values[] = $isFresh ? $fresh : $oldValues[$ordinal - $oldFirst] ?? NAN;
            $statuses[] = $isFresh ? $new->statuses[$ordinal - $new->first] : $oldStatuses[$ordinal - $oldFirst] ?? 0;
            // A place belongs to the latest file; what an older one gave is found through the older version.
            $places[] = $isFresh ? $new->places[$ordinal - $new->first] : -1;
        }

        return new ReadSeries($new->measure, $new->entity, $first, $values, $statuses, $places);
    }

    public static function isSame(StoredSeries $old, ReadSeries $next): bool
    {
        return serialize([$old->first, $old->values, array_filter($old->statuses)]) ===
            serialize([$next->first, $next->values, array_filter($next->statuses)]);
    }
}
