<?php

declare(strict_types=1);

namespace App\Data;

use App\Formats\DelimitedFile;
use App\Models\Dataset;
use App\Models\Entity;
use App\Models\EntityAlias;
use App\Models\Measure;
use App\Models\StoredSeries;
use DuskRail\Data\Breakdown;
use DuskRail\Data\Revision;
use DuskRail\Reading\FoundBreakdowns;
use DuskRail\Reading\Limits;
use DuskRail\Reading\NotATable;
use DuskRail\Reading\Observations;
use DuskRail\Reading\Plan;
use DuskRail\Reading\Reader;
use DuskRail\Reading\ReadMeasure;
use DuskRail\Reading\ReadSeries;
use DuskRail\Reading\Shapes\Attributes;
use DuskRail\Reading\Vocabulary;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Reads a file into a data set as a plan says: a new version of it, or nothing. */
final readonly class Import
{
    /**
     * @param bool $leavingOut go on without what cannot be read
     * @param (callable(int, int): void)|null $progress told now and then how many rows are read, and how many cells
     *     could not be
     * @param 'over'|'place' $way whether what the file does not give stays, or goes for the measures that it holds
     * @param array<string, string> $same key of the entity that is meant, by the name in the file
     */
    public function __construct(
        private string $path,
        private string $fileName,
        private DelimitedFile $file,
        private Plan $plan,
        private bool $leavingOut = false,
        private mixed $progress = null,
        private string $way = 'over',
        private array $same = [],
    ) {}

    /**
     * @param (callable(Dataset): void)|null $then done in the same transaction, so that both stand or neither
     *
     * @throws ImportStopped
     */
    public function asNew(string $name, string $source, string $home = '', ?callable $then = null): Dataset
    {
        if ($this->plan->shape === Attributes::NAME) {
            throw ImportStopped::because(
                'This table describes entities and holds no figures by period. Bring a file of figures ' .
                    'first, then add this one to its data set. If it does hold periods, say below how it lies.',
            );
        }
        $observations = $this->read();
        $prepared = $this->prepared(null, $observations);
        $file = $this->source($observations);

        return DB::transaction(function () use (
            $name,
            $source,
            $home,
            $then,
            $observations,
            $prepared,
            $file,
        ): Dataset {
            $dataset = Dataset::create(['name' => $name, 'source' => $source]);
            $this->store($dataset, $observations, $prepared, $file);
            $entity = $dataset->entities()->where('name', $home)->first();
            $entity?->update(['home' => true]);
            if ($then !== null) {
                $then($dataset);
            }

            return $dataset;
        });
    }

    /**
     * @param (callable(Dataset): void)|null $then done in the same transaction
     *
     * @throws ImportStopped
     */
    public function addedTo(Dataset $dataset, ?callable $then = null): void
    {
        $observations = $this->read();
        if (
            $this->plan->shape === Attributes::NAME &&
            array_intersect(
                array_map(mb_strtolower(...), array_map(strval(...), array_keys($observations->beside->attributes))),
                array_keys($this->known($dataset)),
            ) === []
        ) {
            throw ImportStopped::because(
                "None of the names in this table is in “{$dataset->name}”. Check which column names the entities.",
            );
        }
        $prepared = $this->prepared($dataset, $observations);
        $file = $this->source($observations);
        DB::transaction(function () use ($dataset, $observations, $prepared, $file, $then): void {
            $this->store($dataset, $observations, $prepared, $file);
            if ($then !== null) {
                $then($dataset);
            }
        });
    }

    private function read(): Observations
    {
        $observations = Reader::read($this->file->rows(), $this->plan, $this->progress);
        if ($observations->isEmpty()) {
            throw ImportStopped::because(
                'Nothing could be read from the file as it is understood below. Change how the table lies ' .
                    'or which column is which.',
            );
        }
        if ($observations->problemCount > 0 && !$this->leavingOut) {
            throw ImportStopped::byProblems($observations);
        }

        return $observations;
    }

    private function source(Observations $observations): VersionSource
    {
        $kind = match (true) {
            $this->plan->shape === Attributes::NAME => VersionKind::Attributes,
            $this->way === 'place' => VersionKind::InPlace,
            default => VersionKind::LaidOver,
        };
        $sha256 = (string) hash_file('sha256', $this->path);

        return VersionSource::file($kind, $this->fileName, $sha256, $observations->rowCount, $this->plan->toArray());
    }

    private function store(
        Dataset $dataset,
        Observations $observations,
        PreparedSeries $prepared,
        VersionSource $file,
    ): void {
        VersionWriter::write($dataset, $file, function (VersionWriter $version) use (
            $dataset,
            $observations,
            $prepared,
        ): void {
            $this->remember($dataset);
            if ($this->plan->shape !== Attributes::NAME) {
                // Where somebody else wrote meanwhile, as a correction, nothing of that is lost.
                $holds = $prepared->madeOn === $dataset->newestVersion();
                $this->write(
                    $version,
                    $dataset,
                    $observations,
                    $holds ? $prepared : $this->prepared($dataset, $observations),
                );
                $this->split($dataset, $observations);
            }
            $this->describe($dataset, $observations);
        });
    }

    private function write(
        VersionWriter $version,
        Dataset $dataset,
        Observations $observations,
        PreparedSeries $prepared,
    ): void {
        $measures = $this->measures($dataset, $observations);
        $entities = $this->entities($dataset, $observations->entities, $prepared->keys);
        foreach ($prepared->series as [$measure, $entity, $series, $old, $cell]) {
            $version->put($measures[$measure], $entities[$entity], $series, $old, $cell);
        }
        foreach ($prepared->gone as $gone) {
            $version->end($gone);
        }
    }

    /** What is to be written, worked out before anybody is kept waiting. */
    private function prepared(?Dataset $dataset, Observations $observations): PreparedSeries
    {
        $ids = $this->ids($dataset, $observations);
        $known = $dataset === null ? [] : $this->known($dataset);
        $madeOn = $dataset?->newestVersion() ?? 0;
        $inForce = StoredSeries::ofVersion($madeOn, array_values(array_filter($ids)));
        $this->mustFit($observations, $ids, $inForce);
        $all = [];
        $breakdowns = FoundBreakdowns::of($observations, $dataset?->asBreakdowns() ?? []);
        foreach ($observations->series() as $n => $read) {
            if ($this->progress !== null && $n % 1_000 === 999) {
                ($this->progress)($observations->rowCount, $observations->problemCount);
            }
            $cell = $breakdowns->cell($read);
            $entity = $known[mb_strtolower($observations->entities[$read->entity])]->id ?? 0;
            $key = "{$ids[$read->measure]}/{$entity}/{$cell}";
            $old = $inForce[$key] ?? null;
            unset($inForce[$key]);
            $next = $this->next($old, $read);
            // What stays as it was is not written again.
            if ($old === null || !self::isSame($old, $next)) {
                $all[] = [$read->measure, $read->entity, PackedSeries::of($next), $old, $cell];
            }
        }

        $gone = $this->way === 'place' ? array_values($inForce) : [];

        return new PreparedSeries($madeOn, $all, $gone, array_map(self::key(...), $observations->entities));
    }

    /** @return list<int> the id of each measure in the file, 0 where it is new */
    private function ids(?Dataset $dataset, Observations $observations): array
    {
        $there = [];
        foreach ($dataset?->measures()->get() ?? [] as $measure) {
            $there[$measure->key] = $measure;
        }
        $ids = [];
        foreach ($observations->measures as $n => $read) {
            $ids[] = $there[self::key(self::named($there, $read, $observations->frequencyOf($n))->name)]->id ?? 0;
        }

        return $ids;
    }

    /**
     * @param array<int, int> $measures id of each measure that is read; none for a new one
     * @param array<string, StoredSeries> $inForce
     *
     * @throws NotATable when what is there and what is brought lie too far apart
     */
    private function mustFit(Observations $observations, array $measures, array $inForce): void
    {
        $spans = [];
        foreach ($this->way === 'place' ? [] : $inForce as $series) {
            // Eight bytes to a value; unpacking them all only to count them would take long.
            $raw = $series->getRawOriginal('values');
            $end = $series->first + intdiv(strlen(is_string($raw) ? $raw : ''), 8) - 1;
            [$first, $last] = $spans[$series->measure_id] ?? [$series->first, $end];
            $spans[$series->measure_id] = [min($first, $series->first), max($last, $end)];
        }
        foreach ($observations->spans() as $n => [$first, $last]) {
            [$oldFirst, $oldLast] = $spans[$measures[$n] ?? 0] ?? [$first, $last];
            $frequency = $observations->frequencyOf($n);
            Limits::span(
                $observations->measures[$n]->name,
                Period::at($frequency, min($first, $oldFirst)),
                Period::at($frequency, max($last, $oldLast)),
            );
        }
    }

    private static function isSame(StoredSeries $old, ReadSeries $next): bool
    {
        return serialize([$old->first, $old->values, array_filter($old->statuses)]) ===
            serialize([$next->first, $next->values, array_filter($next->statuses)]);
    }

    /**
     * What the file would change, without storing anything.
     *
     * @param Observations $observations all that was read of it, or its beginning
     *
     * @throws NotATable when what is there and what is brought lie too far apart
     */
    public function revision(Dataset $dataset, Observations $observations): Revision
    {
        $revision = new Revision();
        $known = $this->known($dataset);
        $ids = $this->ids($dataset, $observations);
        $inForce = StoredSeries::ofVersion($dataset->version, array_values(array_filter($ids)));
        $this->mustFit($observations, $ids, $inForce);
        $breakdowns = FoundBreakdowns::of($observations, $dataset->asBreakdowns());
        foreach ($observations->series() as $read) {
            $entity = $known[mb_strtolower($observations->entities[$read->entity])] ?? null;
            $key = $ids[$read->measure] . '/' . ($entity->id ?? 0) . '/' . $breakdowns->cell($read);
            $old = $inForce[$key] ?? null;
            unset($inForce[$key]);
            $next = $this->next($old, $read);
            $revision->compare(
                $observations->measures[$read->measure]->name,
                $entity->name ?? $observations->entities[$read->entity],
                $old->first ?? $next->first,
                $old->values ?? [],
                $next->first,
                $next->values,
            );
        }
        foreach ($this->way === 'place' ? $inForce : [] as $gone) {
            $name = $observations->measures[(int) array_search($gone->measure_id, $ids, true)]->name;
            $revision->compare($name, '', $gone->first, $gone->values, $gone->first, []);
        }

        return $revision;
    }

    /** @return list<string> names in the file that the data set does not know */
    public function strangers(Dataset $dataset, Observations $observations): array
    {
        $known = $this->known($dataset);

        return array_values(
            array_filter(
                $observations->entities,
                static fn(string $name): bool => !isset($known[mb_strtolower($name)]),
            ),
        );
    }

    /** Names that were said to mean an entity are known from now on. */
    private function remember(Dataset $dataset): void
    {
        foreach ($this->same as $name => $key) {
            $entity = $dataset->entities()->where('key', $key)->first();
            if ($entity !== null) {
                EntityAlias::updateOrCreate(
                    ['dataset_id' => $dataset->id, 'name' => mb_strtolower((string) $name)],
                    ['entity_id' => $entity->id],
                );
            }
        }
    }

    private function next(?StoredSeries $old, ReadSeries $read): ReadSeries
    {
        return $old === null || $this->way === 'place' ? $read : self::laidOver($old, $read);
    }

    /** A series laid over the one that is there: where the file has no value, the old ones stay. */
    private static function laidOver(StoredSeries $old, ReadSeries $new): ReadSeries
    {
        $first = min($old->first, $new->first);
        $oldFirst = $old->first;
        // Taken out of the model once: every look into it unpacks the whole list.
        [$oldValues, $oldStatuses] = [$old->values, $old->statuses];
        $end = max($oldFirst + count($oldValues), $new->first + count($new->values));
        $values = $statuses = $places = [];
        for ($ordinal = $first; $ordinal < $end; $ordinal++) {
            $fresh = $new->values[$ordinal - $new->first] ?? NAN;
            $isFresh = !is_nan($fresh);
            $values[] = $isFresh ? $fresh : $oldValues[$ordinal - $oldFirst] ?? NAN;
            $statuses[] = $isFresh ? $new->statuses[$ordinal - $new->first] : $oldStatuses[$ordinal - $oldFirst] ?? 0;
            // A place belongs to the newest file; what an older one gave is found through the older version.
            $places[] = $isFresh ? $new->places[$ordinal - $new->first] : -1;
        }

        return new ReadSeries($new->measure, $new->entity, $first, $values, $statuses, $places);
    }

    /**
     * As it is called in the data set: one of another frequency than that of the same name has a name of its own.
     *
     * @param array<string, Measure> $there by key
     */
    private static function named(array $there, ReadMeasure $read, Frequency $frequency): ReadMeasure
    {
        while (($there[self::key($read->name)]->frequency ?? $frequency) !== $frequency) {
            $name = "{$read->name} ({$frequency->adjective()})";
            $read = new ReadMeasure($name, $read->unit, $read->kind, $read->better);
        }

        return $read;
    }

    /** @return list<int> an id for each measure in the file */
    private function measures(Dataset $dataset, Observations $observations): array
    {
        $there = $ids = [];
        foreach ($dataset->measures()->get() as $measure) {
            $there[$measure->key] = $measure;
        }
        foreach ($observations->measures as $n => $read) {
            $frequency = $observations->frequencyOf($n);
            $read = self::named($there, $read, $frequency);
            $key = self::key($read->name);
            $there[$key] ??= Measure::create([
                'dataset_id' => $dataset->id,
                'key' => $key,
                'name' => $read->name,
                'unit' => $read->unit,
                'kind' => $read->kind,
                'better' => $read->better,
                'frequency' => $frequency,
            ]);
            $ids[] = $there[$key]->id;
        }

        return $ids;
    }

    /**
     * @param list<string> $names
     * @param list<string> $wished a key for each
     * @return list<int> an id for each name
     */
    private function entities(Dataset $dataset, array $names, array $wished): array
    {
        $known = $this->known($dataset);
        $keys = array_flip(array_map(static fn(Entity $e): string => $e->key, $known));
        $rows = [];
        foreach ($names as $n => $name) {
            $lower = mb_strtolower($name);
            if (isset($known[$lower]) || isset($rows[$lower])) {
                continue;
            }
            $key = $wished[$n];
            for ($more = 2; isset($keys[$key]); $more++) {
                $key = "{$wished[$n]}-{$more}";
            }
            $keys[$key] = true;
            $rows[$lower] = [
                'dataset_id' => $dataset->id,
                'key' => $key,
                'name' => $name,
                'home' => false,
                'about' => '[]',
            ];
        }
        WritingConnection::current()->insertMany('entities', array_values($rows));
        // Of many the numbers alone, since making an object of each would take long.
        $ids = $dataset->entities()->toBase()->pluck('id', 'key')->all();

        return array_map(static function (string $name) use ($known, $rows, $ids): int {
            $lower = mb_strtolower($name);
            $id = $known[$lower]->id ?? $ids[$rows[$lower]['key']];

            return is_numeric($id) ? (int) $id : 0;
        }, $names);
    }

    /** Notes down what figures are split by. */
    private function split(Dataset $dataset, Observations $observations): void
    {
        if ($observations->beside->breakdowns === []) {
            return;
        }
        $dataset->breakdowns = array_values(
            array_map(
                static fn(Breakdown $b): array => [
                    'key' => $b->key,
                    'name' => $b->name,
                    'total' => $b->total,
                    'categories' => $b->categories,
                ],
                FoundBreakdowns::of($observations, $dataset->asBreakdowns())->all,
            ),
        );
        $dataset->save();
    }

    /** What the file says of entities: their attributes, codes and groups, and which are summaries of others. */
    private function describe(Dataset $dataset, Observations $observations): void
    {
        $said = $observations->beside->attributes;
        foreach ($observations->beside->summaries as $name => $kind) {
            $said[$name]['summary'] = $kind;
        }
        $known = $said === [] ? [] : $this->known($dataset);
        foreach ($said as $name => $attributes) {
            $entity = $known[mb_strtolower((string) $name)] ?? null;
            if ($entity === null) {
                continue;
            }
            $about = array_filter([...$entity->about, ...$attributes], static fn(string $text): bool => $text !== '');
            if ($about !== $entity->about) {
                $entity->update(['about' => $about]);
            }
            foreach ($attributes as $heading => $text) {
                // A code is another name that the entity goes by in files.
                if (
                    $text !== '' &&
                    preg_match(Vocabulary::CODE, (string) $heading) === 1 &&
                    !isset($known[mb_strtolower($text)])
                ) {
                    EntityAlias::firstOrCreate(
                        ['dataset_id' => $dataset->id, 'name' => mb_strtolower($text)],
                        ['entity_id' => $entity->id],
                    );
                }
            }
        }
    }

    /** @return array<string, Entity> by name in lower case, other names that it goes by among them */
    private function known(Dataset $dataset): array
    {
        $known = $byId = $byKey = [];
        foreach ($dataset->entities()->get() as $entity) {
            $byId[$entity->id] = $byKey[$entity->key] = $known[mb_strtolower($entity->name)] = $entity;
        }
        foreach (EntityAlias::where('dataset_id', $dataset->id)->get() as $alias) {
            $known[$alias->name] ??= $byId[$alias->entity_id];
        }
        foreach ($this->same as $name => $key) {
            if (isset($byKey[$key])) {
                $known[mb_strtolower((string) $name)] = $byKey[$key];
            }
        }

        return $known;
    }

    /** A name as a key; it begins with a letter, since PHP would take digits alone for a number. */
    private static function key(string $name): string
    {
        $slug = Str::slug($name);
        $slug = $slug === '' ? 'x' . substr(hash('sha256', $name), 0, 8) : $slug;

        return ctype_digit($slug[0]) ? "n-{$slug}" : $slug;
    }
}
