<?php

declare(strict_types=1);

namespace App\Models;

use App\Data\StoredData;
use DuskRail\Study\Study as StudyOfCore;
use DuskRail\Study\StudyDocument;
use DuskRail\Study\View;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Facades\DB;

/**
 * A study with all its revisions, and a pointer to the one in force. Undo and redo only move the pointer.
 *
 * @property int $id
 * @property int $dataset_id
 * @property string $name
 * @property int $revision_id
 * @property int|null $version of the data set that it is held to; null for the newest
 * @property Dataset $dataset
 * @property StudyRevision $revision
 */
final class Study extends Model
{
    protected $guarded = [];

    private ?StoredData $data = null;

    /** @return BelongsTo<Dataset, $this> */
    public function dataset(): BelongsTo
    {
        return $this->belongsTo(Dataset::class);
    }

    /** @return BelongsTo<StudyRevision, $this> */
    public function revision(): BelongsTo
    {
        return $this->belongsTo(StudyRevision::class);
    }

    /** A first study of a measure, as the house has new ones. */
    public static function start(Dataset $dataset, StoredData $data, string $measure): self
    {
        $study = StudyOfCore::first($data->measures()[$measure]->name, $measure, $data);
        // What is of one moment has no course; two measures of it can be set against each other.
        if ($data->table($measure)->axis->count === 1 && count($data->measures()) > 1) {
            $study = $study->with(['view' => View::Scatter]);
        }

        return self::begin($dataset, HouseFinish::current()->givenTo($study));
    }

    public static function begin(Dataset $dataset, StudyOfCore $document): self
    {
        return DB::transaction(static function () use ($dataset, $document): self {
            $study = self::create(['dataset_id' => $dataset->id, 'name' => $document->name]);
            $study->revise($document, 'First version');

            return $study;
        });
    }

    /** The data it compares, read once however often they are asked for. */
    public function data(): StoredData
    {
        return $this->data ??= new StoredData($this->dataset, $this->version);
    }

    /** What stands under its picture, as the house words it. */
    public function sourceLine(): string
    {
        return HouseFinish::current()->sourceLine($this->dataset->sourceInFull());
    }

    public function document(): StudyOfCore
    {
        return StudyDocument::read($this->revision->document);
    }

    public function revise(StudyOfCore $document, string $said): void
    {
        DB::transaction(function () use ($document, $said): void {
            $revision = StudyRevision::create([
                'study_id' => $this->id,
                'parent_id' => $this->revision_id,
                'said' => mb_strimwidth($said, 0, 200, '…'),
                'document' => StudyDocument::write($document),
            ]);
            $this->pointTo($revision);
        });
    }

    /** What undo would take back, or null when this is the first revision. */
    public function undoable(): ?string
    {
        return $this->revision->parent_id === null ? null : $this->revision->said;
    }

    /** The revision that redo leads to: the newest that was made from this one. */
    public function redoable(): ?StudyRevision
    {
        return StudyRevision::where('parent_id', $this->revision_id)->orderByDesc('id')->first();
    }

    public function undo(): void
    {
        $parent = StudyRevision::find($this->revision->parent_id);
        if ($parent !== null) {
            $this->pointTo($parent);
        }
    }

    public function redo(): void
    {
        $next = $this->redoable();
        if ($next !== null) {
            $this->pointTo($next);
        }
    }

    private function pointTo(StudyRevision $revision): void
    {
        $this->update(['revision_id' => $revision->id, 'name' => $revision->document['name']]);
        $this->setRelation('revision', $revision);
    }
}
