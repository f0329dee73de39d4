<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property string $key
 * @property string $name
 * @property bool $home
 * @property string $note what became of it: merged, renamed
 * @property array<string, string> $about
 */
final class Entity extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $casts = ['home' => 'boolean', 'about' => 'array'];
}
