<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/** A line so small that it is in a row of a list; on its own scale, since it shows a course and not a size. */
final class Spark
{
    /**
     * @param list<float> $values along the whole axis
     * @param array<int, true> $absent positions that do not exist, and are passed over
     * @return list<list<float>> pieces, at most two points a pixel
     */
    public static function pieces(
        array $values,
        int $from,
        int $to,
        float $width,
        float $height,
        array $absent = [],
    ): array {
        if ($absent !== []) {
            return self::together([$values], $from, $to, $width, $height, $absent)[0];
        }
        // A point for about every two pixels is all that can be told apart at this size.
        $stride = max(1, intdiv($to - $from, (int) ($width / 2)));
        $chosen = [];
        $low = INF;
        $high = -INF;
        for ($i = $to; $i >= $from; $i -= $stride) {
            $value = $values[$i];
            $chosen[] = $value;
            // A gap between two of the chosen points must not be drawn over.
            for ($j = $i - 1; $j > $i - $stride && $j >= $from; $j--) {
                if (is_nan($values[$j]) && !is_nan($value)) {
                    $chosen[] = NAN;
                    break;
                }
            }
            $low = $value < $low ? $value : $low;
            $high = $value > $high ? $value : $high;
        }
        if ($low > $high) {
            return [];
        }
        $scale =
            $low === $high ? new Scale($low - 1, $high + 1, $height - 2, 2) : new Scale($low, $high, $height - 2, 2);

        return Pieces::of(
            array_reverse($chosen),
            new PlotArea(1, $width - 1, 2, $height - 2, 0, count($chosen) - 1),
            $scale,
        );
    }

    /**
     * Several lines on one scale.
     *
     * @param list<list<float>> $lines
     * @param array<int, true> $absent
     * @return list<list<list<float>>> the pieces of each
     */
    public static function together(
        array $lines,
        int $from,
        int $to,
        float $width,
        float $height,
        array $absent = [],
    ): array {
        $shown = array_merge(
            ...array_map(static fn(array $values): array => array_slice($values, $from, $to - $from + 1), $lines),
        );
        $present = array_filter($shown, static fn(float $v): bool => !is_nan($v));
        $plot = new PlotArea(2, $width - 2, 3, $height - 3, $from, $to);
        $scale =
            $present === [] || min($present) === max($present)
                ? Scale::vertical($present, $plot->bottom, $plot->top)
                : new Scale(min($present), max($present), $plot->bottom, $plot->top);

        return array_map(static fn(array $values): array => Pieces::of($values, $plot, $scale, $absent), $lines);
    }
}
