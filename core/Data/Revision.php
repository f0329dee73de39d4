<?php

declare(strict_types=1);

namespace DuskRail\Data;

/**
 * What a new state of values changes in the one before: how many are new, changed and gone, and the largest of the
 * changes.
 */
final class Revision
{
    private const LARGEST = 12;

    public int $new = 0;

    public int $changed = 0;

    public int $gone = 0;

    public int $same = 0;

    /**
     * @var list<array{measure: string, entity: string, ordinal: int, old: float, new: float}> the largest first,
     *     against what was there
     */
    public array $largest = [];

    /**
     * Takes one series into account.
     *
     * @param list<float> $old from the ordinal $oldFirst on; missing is NAN
     * @param list<float> $new from the ordinal $newFirst on
     */
    public function compare(string $measure, string $entity, int $oldFirst, array $old, int $newFirst, array $new): void
    {
        $from = $old === [] ? $newFirst : ($new === [] ? $oldFirst : min($oldFirst, $newFirst));
        $to = max($oldFirst + count($old), $newFirst + count($new));
        for ($ordinal = $from; $ordinal < $to; $ordinal++) {
            $was = $old[$ordinal - $oldFirst] ?? NAN;
            $is = $new[$ordinal - $newFirst] ?? NAN;
            if (is_nan($was) || is_nan($is)) {
                $this->new += is_nan($was) && !is_nan($is) ? 1 : 0;
                $this->gone += !is_nan($was) && is_nan($is) ? 1 : 0;
            } elseif ($was === $is) {
                $this->same++;
            } else {
                $this->changed++;
                $this->note([
                    'measure' => $measure,
                    'entity' => $entity,
                    'ordinal' => $ordinal,
                    'old' => $was,
                    'new' => $is,
                ]);
            }
        }
    }

    public function isNone(): bool
    {
        return $this->new + $this->changed + $this->gone === 0;
    }

    /** How far a value has moved, of what it was. */
    public static function size(float $old, float $new): float
    {
        return $old === 0.0 ? INF : abs($new - $old) / abs($old);
    }

    /** @param array{measure: string, entity: string, ordinal: int, old: float, new: float} $change */
    private function note(array $change): void
    {
        $size = self::size($change['old'], $change['new']);
        $last = $this->largest[self::LARGEST - 1] ?? null;
        if ($last !== null && $size <= self::size($last['old'], $last['new'])) {
            return;
        }
        $this->largest[] = $change;
        usort(
            $this->largest,
            static fn(array $a, array $b): int => self::size($b['old'], $b['new']) <=> self::size($a['old'], $a['new']),
        );
        $this->largest = array_slice($this->largest, 0, self::LARGEST);
    }
}
