<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Dataset;
use App\Models\Entity;
use App\Models\Measure;
use App\Models\StoredSeries;
use DuskRail\Data\Better;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Status;
use DuskRail\Document\InvalidStudy;
use DuskRail\Reading\Limits;
use DuskRail\Reading\ReadSeries;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\UnknownPeriod;

/** The figures that go with a study in its file: those measures that it uses, of all entities. */
final class CarriedData
{
    /** Series that a file can carry; more are a data set to be handed over as such. */
    private const MOST_SERIES = 20_000;

    /**
     * @param list<string> $measures keys
     * @return array<string, mixed> as docs/study-format.md describes it
     */
    public static function write(Dataset $dataset, array $measures): array
    {
        $series = [];
        $keys = Entity::where('dataset_id', $dataset->id)->pluck('key', 'id');
        foreach ($dataset->measures()->whereIn('key', $measures)->get() as $measure) {
            foreach (
                StoredSeries::query()
                    ->inVersion($dataset->version)
                    ->where('measure_id', $measure->id)
                    ->orderBy('entity_id')
                    ->cursor()
                as $one
            ) {
                $series[] = [
                    'measure' => $measure->key,
                    'entity' => $keys[$one->entity_id],
                    'first' => Period::at($measure->frequency, $one->first)->code(),
                    'values' => array_map(static fn(float $v): ?float => is_nan($v) ? null : $v, $one->values),
                    ...$one->statuses === [] ? [] : ['statuses' => $one->statuses],
                ];
            }
        }

        return [
            'name' => $dataset->name,
            'source' => $dataset->source,
            'measures' => $dataset
                ->measures()
                ->whereIn('key', $measures)
                ->get()
                ->map(
                    static fn(Measure $m): array => [
                        'key' => $m->key,
                        'name' => $m->name,
                        'unit' => $m->unit,
                        'kind' => $m->kind->value,
                        'better' => $m->better->value,
                        'frequency' => $m->frequency->value,
                    ],
                )
                ->all(),
            'entities' => $dataset->entities
                ->map(
                    static fn(Entity $e): array => [
                        'key' => $e->key,
                        'name' => $e->name,
                        'home' => $e->home,
                        'about' => (object) $e->about,
                    ],
                )
                ->all(),
            'series' => $series,
        ];
    }

    /**
     * A data set of its own from what a file carries.
     *
     * @param array<array-key, mixed> $data
     *
     * To be called within a transaction, together with what is done with it.
     *
     * @throws InvalidStudy with the path of what is wrong
     */
    public static function store(array $data, string $fileName, string $sha256): Dataset
    {
        $dataset = Dataset::create([
            'name' => mb_substr(self::text($data, 'data', 'name'), 0, 120),
            'source' => mb_substr(self::text($data, 'data', 'source', true), 0, 300),
        ]);
        $measures = $entities = [];
        foreach (self::list($data, 'measures') as $path => $measure) {
            $key = self::text($measure, $path, 'key');
            if (isset($measures[$key])) {
                throw InvalidStudy::at("{$path}.key", "“{$key}” is there twice.");
            }
            $measures[$key] = Measure::create([
                'dataset_id' => $dataset->id,
                'key' => $key,
                'name' => self::text($measure, $path, 'name'),
                'unit' => self::text($measure, $path, 'unit', true),
                'kind' => self::case(MeasureKind::class, $measure, $path, 'kind'),
                'better' => self::case(Better::class, $measure, $path, 'better'),
                'frequency' => self::case(Frequency::class, $measure, $path, 'frequency'),
            ]);
        }
        foreach (self::list($data, 'entities') as $path => $entity) {
            $key = self::text($entity, $path, 'key');
            if (isset($entities[$key])) {
                throw InvalidStudy::at("{$path}.key", "“{$key}” is there twice.");
            }
            $about = is_array($entity['about'] ?? null) ? array_filter($entity['about'], is_string(...)) : [];
            $entities[$key] = Entity::create([
                'dataset_id' => $dataset->id,
                'key' => $key,
                'name' => self::text($entity, $path, 'name'),
                'home' => ($entity['home'] ?? false) === true,
                'about' => $about,
            ]);
        }
        $all = self::list($data, 'series');
        if (count($all) > self::MOST_SERIES) {
            throw InvalidStudy::at(
                'data.series',
                'there are more than ' .
                    number_format(self::MOST_SERIES) .
                    ' series. Hand the figures over as a data set.',
            );
        }
        $source = VersionSource::file(VersionKind::LaidOver, $fileName, $sha256, count($all));
        VersionWriter::write($dataset, $source, static function (VersionWriter $version) use (
            $all,
            $measures,
            $entities,
        ): void {
            self::put($version, $all, $measures, $entities);
        });

        return $dataset;
    }

    /**
     * @param array<string, array<array-key, mixed>> $all series by path
     * @param array<array-key, Measure> $measures by key
     * @param array<array-key, Entity> $entities by key
     */
    private static function put(VersionWriter $version, array $all, array $measures, array $entities): void
    {
        $seen = $spans = [];
        foreach ($all as $path => $series) {
            $measure =
                $measures[self::text($series, $path, 'measure')] ??
                throw InvalidStudy::at("{$path}.measure", 'is none of the measures.');
            $entity =
                $entities[self::text($series, $path, 'entity')] ??
                throw InvalidStudy::at("{$path}.entity", 'is none of the entities.');
            if (isset($seen["{$measure->id}/{$entity->id}"])) {
                throw InvalidStudy::at($path, 'is there twice.');
            }
            $seen["{$measure->id}/{$entity->id}"] = true;
            $read = self::series($series, $path, $measure->frequency);
            [$first, $last] = $spans[$measure->id] ?? [PHP_INT_MAX, PHP_INT_MIN];
            $spans[$measure->id] = [min($first, $read->first), max($last, $read->first + count($read->values) - 1)];
            Limits::span(
                $measure->name,
                Period::at($measure->frequency, $spans[$measure->id][0]),
                Period::at($measure->frequency, $spans[$measure->id][1]),
            );
            $version->put($measure->id, $entity->id, PackedSeries::of($read), null);
        }
    }

    /** @param array<array-key, mixed> $series */
    private static function series(array $series, string $path, Frequency $frequency): ReadSeries
    {
        try {
            $first = Period::parse(self::text($series, $path, 'first'));
        } catch (UnknownPeriod $problem) {
            throw InvalidStudy::at("{$path}.first", $problem->getMessage());
        }
        if ($first->frequency !== $frequency) {
            throw InvalidStudy::at("{$path}.first", "must be a {$frequency->value}, as the measure is.");
        }
        $values = $statuses = [];
        foreach (
            is_array($series['values'] ?? null)
                ? array_values($series['values'])
                : throw InvalidStudy::at("{$path}.values", 'must be a list of numbers.')
            as $i => $value
        ) {
            $values[] = match (true) {
                $value === null => NAN,
                (is_int($value) || is_float($value)) && is_finite((float) $value) => (float) $value,
                default => throw InvalidStudy::at(
                    "{$path}.values.{$i}",
                    'must be a number, or null where there is none.',
                ),
            };
            $status = is_array($series['statuses'] ?? null) ? $series['statuses'][$i] ?? 0 : 0;
            $statuses[] =
                is_int($status) && Status::tryFrom($status) !== null
                    ? $status
                    : throw InvalidStudy::at("{$path}.statuses.{$i}", 'can be 0, 1 (provisional) or 2 (estimated).');
        }
        if ($values === []) {
            throw InvalidStudy::at("{$path}.values", 'must not be empty.');
        }

        return new ReadSeries(0, 0, $first->ordinal, $values, $statuses, array_fill(0, count($values), -1));
    }

    /**
     * @param array<array-key, mixed> $data
     * @return array<string, array<array-key, mixed>> by path
     */
    private static function list(array $data, string $name): array
    {
        $list = [];
        foreach (
            is_array($data[$name] ?? null) && $data[$name] !== []
                ? array_values($data[$name])
                : throw InvalidStudy::at("data.{$name}", 'must be a list that is not empty.')
            as $i => $one
        ) {
            $list["data.{$name}.{$i}"] = is_array($one)
                ? $one
                : throw InvalidStudy::at("data.{$name}.{$i}", 'must be an object.');
        }

        return $list;
    }

    /** @param array<array-key, mixed> $of */
    private static function text(array $of, string $path, string $name, bool $mayBeEmpty = false): string
    {
        $text = $of[$name] ?? ($mayBeEmpty ? '' : null);

        return is_string($text) &&
            ($mayBeEmpty || trim($text) !== '') &&
            mb_strlen($text) <= 300 &&
            mb_check_encoding($text, 'UTF-8')
            ? $text
            : throw InvalidStudy::at(
                "{$path}.{$name}",
                'must be a text of ' . ($mayBeEmpty ? 'up' : '1') . ' to 300 characters.',
            );
    }

    /**
     * @template T of \BackedEnum
     *
     * @param class-string<T> $enum
     * @param array<array-key, mixed> $of
     * @return T
     */
    private static function case(string $enum, array $of, string $path, string $name): \BackedEnum
    {
        return $enum::tryFrom(self::text($of, $path, $name)) ??
            throw InvalidStudy::at(
                "{$path}.{$name}",
                'can be ' . implode(', ', array_column($enum::cases(), 'value')) . '.',
            );
    }
}
