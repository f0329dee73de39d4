<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Data\FailureWords;
use App\Data\FirstStudy;
use App\Data\ImportCancelled;
use App\Data\ImportStopped;
use App\Data\RevisionWriter;
use App\Models\Dataset;
use App\Models\Study as StudyModel;
use App\Models\Upload;
use DuskRail\Document\Study;
use DuskRail\Reading\Problem;
use DuskRail\Refusal;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Once;
use Throwable;

/** Reads a file into the database, all of it or nothing, whether or not somebody waits for it. */
final class ImportUpload implements ShouldQueue
{
    use Queueable;

    /** A run that was killed is not tried again by itself: the user sees that it ended, and starts it again. */
    public int $tries = 1;

    public int $timeout = 1_800;

    public function __construct(
        private readonly string $upload,
        private readonly string $name,
        private readonly string $source,
        private readonly string $home,
        private readonly bool $leavingOut,
    ) {}

    public function handle(): void
    {
        // A worker lives long; what was kept for the last file may be out of date.
        Once::flush();
        $upload = Upload::find($this->upload);
        // One that was called off, or that another job has taken up since, is not wanted from this one.
        if ($upload === null || !$upload->claim('waiting', 'running')) {
            return;
        }
        ini_set('memory_limit', '1G');
        $import = $upload->import($this->leavingOut, static function (int $rows, int $problems) use ($upload): void {
            if ($upload->progress()->isCancelled()) {
                throw ImportCancelled::byUser();
            }
            $upload->progress()->tell($rows, $problems);
        });
        try {
            // Data set, study and upload are settled together, or none of them.
            $settle = static function (Dataset $dataset, ?Study $first = null) use ($upload): void {
                $study = StudyModel::of($dataset)->orderByDesc('updated_at')->first();
                $study ??= $first === null ? FirstStudy::begin($dataset) : RevisionWriter::begin($dataset, $first);
                $upload->update(['state' => 'done', 'study_id' => $study->id]);
                $upload->remember();
            };
            $upload->dataset === null
                ? $import->asNew($this->name, $this->source, $this->home, $settle)
                : $import->addedTo($upload->dataset, $settle);
        } catch (Refusal $problem) {
            $found = $problem instanceof ImportStopped ? $problem->observations : null;
            $upload->update([
                'state' => 'open',
                'message' => $problem->getMessage(),
                'problems' =>
                    $found === null
                        ? null
                        : [
                            'count' => $found->problemCount,
                            'duplicates' => $found->duplicateCount,
                            'list' => array_map(
                                static fn(Problem $p): array => [$p->row, $p->column, $p->found, $p->expected],
                                $found->problems,
                            ),
                        ],
            ]);
        }
    }

    public function failed(?Throwable $problem): void
    {
        Upload::find($this->upload)?->update([
            'state' => 'open',
            'message' =>
                'The import failed. Nothing was stored. ' .
                ($problem === null ? 'Try again.' : FailureWords::sentence($problem)),
        ]);
    }
}
