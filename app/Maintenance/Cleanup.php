<?php

declare(strict_types=1);

namespace App\Maintenance;

use App\Models\Study;
use App\Models\StudyRevision;
use App\Models\Upload;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Takes away what nobody needs any more: never what is shown, held to, or can be undone. */
final class Cleanup
{
    /** Days that a file that was brought waits to be imported. */
    private const UPLOADS = 7;

    /** Days that a revision is kept that undo no longer reaches. */
    private const REVISIONS = 30;

    /** Steps that undo goes back. */
    private const UNDO = 200;

    /** Copies of the database that are kept. */
    private const COPIES = 10;

    /** @return array<string, int> how many of each were taken away */
    public static function all(): array
    {
        return [
            'items in the bin' => Bin::empty(),
            'uploaded files that were not imported' => self::uploads(),
            'files that belong to nothing' => self::strays(),
            'revisions that undo no longer reaches' => self::revisions(),
            'descriptions that no version and no study has' => self::descriptions(),
            'old copies of the database' => self::copies(),
        ];
    }

    private static function uploads(): int
    {
        $old = Upload::where('updated_at', '<', Carbon::now()->subDays(self::UPLOADS))->get();
        foreach ($old as $upload) {
            $upload->discard();
        }

        return $old->count();
    }

    private static function strays(): int
    {
        $known = array_flip(Upload::all()->map(static fn(Upload $u): string => $u->id)->all());
        $count = 0;
        foreach (glob(storage_path('app/uploads/*')) ?: [] as $path) {
            $isOld = (int) filemtime($path) < time() - 3_600;
            if ($isOld && is_file($path) && !isset($known[explode('.', basename($path))[0]])) {
                unlink($path);
                $count++;
            }
        }

        return $count;
    }

    private static function revisions(): int
    {
        $count = 0;
        foreach (Study::withTrashed()->get() as $study) {
            $parents = [];
            foreach (StudyRevision::where('study_id', $study->id)->get(['id', 'parent_id']) as $revision) {
                $parents[$revision->id] = $revision->parent_id;
            }
            $kept = [];
            // The way back from where it is, and every way forward from there.
            for ($at = $study->revision_id; $at !== null && count($kept) < self::UNDO; $at = $parents[$at] ?? null) {
                $kept[$at] = true;
            }
            foreach ($parents as $id => $parent) {
                if ($id > $study->revision_id && isset($kept[$parent ?? 0])) {
                    $kept[$id] = true;
                }
            }
            $old = StudyRevision::where('study_id', $study->id)
                ->whereNotIn('id', array_keys($kept))
                ->where('created_at', '<', Carbon::now()->subDays(self::REVISIONS));
            $count += $old->count();
            $old->delete();
        }

        return $count;
    }

    private static function descriptions(): int
    {
        $count = 0;
        foreach (['dataset' => 'r.id', 'entity' => 'r.dataset_id', 'measure' => 'r.dataset_id'] as $row => $dataset) {
            $named = "select 1 from {table} n where n.dataset_id = {$dataset} " .
                'and n.described >= h.since and n.described < h.until';
            $count += DB::delete(
                "delete from {$row}_histories where id in (select h.id from {$row}_histories h join " .
                    Str::plural($row) . " r on r.id = h.{$row}_id where not exists (" .
                    str_replace('{table}', 'imported_files', $named) . ') and not exists (' .
                    str_replace('{table}', 'studies', $named) . '))',
            );
        }

        return $count;
    }

    private static function copies(): int
    {
        $copies = glob(storage_path('app/backups/*.duskrail')) ?: [];
        rsort($copies);
        $old = array_slice($copies, self::COPIES);
        array_map(unlink(...), $old);

        return count($old);
    }
}
