<?php

declare(strict_types=1);

namespace DuskRail\Document\Changes;

use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Study;
use DuskRail\Rail\PlacedStop;

/** Finds the stop that a change is about. */
trait FindsStop
{
    private static function placed(Study $study, string $id): PlacedStop
    {
        return $study->rail->stop($id) ?? throw InvalidStudy::because('This stop was removed. Use Undo to restore it.');
    }
}
