<?php

declare(strict_types=1);

namespace App\Models;

use App\Data\Answers;
use App\Data\Foreseen;
use App\Data\Import;
use App\Data\ImportProgress;
use App\Formats\DelimitedFile;
use App\Formats\Unpacker;
use App\Formats\UnpackerBusy;
use DuskRail\Reading\Detection;
use DuskRail\Reading\Dialect;
use DuskRail\Reading\Heading;
use DuskRail\Reading\NotATable;
use DuskRail\Reading\Plan;
use DuskRail\Reading\Reader;
use DuskRail\Reading\Sample;
use DuskRail\Reading\Shapes\Attributes;
use DuskRail\Reading\TableShapes;
use DuskRail\Refusal;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A file that was brought but not yet read into a data set.
 *
 * @property string $id
 * @property int|null $dataset_id
 * @property string $name
 * @property array{encoding: string, delimiter: string, skip: int} $dialect
 * @property array<string, mixed> $plan
 * @property list<string>|null $sheets of a workbook
 * @property string $sheet the one that is read
 * @property 'over'|'place' $mode what becomes of values that are there already
 * @property array<string, string>|null $same key of the entity that is meant, by the name in the file
 * @property array<string, string>|null $units what values of a measure are multiplied by, by its name in the file
 * @property bool $removes_withdrawn whether stored values go where the file says that there is none
 * @property string $like name of the file that it is read like; nothing where it is read as guessed
 * @property 'unread'|'open'|'waiting'|'running'|'done' $state unread while other large files are before it
 * @property string $message why an import came to nothing
 * @property array{count: int, duplicates: int, list: list<array{int, string, string, string}>}|null $problems what
 *     could not be read of all of it: row, column, what was found, what was expected
 * @property int|null $study_id where it led to
 * @property Dataset|null $dataset
 */
final class Upload extends Record
{
    use HasUuids;

    protected $table = 'uploads';

    protected $guarded = [];

    protected $casts = [
        'dialect' => 'array',
        'plan' => 'array',
        'sheets' => 'array',
        'same' => 'array',
        'units' => 'array',
        'removes_withdrawn' => 'boolean',
        'problems' => 'array',
    ];

    protected $attributes = [
        'mode' => 'over',
        'state' => 'open',
        'message' => '',
        'like' => '',
        'dialect' => '[]',
        'plan' => '[]',
        'removes_withdrawn' => false,
    ];

    /** Seconds after which a file that waits to be read is given up by whoever brought it. */
    private const GIVEN_UP = 20;

    /** @return BelongsTo<Dataset, $this> */
    public function dataset(): BelongsTo
    {
        return $this->belongsTo(Dataset::class);
    }

    public function path(): string
    {
        return storage_path("app/uploads/{$this->id}");
    }

    /** Where a workbook is kept, so that another of its sheets can be read. */
    public function bookPath(): string
    {
        return "{$this->path()}.book";
    }

    public function size(): int
    {
        return is_file($this->path()) ? (int) filesize($this->path()) : 0;
    }

    /** Takes it from one state to another; false where somebody else has done so before. */
    public function claim(string $from, string $to): bool
    {
        if ($to === 'running') {
            $this->progress()->tell(0, 0);
        }
        $claimed = self::whereKey($this->id)->where('state', $from)->update(['state' => $to, 'message' => '']);
        $this->refresh();

        return $claimed === 1;
    }

    public function progress(): ImportProgress
    {
        return new ImportProgress($this->path());
    }

    /** Whether an import runs or waits; one that was killed is found out by its silence, and can be started again. */
    public function isUnderWay(): bool
    {
        if ($this->state === 'running' && $this->progress()->isSilent()) {
            $this->update([
                'state' => 'open',
                'message' => __('The import was interrupted. Nothing was stored. Start it again.'),
            ]);
        }

        return in_array($this->state, ['waiting', 'running'], true);
    }

    /** What the data are said to come from: the file, and of a workbook the sheet. */
    public function origin(): string
    {
        return $this->sheet === '' ? $this->name : "{$this->name}, sheet {$this->sheet}";
    }

    /**
     * Understands what was brought, from fresh guesses.
     *
     * @param bool $like whether it is read like the last file of its kind, where the guess for that was changed
     *
     * @throws NotATable
     */
    public function understand(bool $like = true): void
    {
        $table = DelimitedFile::open($this->path());
        [$sample] = $table->sample($this->name, config()->integer('duskrail.preview_rows'));
        $this->dialect = (array) $table->dialect;
        $kind = $like ? FileKind::of($sample) : null;
        $known = $kind?->planFor($sample);
        $this->like = $known === null ? '' : (string) $kind?->file;
        $plan = $known ?? Detection::of($sample)->plan;
        $plan = $known === null ? $this->withEntities($plan, $sample) : $plan;
        $plan = $this->dataset === null ? $plan : $this->named($plan, $sample, $this->dataset);
        $this->plan = $plan->toArray();
        if ($this->dataset !== null && $plan->shape !== Attributes::NAME) {
            $this->units = $this->likelyUnits($this->dataset, $sample, $plan);
        }
    }

    /** A single column of values is of an entity where the data set knows one of that name. */
    private function withEntities(Plan $plan, Sample $sample): Plan
    {
        $isAlone =
            $plan->shape === 'long' && $plan->columns->entity === null && count($plan->columns->values) === 1;
        $only = $isAlone ? Heading::read($sample->heading($plan->columns->values[0], $plan->heading))->name : '';
        $isKnown =
            $only !== '' &&
            $this->dataset
                ?->entities()
                ->whereRaw('lower(name) = ?', [mb_strtolower($only)])
                ->exists() === true;

        return $isKnown ? Detection::of($sample, TableShapes::named('entities-across'))->plan : $plan;
    }

    /**
     * A measure that only the name of the file names is the one that the data set has, where it has one and values of
     * both are the same.
     */
    private function named(Plan $plan, Sample $sample, Dataset $dataset): Plan
    {
        $there = $dataset->measures()->where('formula', '')->where('removed', false)->get();
        $names = array_values($there->map(static fn(Measure $m): string => $m->name)->all());
        $isNamed = $plan->columns->measure !== null || in_array($plan->shape, ['long', 'moment', 'events'], true);
        if ($isNamed || count($names) !== 1) {
            return $plan;
        }
        $same = $plan->with(['measureName' => $names[0]]);
        try {
            $revision = Foreseen::of($dataset, Reader::read($sample->rows, $same), $this->answers())->revision;
        } catch (Refusal) {
            return $plan;
        }

        return $revision->same > $revision->changed ? $same : $plan;
    }

    /**
     * What values of measures are multiplied by that come in another size than they are stored in.
     *
     * @return array<string, string>
     */
    private function likelyUnits(Dataset $dataset, Sample $sample, Plan $plan): array
    {
        try {
            return Foreseen::shifts($dataset, Reader::read($sample->rows, $plan), $this->answers());
        } catch (Refusal) {
            // The preview says why it cannot be read or added.
            return [];
        }
    }

    /**
     * Of a file with several tables, as a workbook with its sheets, reads the one that is named, or the likeliest.
     *
     * @throws NotATable
     * @throws UnpackerBusy
     */
    public function readSheet(?string $sheet, int $patience = 45): void
    {
        set_time_limit(300);
        [$this->sheets, $this->sheet] = Unpacker::write($this->bookPath(), $this->path(), $sheet, $patience);
        $this->understand();
    }

    /** How many files that were brought before it are still to be read, and the one that is being read. */
    public function isBehind(): int
    {
        $before = self::where('state', 'unread')->where('updated_at', '>', now()->subSeconds(self::GIVEN_UP));

        return $before->where('created_at', '<', $this->created_at)->count() + 1;
    }

    /**
     * Reads it where its turn has come.
     *
     * @return bool whether it is read
     *
     * @throws NotATable
     */
    public function takeTurn(): bool
    {
        $this->touch();
        if ($this->isBehind() > 1) {
            return false;
        }
        try {
            $this->readSheet(null, 0);
        } catch (UnpackerBusy) {
            return false;
        }
        $this->update(['state' => 'open']);

        return true;
    }

    public function readDialect(): Dialect
    {
        return Dialect::of($this->dialect['encoding'], $this->dialect['delimiter'], $this->dialect['skip']);
    }

    public function readPlan(): Plan
    {
        return Plan::fromArray($this->plan);
    }

    /**
     * @param (callable(int, int): void)|null $progress told now and then how many rows are read, and how many cells
     *     could not be
     */
    public function import(bool $leavingOut = false, ?callable $progress = null): Import
    {
        return new Import(
            $this->path(),
            $this->origin(),
            DelimitedFile::with($this->path(), $this->readDialect()),
            $this->readPlan(),
            $leavingOut,
            $progress,
            $this->answers(),
        );
    }

    /** Keeps how it was read, for the next file of its kind. */
    public function remember(): void
    {
        [$sample] = DelimitedFile::with($this->path(), $this->readDialect())->sample(
            $this->name,
            config()->integer('duskrail.preview_rows'),
        );
        FileKind::keep($sample, $this->readPlan(), $this->name);
    }

    public function answers(): Answers
    {
        return new Answers($this->mode, $this->same ?? [], $this->units ?? [], $this->removes_withdrawn);
    }

    public function discard(): void
    {
        $this->progress()->discard();
        foreach (array_filter([$this->path(), $this->bookPath()], is_file(...)) as $path) {
            unlink($path);
        }
        $this->delete();
    }
}
