<?php

declare(strict_types=1);

namespace App\Models;

use App\Data\StoredData;
use DuskRail\Document\Study as StudyOfCore;
use DuskRail\Document\StudyDocument;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;

/**
 * A study with all its revisions, and a pointer to the one in force. Undo and redo only move the pointer.
 *
 * @property int $id
 * @property int $dataset_id
 * @property string $name
 * @property Carbon|null $deleted_at since when it is in the bin
 * @property int $revision_id
 * @property int|null $version of the data set that it is pinned to; null for the latest
 * @property int|null $described number of the description that it is pinned to
 * @property Dataset $dataset
 * @property StudyRevision $revision
 */
final class Study extends Record
{
    use SoftDeletes;

    // Told, since working it out from the name takes a while.
    protected $table = 'studies';

    protected $guarded = [];

    private ?StoredData $data = null;

    private ?string $changesAddress = null;

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

    /**
     * The studies of a data set. A data set itself knows of none.
     *
     * @return Builder<self>
     */
    public static function of(Dataset $dataset): Builder
    {
        return self::where('dataset_id', $dataset->id)->orderBy('id');
    }

    /** The data it compares, read once however often they are asked for. */
    public function data(): StoredData
    {
        return $this->data ??= new StoredData($this->dataset, $this->version, false, $this->described);
    }

    /** Where its edits go, which dozens of buttons of a page say. */
    public function changesAddress(): string
    {
        return $this->changesAddress ??= route('changes.store', $this);
    }

    /** What is under its picture, as the house words it. */
    public function sourceLine(): string
    {
        return HouseStyle::current()->asSettings()->sourceLine($this->data()->described()->sourceInFull());
    }

    public function document(): StudyOfCore
    {
        return StudyDocument::read($this->revision->document);
    }

    /** What undo would take back, or null when this is the first revision. */
    public function undoable(): ?string
    {
        return $this->revision->parent_id === null ? null : $this->revision->summary;
    }

    /** The revision that redo leads to. */
    public function redoable(): ?StudyRevision
    {
        // Nothing was made from one that was written just now.
        return $this->revision->wasRecentlyCreated ? null : StudyRevision::after($this->revision_id);
    }
}
