<?php

declare(strict_types=1);

namespace App\Models;

use DuskRail\Data\Better;
use DuskRail\Data\Measure as CoreMeasure;
use DuskRail\Data\MeasureKind;
use DuskRail\Time\Frequency;

/**
 * @property int $id
 * @property string $key
 * @property string $name
 * @property string $unit
 * @property MeasureKind $kind
 * @property Better $better
 * @property Frequency $frequency
 * @property string $formula that it is calculated by from others; nothing for one whose values are stored
 * @property string $per key of the measure that a rate is per; nothing where that is not known
 * @property int|null $decimals that its values are written with; null for as many as they deserve
 */
final class Measure extends Record
{
    public $timestamps = false;

    protected $table = 'measures';

    protected $guarded = [];

    protected $attributes = ['per' => ''];

    protected $casts = ['kind' => MeasureKind::class, 'better' => Better::class, 'frequency' => Frequency::class];

    public function asCore(): CoreMeasure
    {
        return CoreMeasure::of($this->key, $this->name, $this->unit, $this->kind, $this->frequency, $this->better)
            ->withDecimals($this->decimals)
            ->withPer($this->per);
    }
}
