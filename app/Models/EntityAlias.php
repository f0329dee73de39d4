<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * Another name that files have for an entity.
 *
 * @property int $entity_id
 * @property string $name in lower case
 */
final class EntityAlias extends Model
{
    public $timestamps = false;

    protected $table = 'entity_aliases';

    protected $guarded = [];
}
