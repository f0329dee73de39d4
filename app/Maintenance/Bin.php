<?php

declare(strict_types=1);

namespace App\Maintenance;

use App\Models\Brief;
use App\Models\Dataset;
use App\Models\Study;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/** Where deleted data sets, studies and briefs are for a while, with all that belongs to them. */
final class Bin
{
    public const DAYS = 30;

    /** @var array<string, class-string<Dataset|Study|Brief>> */
    private const KINDS = ['dataset' => Dataset::class, 'study' => Study::class, 'brief' => Brief::class];

    /** A data set goes with its studies; what was deleted before keeps its own day. */
    public static function put(Dataset|Study|Brief $thing): void
    {
        DB::transaction(static function () use ($thing): void {
            $thing->delete();
            if ($thing instanceof Dataset) {
                Study::of($thing)->update(['deleted_at' => $thing->deleted_at]);
            }
        });
    }

    /** @return list<Binned> what can be brought back, the latest first; the studies of a data set come with it */
    public static function contents(): array
    {
        $things = [];
        foreach (self::KINDS as $kind => $class) {
            foreach ($class::onlyTrashed()->get() as $thing) {
                if (!($thing instanceof Study) || Dataset::whereKey($thing->dataset_id)->exists()) {
                    $since = $thing->deleted_at ?? Carbon::now();
                    $until = $since->copy()->addDays(self::DAYS);
                    $things[] = new Binned($kind, $thing->id, $thing->name, $since, $until);
                }
            }
        }

        usort($things, static fn(Binned $a, Binned $b): int => $b->since <=> $a->since);

        return $things;
    }

    public static function bringBack(string $kind, int $id): ?Model
    {
        $class = self::KINDS[$kind] ?? null;
        $thing = $class === null ? null : $class::onlyTrashed()->find($id);
        if ($thing === null || ($thing instanceof Study && !Dataset::whereKey($thing->dataset_id)->exists())) {
            return null;
        }
        DB::transaction(static function () use ($thing): void {
            if ($thing instanceof Dataset) {
                Study::of($thing)->onlyTrashed()->where('deleted_at', $thing->deleted_at)->restore();
            }
            $thing->restore();
        });

        return $thing;
    }

    /** Deletes for good what has lain longer than that. */
    public static function empty(int $days = self::DAYS): int
    {
        $count = 0;
        foreach (array_reverse(self::KINDS) as $class) {
            foreach ($class::onlyTrashed()->where('deleted_at', '<', Carbon::now()->subDays($days))->get() as $thing) {
                $thing->forceDelete();
                $count++;
            }
        }

        return $count;
    }
}
