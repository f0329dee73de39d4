<?php

declare(strict_types=1);

namespace App\View;

use DuskRail\Data\Entity;
use DuskRail\Data\Origin;

/** The value that is to be corrected. */
final readonly class ChosenFigure
{
    /**
     * @param int $at position on the axis of its measure
     * @param float $value NAN where it is missing
     * @param Origin|null $origin the cell that it came from; null where no file gave it
     */
    public function __construct(public Entity $entity, public int $at, public float $value, public ?Origin $origin) {}
}
