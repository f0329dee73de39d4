<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/** The first, last, highest and lowest value of a line within what is shown, and those below zero. */
final readonly class TellingPoints
{
    /**
     * @param list<int> $highest positions, of equal values all; none where all values are equal
     * @param list<int> $lowest likewise
     * @param list<int> $negative
     */
    private function __construct(
        public ?int $first,
        public ?int $last,
        public array $highest,
        public array $lowest,
        public array $negative,
    ) {}

    /**
     * @param list<float> $values along the whole axis
     * @param int|null $open first position of periods that are not finished; none of them is highest or lowest
     */
    public static function of(array $values, int $from, int $to, ?int $open = null): self
    {
        $shown = $finished = $negative = [];
        for ($i = $from; $i <= $to; $i++) {
            $value = $values[$i] ?? NAN;
            if (is_nan($value)) {
                continue;
            }
            $shown[$i] = $value;
            if ($open === null || $i < $open) {
                $finished[$i] = $value;
            }
            if ($value < 0.0) {
                $negative[] = $i;
            }
        }
        $compared = $finished === [] ? $shown : $finished;
        [$low, $high] = $compared === [] ? [0.0, 0.0] : [min($compared), max($compared)];
        $areDifferent = $low < $high;

        return new self(
            array_key_first($shown),
            array_key_last($shown),
            $areDifferent ? array_keys($compared, $high, true) : [],
            $areDifferent ? array_keys($compared, $low, true) : [],
            $negative,
        );
    }
}
