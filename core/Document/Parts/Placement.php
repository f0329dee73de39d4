<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\HasSettings;
use DuskRail\Settings\Kinds\Number;
use DuskRail\Settings\ReadsSettings;

/** Where the words of a label that was moved by hand begin, in pixels from the point that it belongs to. */
final readonly class Placement implements HasSettings
{
    use ReadsSettings;

    private const TOO_FAR = 'a label can be moved up to 2,000 pixels from its point.';

    public function __construct(
        #[Number('distance to the right', -2_000.0, 2_000.0, outside: self::TOO_FAR)] public float $x,
        #[Number('distance down', -2_000.0, 2_000.0, outside: self::TOO_FAR)] public float $y,
    ) {}

    public static function title(): string
    {
        return 'Labels';
    }
}
