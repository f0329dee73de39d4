<?php

declare(strict_types=1);

// Why no test notices a fault, by its name as bin/faults has it: mostly since nobody could see what it changes.
return [
    'core/Document/Study.php: $own === [] → false' =>
        'It saves work: without hues of the house nothing is changed below.',
    'core/Document/PartSet.php: ksort → krsort' => 'Any order does, as long as it is always the same.',
    'core/Chart/MarksPainter.php: $target->isNone() → false' => 'It saves work: no level is set, so nothing is drawn.',
    'core/Document/Parts/Bounds.php: abs($value) → $value' => 'A billionth of a value, for what a slider rounds away.',
    'core/Outcome/OtherOrder.php: max → min' =>
        'Two values that differ by more than rounding differ by more than rounding of either.',
    'core/Statistics/MannKendall.php: sort → rsort' => 'Equal values are counted; in which order makes no difference.',
    'core/Statistics/StraightLine.php: abs($pair[0]) → $pair[0]' => 'Rounding of places, which are never negative.',
    'core/Statistics/Ordering.php: max → min' => 'It saves work: what is not dealt into bins is sorted as a whole.',
    'core/Statistics/LevelShift.php: $k === null || $step === 0.0 → $k === null && $step === 0.0' =>
        'A step of exactly nothing is never the largest of several.',
    'core/Reading/Observations.php: $ordinals === [] → false' => 'An entity is listed with its first figure.',
    'core/Rail/Formula/Quantity.php: $this->times > 0.0 → $this->times >= 0.0' =>
        'Nothing is multiplied by zero to change its unit.',
    'core/Outcome/Comparison.php: floor → ceil' => 'A number that is whole equals both, any other neither.',
    'core/Outcome/OtherOrder.php: abs($now) → $now' => 'A billionth of the larger of two values that hardly differ.',
    'core/Time/PeriodRange.php: $this->count() > 1 → $this->count() >= 1' => 'A year alone is called as a year is.',
    'app/Formats/LargeSheets.php: $i < $zip->numFiles → $i <= $zip->numFiles' =>
        'The entry after the last has no name, and is left alone.',
    'core/Statistics/Quantile.php: sort → rsort' =>
        'Only where all of more than 500 values are equal or their span overflows.',
    'core/Views/SparksView.php: false → true' =>
        'The page shows the table of the view; the picture is worked out in vain.',
    'core/Views/FiguresView.php: false → true' =>
        'The page shows the table of the view; the picture is worked out in vain.',
];
