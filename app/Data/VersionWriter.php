<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Dataset;
use App\Models\ImportedFile;
use App\Models\StoredSeries;
use Illuminate\Support\Facades\DB;

/**
 * How versions of data sets come to be: nothing else gives them their numbers, or writes series.
 *
 * A version is one transaction, which is kept short: all that can be calculated before is. Its number is read within
 * it, so that two writers never write the same one. Only what changes is written: a series is valid from one version
 * until before another.
 */
final class VersionWriter
{
    /** @var list<array<string, scalar|Blob|null>> */
    private array $rows = [];

    /** @var list<int> ids of series that end before this version */
    private array $ended = [];

    private function __construct(private readonly int $version, private readonly int $file) {}

    /**
     * Writes a version, all of it or nothing.
     *
     * @param callable(self): void $write puts and ends series
     * @param int|null $madeOn number of the version that it was made on; null where it holds for whatever is in force
     *
     * @throws ChangedMeanwhile when another version is in force by now; nothing is written then
     */
    public static function write(Dataset $dataset, VersionSource $source, callable $write, ?int $madeOn = null): void
    {
        DB::transaction(static function () use ($dataset, $source, $write, $madeOn): void {
            $inForce = $dataset->newestVersion();
            if ($madeOn !== null && $madeOn !== $inForce) {
                throw ChangedMeanwhile::dataset($dataset->name);
            }
            $version = $inForce + 1;
            // What follows describes the new version; the one before keeps what it had.
            ImportedFile::where('dataset_id', $dataset->id)
                ->where('version', $inForce)
                ->update(['described' => Description::latest($dataset)]);
            $file = ImportedFile::create([
                'dataset_id' => $dataset->id,
                'version' => $version,
                'name' => $source->name,
                'sha256' => $source->sha256,
                'rows' => $source->rows,
                'plan' => $source->plan,
                'kind' => $source->kind,
                'note' => $source->note,
            ]);
            $writer = new self($version, $file->id);
            $write($writer);
            $writer->flush();
            Dataset::whereKey($dataset->id)->update(['version' => $version]);
            $dataset->version = $version;
            $dataset->syncOriginalAttribute('version');
        });
    }

    /**
     * Writes a series from this version on, in place of the one that is in force.
     *
     * @param string $cell category of each breakdown that the measure is split by, as Cell writes it
     */
    public function put(int $measure, int $entity, PackedSeries $series, ?StoredSeries $old, string $cell = ''): void
    {
        if ($old !== null) {
            $this->end($old);
        }
        $this->rows[] = [
            'measure_id' => $measure,
            'entity_id' => $entity,
            'cell' => $cell,
            'imported_file_id' => $this->file,
            'since' => $this->version,
            'first' => $series->first,
            'values' => $series->values,
            'statuses' => $series->statuses,
            'places' => $series->places,
        ];
        if (count($this->rows) === Staging::AT_ONCE) {
            $this->flush();
        }
    }

    /**
     * Writes all series that are staged, likewise.
     *
     * @param list<int> $measures id of each measure, by its number
     */
    public function putStaged(Staging $staged, array $measures): void
    {
        $staged->writeSeries($this->version, $this->file, $measures);
    }

    /** Ends a series before this version. */
    public function end(StoredSeries $old): void
    {
        $this->ended[] = $old->id;
        if (count($this->ended) === Staging::AT_ONCE) {
            $this->flush();
        }
    }

    private function flush(): void
    {
        // Before those that take their place: of each there is one in force.
        StoredSeries::query()->toBase()->whereIn('id', $this->ended)->update(['until' => $this->version]);
        WritingConnection::current()->insertMany('series', $this->rows);
        $this->rows = $this->ended = [];
    }
}
