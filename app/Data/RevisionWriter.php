<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Dataset;
use App\Models\Study;
use App\Models\StudyRevision;
use DuskRail\Document\Study as StudyOfCore;
use DuskRail\Document\StudyDocument;
use Illuminate\Support\Facades\DB;

/**
 * How revisions of studies come to be: nothing else writes them, or moves the pointer of a study.
 *
 * A revision is written on top of the one in force, whose number is read within the transaction that writes.
 */
final class RevisionWriter
{
    /** What a list of revisions begins with. */
    private const FIRST = 'Study created';

    /**
     * @param int|null $version of the data that it is pinned to; null for the latest
     * @param int|null $described number of the description that it is pinned to
     */
    public static function begin(
        Dataset $dataset,
        StudyOfCore $document,
        ?int $version = null,
        ?int $described = null,
    ): Study {
        return DB::transaction(static function () use ($dataset, $document, $version, $described): Study {
            $study = Study::create([
                'dataset_id' => $dataset->id,
                'name' => $document->name,
                'version' => $version,
                'described' => $described,
            ]);
            self::write($study, $document, self::FIRST);

            return $study;
        });
    }

    /** The name, or with a number after it where another study of the data set has it. */
    public static function unusedName(Dataset $dataset, string $name): string
    {
        $names = Study::of($dataset)->pluck('name')->all();
        for ($n = 2, $free = $name; in_array($free, $names, true); $n++) {
            $free = mb_strimwidth($name, 0, 115, '…') . " {$n}";
        }

        return $free;
    }

    /**
     * @param string $summary what was changed, as a person would say it after “Undo:”
     * @param int|null $madeOn number of the revision that it was made on; null where it holds for whatever is in force
     *
     * @throws ChangedMeanwhile when another revision is in force by now; nothing is written then
     */
    public static function write(Study $study, StudyOfCore $document, string $summary, ?int $madeOn = null): void
    {
        DB::transaction(static function () use ($study, $document, $summary, $madeOn): void {
            $inForce = self::mustBeInForce($study, $madeOn);
            self::pointTo(
                $study,
                StudyRevision::create([
                    'study_id' => $study->id,
                    'parent_id' => $inForce,
                    'summary' => mb_strimwidth($summary, 0, 200, '…'),
                    'document' => StudyDocument::write($document),
                ]),
            );
        });
    }

    /**
     * Goes back to the revision before, if there is one.
     *
     * @param int|null $seen number of the revision that the user saw; null where it does not matter
     *
     * @throws ChangedMeanwhile when another is in force by now, since it would be taken back unseen
     */
    public static function undo(Study $study, ?int $seen = null): void
    {
        DB::transaction(static function () use ($study, $seen): void {
            self::mustBeInForce($study, $seen);
            $parent = StudyRevision::find(StudyRevision::find(self::inForce($study))?->parent_id);
            if ($parent !== null) {
                self::pointTo($study, $parent);
            }
        });
    }

    /**
     * Goes on to the latest revision that was made from this one, if there is one.
     *
     * @throws ChangedMeanwhile as undo() does
     */
    public static function redo(Study $study, ?int $seen = null): void
    {
        DB::transaction(static function () use ($study, $seen): void {
            self::mustBeInForce($study, $seen);
            $next = StudyRevision::after(self::inForce($study));
            if ($next !== null) {
                self::pointTo($study, $next);
            }
        });
    }

    /**
     * Takes up another of its revisions, whichever way leads there.
     *
     * @throws ChangedMeanwhile as undo() does
     */
    public static function goTo(Study $study, StudyRevision $revision, ?int $seen = null): void
    {
        DB::transaction(static function () use ($study, $revision, $seen): void {
            self::mustBeInForce($study, $seen);
            self::pointTo($study, $revision);
        });
    }

    private static function mustBeInForce(Study $study, ?int $revision): ?int
    {
        $inForce = self::inForce($study);
        if ($revision !== null && $revision !== $inForce) {
            throw ChangedMeanwhile::study($study->name);
        }

        return $inForce;
    }

    private static function inForce(Study $study): ?int
    {
        $number = Study::whereKey($study->id)->value('revision_id');

        return is_numeric($number) ? (int) $number : null;
    }

    private static function pointTo(Study $study, StudyRevision $revision): void
    {
        // Written whatever the model at hand believes to be there: another may have changed it since.
        $now = ['revision_id' => $revision->id, 'name' => $revision->document['name']];
        Study::whereKey($study->id)->update($now);
        $study->forceFill($now)->syncOriginalAttributes(array_keys($now));
        $study->setRelation('revision', $revision);
    }
}
