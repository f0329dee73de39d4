<?php

declare(strict_types=1);

namespace App\Models;

use DuskRail\Data\Better;
use DuskRail\Data\Measure as CoreMeasure;
use DuskRail\Data\MeasureKind;
use DuskRail\Time\Frequency;
use Illuminate\Support\Str;

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
 * @property bool $removed not in the latest version, which was restored from one before it came in
 * @property int|null $decimals that its values are written with; null for as many as they deserve
 */
final class Measure extends Record
{
    public $timestamps = false;

    protected $table = 'measures';

    protected $guarded = [];

    protected $attributes = ['per' => '', 'removed' => false];

    protected $casts = [
        'kind' => MeasureKind::class,
        'better' => Better::class,
        'frequency' => Frequency::class,
        'removed' => 'boolean',
    ];

    /** A name as a key. */
    public static function keyOf(string $name): string
    {
        return Str::slug($name) ?: 'x' . substr(hash('sha256', $name), 0, 8);
    }

    /** A key that no measure of a data set has, nor one that was removed from it. */
    public static function freeKey(int $dataset, string $wanted): string
    {
        $key = $wanted;
        for ($n = 2; self::where('dataset_id', $dataset)->where('key', $key)->exists(); $n++) {
            $key = "{$wanted}-{$n}";
        }

        return $key;
    }

    public function asCore(): CoreMeasure
    {
        return CoreMeasure::of($this->key, $this->name, $this->unit, $this->kind, $this->frequency, $this->better)
            ->withDecimals($this->decimals)
            ->withPer($this->per);
    }
}
