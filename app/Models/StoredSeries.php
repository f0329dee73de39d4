<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Casts\PackedDoubles;
use App\Models\Casts\PackedIntegers;
use Illuminate\Database\Eloquent\Builder;

/**
 * One entity's values of one measure, as they are from one version of the data set until before another.
 *
 * @property int $id
 * @property int $measure_id
 * @property int $entity_id
 * @property string $cell category of each breakdown that the measure is split by, as Cell writes it
 * @property int $imported_file_id
 * @property int $since
 * @property int|null $until
 * @property int $first ordinal of the first period
 * @property list<float> $values
 * @property list<int> $statuses empty when all are plainly measured
 * @property list<int> $places row × 16384 + column in the file
 */
final class StoredSeries extends Record
{
    public $timestamps = false;

    protected $table = 'series';

    protected $guarded = [];

    protected $casts = [
        'values' => PackedDoubles::class,
        'statuses' => PackedIntegers::class,
        'places' => PackedIntegers::class,
    ];

    /** @param Builder<StoredSeries> $query */
    public function scopeInVersion(Builder $query, int $version): void
    {
        $query->where('since', '<=', $version)->where(static function (Builder $open) use ($version): void {
            $open->whereNull('until')->orWhere('until', '>', $version);
        });
    }

    /**
     * The series of some measures as they are in a version.
     *
     * @param list<int> $measures ids
     * @return array<string, self> by the ids of measure and entity and the cell, with slashes
     */
    public static function ofVersion(int $version, array $measures): array
    {
        $series = [];
        foreach (self::query()->inVersion($version)->whereIn('measure_id', $measures)->cursor() as $one) {
            $series["{$one->measure_id}/{$one->entity_id}/{$one->cell}"] = $one;
        }

        return $series;
    }

    /** The value of a period, NAN where there is none. */
    public function valueAt(int $ordinal): float
    {
        return $this->values[$ordinal - $this->first] ?? NAN;
    }

    public function statusAt(int $ordinal): int
    {
        return $this->statuses[$ordinal - $this->first] ?? 0;
    }
}
