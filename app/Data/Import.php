<?php

declare(strict_types=1);

namespace App\Data;

use App\Formats\DelimitedFile;
use App\Models\Dataset;
use App\Models\EntityAlias;
use App\Models\Measure;
use Closure;
use DuskRail\Data\Benchmark;
use DuskRail\Data\Breakdown;
use DuskRail\Data\Divisor;
use DuskRail\Data\Measure as CoreMeasure;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\Study;
use DuskRail\Reading\FoundBreakdowns;
use DuskRail\Reading\Observations;
use DuskRail\Reading\Plan;
use DuskRail\Reading\Reader;
use DuskRail\Reading\Shapes\Attributes;
use DuskRail\Reading\Table;
use DuskRail\Reading\Vocabulary;
use Illuminate\Support\Facades\DB;

/** Reads a file into a data set as a plan says: a new version of it, or nothing. */
final readonly class Import
{
    /**
     * @param bool $leavingOut go on without what cannot be read
     * @param (callable(int, int): void)|null $progress told now and then how many rows are read, and how many cells
     *     could not be
     */
    public function __construct(
        private string $path,
        private string $fileName,
        private DelimitedFile $file,
        private Plan $plan,
        private bool $leavingOut = false,
        private mixed $progress = null,
        private Answers $answers = new Answers(),
    ) {}

    /**
     * @param (callable(Dataset, Study): void)|null $then given the data set and the study that one may begin with; done
     *     in the same transaction, so that both are or neither
     *
     * @throws ImportStopped
     */
    public function asNew(string $name, string $source, string $home = '', ?callable $then = null): Dataset
    {
        if ($this->plan->shape === Attributes::NAME) {
            [$sample] = $this->file->sample($this->fileName, 200);
            $unknown = (new Table($sample, $this->plan->heading))->periods()->unknown();
            if ($unknown !== '') {
                throw ImportStopped::because(
                    "{$unknown}. Write it as 2024, 2024-Q1, 2024-03 or 2024-03-31, or set “Table layout” to one row " .
                        'per value and choose the “Period format”.',
                );
            }
            throw ImportStopped::because(
                'This table has attributes of entities but no values by period. Import a file with values ' .
                    'first, then add this one to that data set. If it does contain periods, change “Table ' .
                    'layout” below.',
            );
        }
        $observations = $this->read();
        $prepared = $this->prepared(null, $observations);
        $first = FirstStudy::foreseen($observations, $prepared->matching, $home);
        $key = $prepared->matching->entityKeys[array_flip($observations->entities)[$home] ?? -1] ?? '';
        $file = $this->source($observations);

        return $this->inTransaction($prepared, function () use (
            $name,
            $source,
            $key,
            $then,
            $observations,
            $prepared,
            $first,
            $file,
        ): Dataset {
            $dataset = Dataset::create(['name' => $name, 'source' => $source]);
            $this->store($dataset, $observations, $prepared, $file);
            $dataset->entities()->where('key', $key)->update(['home' => true]);
            if ($then !== null) {
                $then($dataset, $first);
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
        $prepared = $this->prepared($dataset, $observations);
        if ($this->plan->shape === Attributes::NAME && array_filter($prepared->matching->entities) === []) {
            throw ImportStopped::because(
                "No entity name in this table exists in “{$dataset->name}”. Check which column is the entity.",
            );
        }
        $file = $this->source($observations);
        $this->inTransaction($prepared, function () use ($dataset, $observations, $prepared, $file, $then): Dataset {
            $this->store($dataset, $observations, $prepared, $file);
            if ($then !== null) {
                $then($dataset);
            }

            return $dataset;
        });
    }

    /**
     * In one transaction, after which nothing is left of what was staged.
     *
     * @param Closure(): Dataset $write
     */
    private function inTransaction(PreparedImport $prepared, Closure $write): Dataset
    {
        try {
            return DB::transaction($write);
        } finally {
            $prepared->staging->drop();
        }
    }

    private function read(): Observations
    {
        $observations = Reader::read($this->file->rows(), $this->plan, $this->progress);
        if ($observations->isEmpty()) {
            throw ImportStopped::because(
                'No values could be read with the settings below. Change “Table layout” or the columns.',
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
            $this->answers->isInPlace() => VersionKind::InPlace,
            default => VersionKind::LaidOver,
        };
        $sha256 = (string) hash_file('sha256', $this->path);

        $account = $observations->metadata->account;
        $plan = [...$this->plan->toArray(), ...$account->isWhole() ? [] : ['leftOut' => $account->toArray()]];

        return VersionSource::file($kind, $this->fileName, $sha256, $observations->rowCount, $plan);
    }

    private function store(
        Dataset $dataset,
        Observations $observations,
        PreparedImport $prepared,
        VersionSource $file,
    ): void {
        VersionWriter::write($dataset, $file, function (VersionWriter $version) use (
            $dataset,
            $observations,
            $prepared,
        ): void {
            // Where somebody else wrote meanwhile, as a correction, nothing of that is lost.
            $holds = $prepared->madeOn === $dataset->newestVersion();
            $prepared = $holds ? $prepared : $this->prepared($dataset, $observations);
            $this->remember($dataset);
            $prepared->staging->writeEntities($dataset->id);
            $version->putStaged($prepared->staging, $this->measures($dataset, $observations, $prepared->matching));
            foreach ($prepared->gone as $gone) {
                $version->end($gone);
            }
            $this->split($dataset, $observations);
        });
    }

    /** What is to be written, calculated before anybody is kept waiting. */
    private function prepared(?Dataset $dataset, Observations $observations): PreparedImport
    {
        $dataset?->refresh();
        $madeOn = $dataset->version ?? 0;
        $matching = Matching::of($dataset, $observations, $this->answers);
        $pairs = SeriesPairs::of($dataset, $observations, $matching, $this->answers);
        $staging = new Staging();
        $this->stageEntities($staging, $observations, $matching);
        $n = 0;
        foreach ($pairs->each() as [$read, $old, $cell]) {
            if ($this->progress !== null && ++$n % 1_000 === 0) {
                ($this->progress)($observations->rowCount, $observations->problemCount);
            }
            $next = LaidOver::next($old, $read, $this->answers);
            // What stays as it was is not written again.
            if ($old === null || !LaidOver::isSame($old, $next)) {
                $staging->series($read->measure, $read->entity, PackedSeries::of($next), $old?->id, $cell);
            }
        }

        $gone = $this->answers->isInPlace() ? $pairs->rest() : [];

        return new PreparedImport($madeOn, $matching, $staging, $gone);
    }

    /**
     * The entities of the file and what it says of them: their attributes, codes and groups, and which are
     * benchmarks. A table of attributes makes none.
     */
    private function stageEntities(Staging $staging, Observations $observations, Matching $matching): void
    {
        $metadata = $observations->metadata;
        foreach ($observations->entities as $n => $name) {
            $entity = $matching->entities[$n];
            if ($entity === null && $this->plan->shape === Attributes::NAME) {
                continue;
            }
            $said = $metadata->attributes[$name] ?? [];
            $said[Benchmark::ATTRIBUTE] = $matching->benchmark($observations, $n);
            $old = $entity->about ?? [];
            $about = array_filter([...$old, ...$said], static fn(string $text): bool => $text !== '');
            $json = $about === $old ? null : json_encode($about, JSON_THROW_ON_ERROR);
            $staging->entity($n, $entity?->id, $matching->entityKeys[$n], $name, $json);
            foreach ($said as $heading => $text) {
                // A code is another name that the entity goes by in files.
                $alias = mb_strtolower($text);
                if (
                    preg_match(Vocabulary::CODE, (string) $heading) === 1 &&
                    $alias !== '' &&
                    !isset($matching->known[$alias])
                ) {
                    $staging->alias($n, $alias);
                }
            }
        }
    }

    /** Names that were said to mean an entity are known from now on. */
    private function remember(Dataset $dataset): void
    {
        foreach ($this->answers->same as $name => $key) {
            $entity = $dataset->entities()->where('key', $key)->first();
            if ($entity !== null) {
                EntityAlias::updateOrCreate(
                    ['dataset_id' => $dataset->id, 'name' => mb_strtolower((string) $name)],
                    ['entity_id' => $entity->id],
                );
            }
        }
    }

    /** @return list<int> id of each measure of the file, of which the new ones are made */
    private function measures(Dataset $dataset, Observations $observations, Matching $matching): array
    {
        $ids = $new = [];
        // A table of attributes has none.
        foreach ($this->plan->shape === Attributes::NAME ? [] : $matching->named as $n => $read) {
            $measure = $matching->measures[$n] ?? null;
            if ($measure === null) {
                $new[] = $measure = Measure::create([
                    'dataset_id' => $dataset->id,
                    'key' => Measure::freeKey($dataset->id, $matching->measureKeys[$n]),
                    'name' => $read->name,
                    'unit' => $read->unit,
                    'kind' => $read->kind,
                    'better' => $read->better,
                    'frequency' => $observations->frequencyOf($n),
                ]);
            }
            if ($measure->removed) {
                $measure->update(['removed' => false]);
            }
            $ids[] = $measure->id;
        }
        $rates = array_filter($new, static fn(Measure $m): bool => $m->kind === MeasureKind::Rate);
        $all = $rates === [] ? [] : $dataset->measures()->get();
        $keys = $said = [];
        foreach ($all as $measure) {
            $keys[$measure->name] = $measure->key;
        }
        foreach ($matching->named as $read) {
            $said[$read->name] = $keys[$read->per] ?? null;
        }
        foreach ($rates as $rate) {
            $others = array_map(static fn(Measure $m): CoreMeasure => $m->asCore(), [...$all]);
            $rate->update(['per' => $said[$rate->name] ?? Divisor::guess($rate->name, $rate->unit, $others)]);
        }

        return $ids;
    }

    /** Notes down what values are split by. */
    private function split(Dataset $dataset, Observations $observations): void
    {
        if ($observations->metadata->breakdowns === []) {
            return;
        }
        // As they are by now: somebody may have named them while the file was read.
        $dataset->breakdowns = Dataset::findOrFail($dataset->id)->breakdowns;
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
}
