<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property int|null $parent_id
 * @property string $said what was changed, in a few words
 * @property array<string, mixed> $document
 */
final class StudyRevision extends Model
{
    public const UPDATED_AT = null;

    protected $guarded = [];

    protected $casts = ['document' => 'array'];
}
