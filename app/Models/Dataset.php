<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int $id
 * @property string $name
 * @property string $source
 * @property int $version
 */
final class Dataset extends Model
{
    protected $guarded = [];

    /** @return HasMany<Measure, $this> */
    public function measures(): HasMany
    {
        return $this->hasMany(Measure::class)->orderBy('id');
    }

    /** @return HasMany<Entity, $this> */
    public function entities(): HasMany
    {
        return $this->hasMany(Entity::class)->orderBy('id');
    }

    /** @return HasMany<Study, $this> */
    public function studies(): HasMany
    {
        return $this->hasMany(Study::class)->orderBy('id');
    }

    /** @return HasMany<ImportedFile, $this> */
    public function files(): HasMany
    {
        return $this->hasMany(ImportedFile::class)->orderBy('id');
    }
}
