<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Dataset;
use App\Models\Entity;
use App\Models\EntityAlias;
use App\Models\Measure;
use DuskRail\Data\Benchmark;
use DuskRail\Reading\Observations;
use DuskRail\Reading\ReadMeasure;
use DuskRail\Reading\Vocabulary;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Str;

/** Which measures and entities of a data set those of a file are, and what the new ones are to be called. */
final readonly class Matching
{
    /**
     * @param array<string, Entity> $known by name in lower case, other names that it goes by among them
     * @param list<Measure|null> $measures what each measure of the file is in the data set; null for a new one
     * @param list<ReadMeasure> $named each as it is called in the data set
     * @param list<string> $measureKeys
     * @param list<float> $factors what values of each measure are multiplied by to be in the stored unit
     * @param list<UnitQuestion> $questions measures that come in another unit
     * @param list<Entity|null> $entities what each entity of the file is in the data set; null for a new one
     * @param list<string> $entityKeys
     */
    private function __construct(
        public array $known,
        public array $measures,
        public array $named,
        public array $measureKeys,
        public array $factors,
        public array $questions,
        public array $entities,
        public array $entityKeys,
    ) {}

    /** @throws ImportStopped when two names of the file are one entity */
    public static function of(?Dataset $dataset, Observations $read, Answers $answers = new Answers()): self
    {
        $known = $dataset === null ? [] : self::known($dataset, $answers->same);

        return new self(
            $known,
            ...self::measures($dataset, $read, $answers->units),
            ...self::entities($known, $read),
        );
    }

    /** @return list<int> id of each measure of the file, 0 for a new one */
    public function measureIds(): array
    {
        return array_map(static fn(?Measure $m): int => $m->id ?? 0, $this->measures);
    }

    /** @return list<string> names in the file that the data set does not know */
    public function strangers(Observations $read): array
    {
        return array_values(array_filter($read->entities, fn(int $n): bool => $this->entities[$n] === null, 2));
    }

    /**
     * What an entity of the file is a benchmark as, a value of `Benchmark`; nothing for one that is compared. One that
     * is there already stays what it is, unless somebody says otherwise.
     */
    public function benchmark(Observations $read, int $entity): string
    {
        $name = $read->entities[$entity];
        $said = $read->metadata->said[$name] ?? null;
        $there = $this->entities[$entity];
        if ($said !== null || $there !== null) {
            return $said ?? $there->about[Benchmark::ATTRIBUTE] ?? '';
        }
        // A file with the mean alone has nobody that it is the mean of; the data set has.
        $guess = count($this->known) > 1 ? Vocabulary::benchmark($name) : null;

        return $read->metadata->benchmarks[$name] ?? $guess->value ?? '';
    }

    /** @return array<string, string> kinds by name; nothing for one that somebody said is none */
    public function benchmarks(Observations $read): array
    {
        $benchmarks = [];
        foreach ($read->entities as $n => $name) {
            $kind = $this->benchmark($read, $n);
            if ($kind !== '' || isset($read->metadata->said[$name])) {
                $benchmarks[$name] = $kind;
            }
        }

        return $benchmarks;
    }

    /** @return array<string, string> names of entities that have become part of another, with the key of that */
    public function merged(Observations $read): array
    {
        $merged = [];
        foreach ($this->entities as $n => $entity) {
            if (($entity->part_of ?? '') !== '') {
                $merged[$read->entities[$n]] = $entity->part_of ?? '';
            }
        }

        return $merged;
    }

    /**
     * @param array<string, string> $units answers by name
     * @return array{list<Measure|null>, list<ReadMeasure>, list<string>, list<float>, list<UnitQuestion>}
     */
    private static function measures(?Dataset $dataset, Observations $read, array $units): array
    {
        [$byName, $byKey] = self::named($dataset);
        $matched = $named = $keys = $taken = $factors = $questions = [];
        foreach ($read->measures as $n => $one) {
            $frequency = $read->frequencyOf($n);
            $find = static function (string $name) use ($byName, $byKey, &$taken): ?Measure {
                $there = $byName[mb_strtolower($name)] ?? ($byKey[self::key($name)] ?? null);

                return $there === null || isset($taken[$there->key]) ? null : $there;
            };
            $there = $find($one->name);
            [$one, $there, $question] = $there === null || $one->unit === $there->unit
                ? self::asked($one, $there, $units)
                : self::inUnit($one, $there, $find, $units);
            $questions = $question === null ? $questions : [...$questions, $question];
            $factor = $question?->times() ?? 1.0;
            while ($there !== null && $there->frequency !== $frequency) {
                $one = $one->named("{$one->name} ({$frequency->adjective()})");
                $there = $find($one->name);
            }
            $key = $there->key ?? self::free(self::key($one->name), [...$byKey, ...$taken]);
            $taken[$key] = true;
            [$matched[], $named[], $keys[], $factors[]] = [$there, $one, $key, $factor];
        }

        return [$matched, $named, $keys, $factors, $questions];
    }

    /**
     * Values of another unit are converted, or are of another measure, which has a name of its own.
     *
     * @param callable(string): (Measure|null) $find
     * @param array<string, string> $units answers by name
     * @return array{ReadMeasure, Measure|null, UnitQuestion|null}
     */
    private static function inUnit(ReadMeasure $one, Measure $there, callable $find, array $units): array
    {
        $other = $one->unit === '' ? null : $find("{$one->name}, {$one->unit}");
        if ($other !== null) {
            return [$one->named($other->name), $other, null];
        }
        [, , $question] = self::asked($one, $there, $units);
        if ($question?->isOwn() !== true) {
            return [$one, $there, $question];
        }

        return [$one->named("{$one->name}, {$one->unit}"), null, $question];
    }

    /**
     * @param array<string, string> $units answers by name
     * @return array{ReadMeasure, Measure|null, UnitQuestion|null}
     */
    private static function asked(ReadMeasure $one, ?Measure $there, array $units): array
    {
        $answer = $units[$one->name] ?? null;

        return [$one, $there, $there === null ? null : UnitQuestion::of($one->name, $one->unit, $there->unit, $answer)];
    }

    /** @return array{array<string, Measure>, array<string, Measure>} by name in lower case, and by key */
    private static function named(?Dataset $dataset): array
    {
        $byName = $byKey = [];
        foreach ($dataset === null ? [] : self::usable($dataset) as $measure) {
            $byName[mb_strtolower($measure->name)] = $byKey[$measure->key] = $measure;
        }

        return [$byName, $byKey];
    }

    /**
     * Measures that values can go to. One that was removed comes back; one that was calculated does not.
     *
     * @return Collection<int, Measure>
     */
    private static function usable(Dataset $dataset): Collection
    {
        return Measure::where('dataset_id', $dataset->id)
            ->where(static fn(Builder $q): Builder => $q->where('removed', false)->orWhere('formula', ''))
            ->orderBy('removed')
            ->orderBy('id')
            ->get();
    }

    /**
     * @param array<string, Entity> $known
     * @return array{list<Entity|null>, list<string>}
     */
    private static function entities(array $known, Observations $read): array
    {
        $taken = array_fill_keys(array_map(static fn(Entity $e): string => $e->key, $known), true);
        $matched = $keys = $names = [];
        foreach ($read->entities as $name) {
            $there = $known[mb_strtolower($name)] ?? null;
            $key = $there->key ?? self::free(self::key($name), $taken);
            if ($there !== null && isset($names[$there->id])) {
                throw ImportStopped::because(
                    "“{$names[$there->id]}” and “{$name}” are both {$there->name} in the data set, and the file " .
                        'has values for both. Remove one of them from the file, or use another name.',
                );
            }
            $names[$there->id ?? 0] = $name;
            unset($names[0]);
            $taken[$key] = true;
            [$matched[], $keys[]] = [$there, $key];
        }

        return [$matched, $keys];
    }

    /**
     * @param array<string, string> $same
     * @return array<string, Entity>
     */
    private static function known(Dataset $dataset, array $same): array
    {
        $known = $byId = $byKey = [];
        foreach (Entity::where('dataset_id', $dataset->id)->orderBy('id')->get() as $entity) {
            $byId[$entity->id] = $byKey[$entity->key] = $known[mb_strtolower($entity->name)] = $entity;
        }
        foreach (EntityAlias::where('dataset_id', $dataset->id)->get() as $alias) {
            $known[$alias->name] ??= $byId[$alias->entity_id];
        }
        foreach ($same as $name => $key) {
            if (isset($byKey[$key])) {
                $known[mb_strtolower((string) $name)] = $byKey[$key];
            }
        }

        return $known;
    }

    /** @param array<string, mixed> $taken by key */
    private static function free(string $wished, array $taken): string
    {
        $key = $wished;
        for ($more = 2; isset($taken[$key]); $more++) {
            $key = "{$wished}-{$more}";
        }

        return $key;
    }

    /** A name as a key; it begins with a letter, since PHP would take digits alone for a number. */
    private static function key(string $name): string
    {
        $slug = Str::slug($name);
        $slug = $slug === '' ? 'x' . substr(hash('sha256', $name), 0, 8) : $slug;

        return ctype_digit($slug[0]) ? "n-{$slug}" : $slug;
    }
}
