<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property int $id
 * @property string $key
 * @property string $name
 * @property bool $home
 * @property string $note what became of it: merged, renamed
 * @property string $part_of key of the entity that it has become part of; nothing as a rule
 * @property bool $removed not in the latest version, which was restored from one before it came in
 * @property array<string, string> $about
 */
final class Entity extends Record
{
    public $timestamps = false;

    protected $table = 'entities';

    protected $guarded = [];

    protected $attributes = ['part_of' => '', 'removed' => false];

    protected $casts = ['home' => 'boolean', 'about' => 'array', 'removed' => 'boolean'];
}
