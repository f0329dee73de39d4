<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Support\Carbon;

/**
 * @property int $id
 * @property int|null $parent_id
 * @property string $summary what was changed, as a person would say it after “Undo:”
 * @property array<string, mixed> $document
 * @property Carbon|null $created_at
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

    /**
     * The revisions that a study went through, the latest first: those that redo leads to, the one in force, and those
     * before it.
     *
     * @return list<self> at most so many of each side
     */
    public static function around(?int $inForce, int $most): array
    {
        $steps = [];
        for ($at = self::after($inForce); $at !== null && count($steps) < $most; $at = self::after($at->id)) {
            array_unshift($steps, $at);
        }
        $before = 0;
        for ($at = self::find($inForce); $at !== null && $before < $most; $at = self::find($at->parent_id), $before++) {
            $steps[] = $at;
        }

        return $steps;
    }

    /** The latest revision that was made from another: where redo leads. */
    public static function after(?int $revision): ?self
    {
        return $revision === null ? null : self::where('parent_id', $revision)->orderByDesc('id')->first();
    }
}
