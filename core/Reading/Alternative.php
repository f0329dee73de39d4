<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Reading\Shapes\Shape;

/** Another way that a table could be, and how much of it would be read. */
final readonly class Alternative
{
    /**
     * @param int $figures that it reads of the beginning of the table
     * @param float $share of the cells there, 0 to 1
     */
    public function __construct(public Shape $shape, public int $figures, public float $share) {}
}
