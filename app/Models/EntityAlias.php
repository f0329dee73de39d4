<?php

declare(strict_types=1);

namespace App\Models;

/**
 * Another name that files have for an entity.
 *
 * @property int $entity_id
 * @property string $name in lower case
 */
final class EntityAlias extends Record
{
    public $timestamps = false;

    protected $table = 'entity_aliases';

    protected $guarded = [];
}
