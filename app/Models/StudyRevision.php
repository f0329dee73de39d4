<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property int $id
 * @property int|null $parent_id
 * @property string $summary what was changed, as a person would say it after “Undo:”
 * @property array<string, mixed> $document
 */
final class StudyRevision extends Record
{
    public const UPDATED_AT = null;

    protected $table = 'study_revisions';

    protected $guarded = [];

    protected $casts = ['document' => 'array'];

    /**
     * What was done from one revision to another, the latest first.
     *
     * @return list<string>|null null where the one does not lead to the other, as after an undo
     */
    public static function between(?int $from, ?int $to): ?array
    {
        $summaries = [];
        for ($at = self::find($to); $at !== null && $at->id !== $from && count($summaries) < 100;) {
            $summaries[] = $at->summary;
            $at = self::find($at->parent_id);
        }

        return $at?->id === $from ? $summaries : null;
    }

    /** The latest revision that was made from another: where redo leads. */
    public static function after(?int $revision): ?self
    {
        return $revision === null ? null : self::where('parent_id', $revision)->orderByDesc('id')->first();
    }
}
