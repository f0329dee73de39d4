<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property int $id
 * @property string $key
 * @property string $name
 * @property bool $home
 * @property string $note what became of it: merged, renamed
 * @property string $part_of name of the entity that it has become part of; nothing as a rule
 * @property int $part_since version since which it is
 * @property array<string, string> $about
 */
final class Entity extends Record
{
    public $timestamps = false;

    protected $table = 'entities';

    protected $guarded = [];

    protected $attributes = ['part_of' => '', 'part_since' => 0];

    protected $casts = ['home' => 'boolean', 'about' => 'array'];
}
