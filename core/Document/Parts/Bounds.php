<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

use DuskRail\Settings\HasSettings;
use DuskRail\Settings\Kinds\Slider;
use DuskRail\Settings\ReadsSettings;

/** Values of a scatter beyond which points are left out, on its horizontal and its vertical axis. */
final readonly class Bounds implements HasSettings
{
    use ReadsSettings;

    public function __construct(
        #[Slider('lowest along', of: 'x', fromAbove: false, lead: '→ Exclude below')] public ?float $lowX = null,
        #[Slider('highest along', of: 'x', fromAbove: true, lead: '→ Exclude above')] public ?float $highX = null,
        #[Slider('lowest upwards', of: 'y', fromAbove: false, lead: '↑ Exclude below')] public ?float $lowY = null,
        #[Slider('highest upwards', of: 'y', fromAbove: true, lead: '↑ Exclude above')] public ?float $highY = null,
    ) {}

    public static function title(): string
    {
        return 'Scatter';
    }

    /** Whether a point is within. A slider at the end of its way has lost a digit or two, which counts as within. */
    public function hold(float $x, float $y): bool
    {
        return self::between($x, $this->lowX, $this->highX) && self::between($y, $this->lowY, $this->highY);
    }

    private static function between(float $value, ?float $low, ?float $high): bool
    {
        $near = abs($value) * 1e-9;

        return $value >= ($low ?? -INF) - $near && $value <= ($high ?? INF) + $near;
    }
}
