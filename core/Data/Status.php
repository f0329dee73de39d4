<?php

declare(strict_types=1);

namespace DuskRail\Data;

/** How sure an observation is. The number is what is stored. */
enum Status: int
{
    case Measured = 0;
    case Provisional = 1;
    case Estimated = 2;

    /** Reads the marks that statistics offices put beside a figure; an unknown or empty mark is a measured value. */
    public static function fromMark(string $mark): self
    {
        return match (strtolower(trim($mark))) {
            'p', 'provisional', 'prov', 'prov.', 'preliminary', '(p)' => self::Provisional,
            'e', 'estimated', 'estimate', 'est', 'est.', '(e)', 'i', 'imputed' => self::Estimated,
            default => self::Measured,
        };
    }
}
