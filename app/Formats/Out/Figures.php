<?php

declare(strict_types=1);

namespace App\Formats\Out;

use App\Formats\TooManyValues;
use App\Models\Dataset;
use App\Models\Measure;
use App\Models\StoredSeries;
use DuskRail\Data\Benchmark;
use DuskRail\Data\Breakdown;
use DuskRail\Data\Cell;
use DuskRail\Data\Status;
use DuskRail\Reading\Vocabulary;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;

/** The values of a data set one after the other, as the formats write them. */
final readonly class Figures
{
    /** An OpenDocument workbook of 300,000 takes more than the 512 MB that a request may have. */
    private const MOST = 200_000;

    /** @var array<int, string> */
    public array $entities;

    /** @var array<string, Breakdown> */
    public array $breakdowns;

    public function __construct(private Dataset $dataset)
    {
        $names = [];
        foreach ($dataset->entities as $entity) {
            $names[$entity->id] = $entity->name;
        }
        $this->entities = $names;
        $this->breakdowns = $dataset->asBreakdowns();
    }

    /**
     * @return iterable<array{entity: string, measure: Measure, categories: list<string>, period: string,
     *     ordinal: int, value: float, status: Status}> those that are there; of each breakdown of the data set the
     *     name of the category, nothing where the measure is not split by it
     */
    public function of(Measure ...$measures): iterable
    {
        foreach ($measures as $measure) {
            foreach ($this->series($measure->id) as $series) {
                $categories = $this->categories(Cell::parse($series->cell));
                foreach (self::present($series) as $i => $value) {
                    $ordinal = $series->first + $i;
                    yield [
                        'entity' => $this->entities[$series->entity_id],
                        'measure' => $measure,
                        'categories' => $categories,
                        'period' => Period::at($measure->frequency, $ordinal)->code(),
                        'ordinal' => $ordinal,
                        'value' => $value,
                        'status' => Status::from($series->statuses[$i] ?? 0),
                    ];
                }
            }
        }
    }

    /** @return iterable<StoredSeries> */
    private function series(int $measure): iterable
    {
        return StoredSeries::query()
            ->inVersion($this->dataset->version)
            ->where('measure_id', $measure)
            ->orderBy('entity_id')
            ->cursor();
    }

    /** @return array<int, float> by position; why there is none is kept as well */
    private static function present(StoredSeries $series): array
    {
        return array_filter(
            $series->values,
            static fn(float $value, int $i): bool => !is_nan($value) || ($series->statuses[$i] ?? 0) !== 0,
            ARRAY_FILTER_USE_BOTH,
        );
    }

    /**
     * Refuses more values than a format that is put together in memory can hold.
     *
     * @param string $what the format
     *
     * @throws TooManyValues
     */
    public function checkFor(string $what): void
    {
        $values = 0;
        foreach ($this->dataset->measures->where('formula', '') as $measure) {
            foreach ($this->series($measure->id) as $series) {
                $values += count(self::present($series));
            }
        }
        if ($values > self::MOST) {
            throw TooManyValues::in($what, $values, self::MOST, 'Take CSV or a data package, which hold any number.');
        }
    }

    /** @return list<string> */
    private function categories(Cell $cell): array
    {
        $names = [];
        foreach ($this->breakdowns as $key => $breakdown) {
            $category = $cell->categories[$key] ?? '';
            $names[] = $category === '' ? '' : $breakdown->nameOf($category);
        }

        return $names;
    }

    /** @return list<string> names of the breakdowns, as columns are headed */
    public function headings(): array
    {
        return array_map(static fn(Breakdown $b): string => $b->name, array_values($this->breakdowns));
    }

    /** @return array<string, list<Measure>> measures by how long their periods are */
    public function byFrequency(): array
    {
        $measures = [];
        foreach (Frequency::cases() as $frequency) {
            $these = $this->dataset->measures
                ->filter(static fn(Measure $m): bool => $m->frequency === $frequency && $m->formula === '')
                ->values()
                ->all();
            if ($these !== []) {
                $measures[$frequency->value] = array_values($these);
            }
        }

        return $measures;
    }

    /**
     * What reading cannot tell of a measure from its values.
     *
     * @return array{kind: string, better: string, per?: string} with the name of the measure that it is weighted by
     */
    public static function about(Dataset $dataset, Measure $measure): array
    {
        $per = $dataset->measures->firstWhere('key', $measure->per)->name ?? '';

        return [
            'kind' => $measure->kind->value,
            'better' => $measure->better->value,
            ...$measure->per === '' || $per === '' ? [] : ['per' => $per],
        ];
    }

    /** @return array<string, string> what it cannot tell of entities: which is home, and which are benchmarks */
    public static function aboutEntities(Dataset $dataset): array
    {
        $notes = [];
        foreach ($dataset->entities as $entity) {
            $notes += $entity->home ? ['home' => $entity->name] : [];
            $kind = Benchmark::in($entity->about ?? []);
            $guess = Vocabulary::benchmark($entity->name);
            if ($kind !== $guess) {
                $notes["benchmark {$entity->name}"] = $kind->value ?? '';
            }
        }

        return $notes;
    }

    /** @return array<string, string> attributes of entities as remarks, for formats that have no columns for them */
    public static function attributesNoted(Dataset $dataset): array
    {
        $notes = [];
        foreach ($dataset->entities as $entity) {
            $said = array_filter(
                array_diff_key($entity->about ?? [], [Benchmark::ATTRIBUTE => 1]),
                static fn(string $text): bool => $text !== '',
            );
            if ($said !== []) {
                $notes["entity {$entity->name}"] = json_encode($said, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);
            }
        }

        return $notes;
    }

    /** @return list<string> names of attributes that entities have, the group first */
    public function attributes(): array
    {
        $names = [];
        foreach ($this->dataset->entities as $entity) {
            foreach ($entity->about ?? [] as $name => $text) {
                if ($text !== '' && $name !== Benchmark::ATTRIBUTE) {
                    $names[(string) $name] = true;
                }
            }
        }

        return array_map(strval(...), array_keys(array_intersect_key(['group' => 1], $names) + $names));
    }

    /** @return array<string, array<string, string>> attributes by name of the entity */
    public function attributesOf(): array
    {
        $attributes = [];
        foreach ($this->dataset->entities as $entity) {
            $attributes[$entity->name] = $entity->about ?? [];
        }

        return $attributes;
    }

    /** @return array<string, string> remarks over a table, by name */
    public static function notes(Dataset $dataset, Measure ...$measures): array
    {
        $notes = ['title' => $dataset->name, 'source' => $dataset->source, 'periods' => 'code'];
        foreach ($dataset->asBreakdowns() as $breakdown) {
            $notes["breakdown {$breakdown->name}"] = $breakdown->nameOf($breakdown->total);
        }
        $notes += self::aboutEntities($dataset);
        foreach ($measures as $measure) {
            $notes["about {$measure->name}"] = implode('; ', self::about($dataset, $measure));
        }

        return $notes;
    }

    public static function mark(Status $status): string
    {
        return $status === Status::Measured ? '' : strtolower($status->name);
    }

    /** The shortest digits that give the same double again; nothing where there is none. */
    public static function digits(float $value): string
    {
        return is_nan($value) ? '' : (string) json_encode($value);
    }
}
