<?php

declare(strict_types=1);

namespace App\Models;

use DuskRail\Data\Breakdown;
use DuskRail\Data\PeerSetRules;
use DuskRail\Peers\PeerRules;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;

/**
 * @property int $id
 * @property string $name
 * @property Carbon|null $deleted_at since when it is in the bin
 * @property string $source
 * @property string $licence
 * @property string $retrieved day or words
 * @property string $notes
 * @property int $version
 * @property int $described number of the latest description; triggers count it up with every change of one
 * @property Carbon $updated_at
 * @property list<array{key: string, name: string, total: string, categories: array<array-key, string>}> $breakdowns
 * @property list<array<array-key, mixed>> $peer_sets as PeerRules::set() reads them
 */
final class Dataset extends Record
{
    use SoftDeletes;

    protected $table = 'datasets';

    protected $guarded = [];

    protected $casts = ['breakdowns' => 'array', 'peer_sets' => 'array'];

    protected $attributes = ['breakdowns' => '[]', 'peer_sets' => '[]', 'described' => 0];

    /** The number of its latest version as it is in the database now, whatever this model was read with. */
    public function newestVersion(): int
    {
        $version = self::whereKey($this->id)->value('version');

        return is_numeric($version) ? (int) $version : 0;
    }

    /** Source, licence and day in one line, as they are under pictures. */
    public function sourceInFull(): string
    {
        return implode(
            '; ',
            array_filter([
                $this->source,
                $this->licence,
                $this->retrieved === '' ? '' : "retrieved {$this->retrieved}",
            ]),
        );
    }

    /** @return array<string, Breakdown> by key */
    public function asBreakdowns(): array
    {
        $breakdowns = [];
        foreach ($this->breakdowns as $one) {
            $breakdowns[$one['key']] = new Breakdown($one['key'], $one['name'], $one['categories'], $one['total']);
        }

        return $breakdowns;
    }

    /** @return array<string, PeerSetRules> by key */
    public function asPeerSets(): array
    {
        $sets = [];
        foreach ($this->peer_sets as $one) {
            $set = PeerRules::set($one);
            $sets[$set->key] = $set;
        }

        return $sets;
    }

    /** @return HasMany<Measure, $this> those of the latest version */
    public function measures(): HasMany
    {
        return $this->hasMany(Measure::class)->where('removed', false)->orderBy('id');
    }

    /** @return HasMany<Entity, $this> those of the latest version */
    public function entities(): HasMany
    {
        return $this->hasMany(Entity::class)->where('removed', false)->orderBy('id');
    }

    /** @return HasMany<EntityAlias, $this> */
    public function aliases(): HasMany
    {
        return $this->hasMany(EntityAlias::class);
    }

    /** @return HasMany<ImportedFile, $this> */
    public function files(): HasMany
    {
        return $this->hasMany(ImportedFile::class)->orderBy('id');
    }
}
