<?php

declare(strict_types=1);

namespace App\Models;

use App\Data\Import;
use App\Formats\DelimitedFile;
use App\Formats\TableSources;
use App\Formats\Workbook;
use DuskRail\Reading\Detection;
use DuskRail\Reading\Dialect;
use DuskRail\Reading\NotATable;
use DuskRail\Reading\Plan;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
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
 * @property 'over'|'place' $way what becomes of figures that are there already
 * @property array<string, string>|null $same key of the entity that is meant, by the name in the file
 * @property Dataset|null $dataset
 */
final class Upload extends Model
{
    use HasUuids;

    protected $guarded = [];

    protected $casts = ['dialect' => 'array', 'plan' => 'array', 'sheets' => 'array', 'same' => 'array'];

    protected $attributes = ['way' => 'over'];

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

    public function progressPath(): string
    {
        return "{$this->path()}.progress";
    }

    /** What the figures are said to come from: the file, and of a workbook the sheet. */
    public function origin(): string
    {
        return $this->sheet === '' ? $this->name : "{$this->name}, sheet {$this->sheet}";
    }

    /**
     * Understands what was brought, from fresh guesses.
     *
     * @throws NotATable
     */
    public function understand(): void
    {
        $table = DelimitedFile::open($this->path());
        [$sample] = $table->sample($this->name, config()->integer('duskrail.preview_rows'));
        $this->dialect = (array) $table->dialect;
        $this->plan = Detection::of($sample)->plan->toArray();
    }

    /**
     * Of a file with several tables, as a workbook with its sheets, reads the one that is named, or the likeliest.
     *
     * @throws NotATable
     */
    public function readSheet(?string $sheet): void
    {
        set_time_limit(300);
        ini_set('memory_limit', '1G');
        $format = TableSources::of($this->bookPath()) ?? Workbook::class;
        $book = $format::open($this->bookPath());
        $this->sheets = $book->tables();
        $this->sheet = $sheet ?? $this->sheets[0] ?? '';
        $book->write($this->sheet, $this->path());
        $this->understand();
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
     * @param (callable(int): void)|null $progress told the number of rows read now and then
     */
    public function import(bool $leavingOut = false, ?callable $progress = null): Import
    {
        return new Import($this->path(), $this->origin(), DelimitedFile::with($this->path(), $this->readDialect()), $this->readPlan(), $leavingOut, $progress, $this->way, $this->same ?? []);
    }

    public function discard(): void
    {
        foreach ([$this->path(), $this->bookPath(), $this->progressPath()] as $path) {
            if (is_file($path)) {
                unlink($path);
            }
        }
        $this->delete();
    }
}
