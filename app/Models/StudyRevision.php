<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property int|null $parent_id
 * @property string $summary what was changed, as a person would say it after “Undo:”
 * @property array<string, mixed> $document
 */
final class StudyRevision extends Model
{
    public const UPDATED_AT = null;

    protected $guarded = [];

    protected $casts = ['document' => 'array'];

    /** The newest revision that was made from another: where redo leads. */
    public static function after(?int $revision): ?self
    {
        return $revision === null ? null : self::where('parent_id', $revision)->orderByDesc('id')->first();
    }
}
