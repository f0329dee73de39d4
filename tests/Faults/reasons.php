<?php

declare(strict_types=1);

// Why no test notices a fault, by its name as bin/faults has it: mostly since nobody could see what it changes.
return [
    'core/Document/Study.php: $own === [] → false' =>
        'It saves work: without hues of the house nothing is changed below.',
    'core/Document/PartSet.php: ksort → krsort' => 'Any order does, as long as it is always the same.',
    'core/Chart/MarksPainter.php: $target->isNone() → false' => 'It saves work: no level is set, so nothing is drawn.',
    'core/Document/Parts/Bounds.php: abs($value) → $value' => 'A billionth of a value, for what a slider rounds away.',
    'core/Statistics/MannKendall.php: sort → rsort' => 'Equal values are counted; in which order makes no difference.',
    'core/Statistics/StraightLine.php: abs($pair[0]) → $pair[0]' => 'Rounding of places, which are never negative.',
    'core/Statistics/Ordering.php: max → min' => 'It saves work: what is not dealt into bins is sorted as a whole.',
    'core/Statistics/LevelShift.php: $k === null || $step === 0.0 → $k === null && $step === 0.0' =>
        'A step of exactly nothing is never the largest of several.',
    'core/Reading/Observations.php: $ordinals === [] → false' => 'An entity is listed with its first figure.',
    'core/Rail/Formula/Quantity.php: $this->times > 0.0 → $this->times >= 0.0' =>
        'Nothing is multiplied by zero to change its unit.',
    'core/Time/PeriodRange.php: $this->count() > 1 → $this->count() >= 1' => 'A year alone is called as a year is.',
    'app/Formats/LargeSheets.php: $i < $zip->numFiles → $i <= $zip->numFiles' =>
        'The entry after the last has no name, and is left alone.',
    'core/Statistics/Quantile.php: sort → rsort' =>
        'Only where all of more than 500 values are equal or their span overflows.',
    'core/Views/SparksView.php: false → true' =>
        'The page shows the table of the view; the picture is worked out in vain.',
    'core/Signals/Gaps.php: $from > $last || !is_nan(array_sum(array_slice($line->values, $from, ' .
    '$last - $fr… → false' => 'It saves work: values that are all there have none missing.',
    'core/Reading/PairedHeadings.php: $below + 1 → $below' =>
        'Two rows of headings without a row of values are refused either way.',
    'app/Data/RevisionWriter.php: DB::transaction(static function () use ($study, $seen): void { ' .
    'self::mustBeInForce($study… → (static function () use ($study, $seen): void { ' .
    'self::mustBeInForce($study, $seen); $pare…' => 'It writes once, so nothing is left half done.',
    'core/Statistics/RankCorrelation.php: asort → arsort' => 'Both orders are turned round, and go together as before.',
    'core/Rail/Explanation.php: abs($value) → $value' =>
        'Of two values that are near each other either is as large; others get six digits.',
    'core/Chart/Spark.php: $j >= $from → $j > $from' => 'A gap before the first value ends the course there as well.',
    'app/Formats/Unpacking.php: $xml->localName === \'table-cell\' && $xml->nodeType === ' .
    'XMLReader::ELEMENT → $xml->localName === …' => 'Cells are counted twice: the limit is reached at half of it.',
    'app/Formats/Workbook.php: $type === \'Xlsx\' && LargeSheets::areIn($path) → $type === \'Xlsx\' ' .
    '|| LargeSheets::areIn($path)' => 'Small sheets read in pieces hold the same.',
    'core/Data/Revision.php: $last !== null && $size <= self::size($last[\'old\'], $last[\'new\']) → false' =>
        'It saves work: what is not among the largest is cut off below.',
    'app/Http/KeptSessions.php: false → true' => 'Nobody asks whether a session could be written.',
    'core/Settings/NoOffer.php: false → true' => 'No setting that is read without an offer depends on a condition.',
    'app/Formats/FiguresCsv.php: FormulaGuard::guard($note) → $note' =>
        'No note begins with a text of the data, so far.',
    'app/Formats/LargeSheets.php: $zip->open($path, ZipArchive::RDONLY) !== true → $zip->open($path, ' .
    'ZipArchive::RDONLY) === true' => 'Large sheets are then read whole: slower, and the same.',
    'core/Statistics/ChanceLimits.php: floor → ceil' => 'The search for a limit begins one count further up.',
    'core/Views/FiguresView.php: false → true' =>
        'The page shows the table of the view; the picture is worked out in vain.',
];
