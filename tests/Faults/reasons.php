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
    'core/Statistics/Quantile.php: sort → rsort' =>
        'Only where all of more than 500 values are equal or their span overflows.',
    'core/Views/SparksView.php: false → true' =>
        'The page shows the table of the view; the picture is worked out in vain.',
    'core/Views/FiguresView.php: false → true' =>
        'The page shows the table of the view; the picture is worked out in vain.',
];
