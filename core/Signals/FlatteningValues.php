<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Data\Numerals;
use DuskRail\Document\Parts\AxisPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Refusal;
use DuskRail\Views\Views;

/** A few values so far from all others that these are drawn on top of each other. */
final class FlatteningValues implements Signal
{
    /** Values that there must be; of fewer, none is far from the others. */
    private const FEWEST = 20;

    /** Share of the values that may be such. */
    private const FEW = 0.02;

    /** How many times the range of the others the whole range is. */
    private const FLAT = 8.0;

    /** Room that the limit leaves beyond the others, in parts of their range. */
    private const ROOM = 0.08;

    public function notice(Comparison $comparison): ?Notice
    {
        $study = $comparison->study;
        $view = Views::of($study);
        $axis = $study->part(AxisPart::class);
        if (
            !$view->uses(AxisPart::class) ||
            !$view->readsAlongLines() ||
            $view->isSplit($study) ||
            $axis->log ||
            $axis->hasLimits()
        ) {
            return null;
        }
        try {
            $lines = $view->lineup($comparison);
        } catch (Refusal) {
            // The view says why it cannot be drawn.
            return null;
        }
        $found = self::found($lines->present(), $lines->from, $lines->to);
        if ($found === null) {
            return null;
        }
        [$side, $limit, $far] = $found;
        $names = [];
        foreach ($far as [$line, $position]) {
            $names[] = "{$line->name}, {$lines->when($line, $position)}";
        }
        $count = count($far);
        $shown = implode('; ', array_slice($names, 0, 2)) . ($count > 2 ? ' and ' . ($count - 2) . ' more' : '');

        return Notice::saying(
            "flattening-{$count}",
            $count === 1
                ? "One value is so far from all others that their differences cannot be seen ({$shown})."
                : "{$count} values are so far from all others that their differences cannot be seen ({$shown}).",
            'With a limit of the axis they are marked at its edge. A logarithmic axis or hiding the line help, too.',
        )->withRemedy('Limit the axis', 'set', [
            'part' => AxisPart::name(),
            'settings' => [$side => Numerals::plain($limit), 'view' => $study->view],
        ]);
    }

    /**
     * @param list<Line> $lines
     * @return array{'low'|'high', float, list<array{Line, int}>}|null which limit, where, and the values beyond it
     */
    private static function found(array $lines, int $from, int $to): ?array
    {
        $count = 0;
        [$low, $high] = [INF, -INF];
        foreach ($lines as $line) {
            for ($i = $from; $i <= $to; $i++) {
                $value = $line->values[$i];
                $count += is_nan($value) ? 0 : 1;
                $low = $value < $low ? $value : $low;
                $high = $value > $high ? $value : $high;
            }
        }
        $near = ($high - $low) / self::FLAT;
        $few = max(1, (int) (self::FEW * $count));
        // All others are within an eighth of the range from its one end or the other.
        foreach ($count < self::FEWEST || $near <= 0.0 ? [] : ['high', 'low'] as $side) {
            $limit = $side === 'high' ? $low + $near : $high - $near;
            [$far, $edge] = self::beyond($lines, $from, $to, $side, $limit, $few);
            $range = abs($edge - ($side === 'high' ? $low : $high));
            if ($far !== [] && $range > 0.0) {
                $limit = $edge + ($side === 'high' ? self::ROOM : -self::ROOM) * $range;

                return [$side, self::rounded($limit, $range), $far];
            }
        }

        return null;
    }

    /**
     * @param list<Line> $lines
     * @param 'low'|'high' $side
     * @return array{list<array{Line, int}>, float} values beyond a limit, none where there are more than a few; and the
     *     one of the others that is nearest to it
     */
    private static function beyond(array $lines, int $from, int $to, string $side, float $limit, int $few): array
    {
        $far = [];
        $edge = $side === 'high' ? -INF : INF;
        foreach ($lines as $line) {
            for ($i = $from; $i <= $to; $i++) {
                $value = $line->values[$i];
                if ($side === 'high' ? $value > $limit : $value < $limit) {
                    $far[] = [$line, $i];
                    if (count($far) > $few) {
                        return [[], $edge];
                    }
                } elseif ($side === 'high' ? $value > $edge : $value < $edge) {
                    $edge = $value;
                }
            }
        }

        return [$far, $edge];
    }

    /** To two digits of the range, so that the limit is one that a person would type. */
    private static function rounded(float $limit, float $range): float
    {
        return round($limit, 2 - (int) ceil(log10($range)));
    }
}
