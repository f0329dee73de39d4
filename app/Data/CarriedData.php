<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Dataset;
use App\Models\Entity;
use App\Models\Measure;
use App\Models\StoredSeries;
use DuskRail\Data\Better;
use DuskRail\Data\Cell;
use DuskRail\Data\InvalidPeerSet;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Numerals;
use DuskRail\Data\PeerSetRules;
use DuskRail\Data\Status;
use DuskRail\Document\InvalidStudy;
use DuskRail\Peers\PeerRules;
use DuskRail\Reading\Limits;
use DuskRail\Reading\ReadSeries;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\UnknownPeriod;

/** The values that go with a study in its file: those measures that it uses, of all entities. */
final readonly class CarriedData
{
    /** Series that a file can carry; more are a data set to be handed over as such. */
    private const MOST_SERIES = 20_000;

    /**
     * @param array<array-key, array{name: string, unit: string, kind: MeasureKind, better: Better,
     *     frequency: Frequency, per: string, decimals: int|null}> $measures by key
     * @param array<array-key, array{name: string, home: bool, about: array<array-key, string>, note: string,
     *     part_of: string}> $entities by key
     * @param list<array{string, string, PackedSeries, string}> $series measure, entity, values, cell
     * @param list<array{key: string, name: string, total: string, categories: array<array-key, string>}> $breakdowns
     * @param list<PeerSetRules> $peerSets
     */
    private function __construct(
        private string $name,
        private string $source,
        private array $measures,
        private array $entities,
        private array $series,
        private array $breakdowns,
        private array $peerSets,
    ) {}

    /**
     * @param StoredData $data in the version and the description that the study is calculated on
     * @param list<string> $measures keys
     * @return array<string, mixed> as docs/study-format.md describes it
     */
    public static function write(StoredData $data, array $measures): array
    {
        $dataset = $data->described();
        $carried = $series = [];
        foreach ($data->description->measures() as $row) {
            $measure = (new Measure())->newFromBuilder($row);
            if (in_array($measure->key, $measures, true)) {
                $carried[] = self::measure($measure);
                array_push($series, ...self::written($measure, $data));
            }
        }

        return [
            'name' => $dataset->name,
            'source' => $dataset->source,
            ...$dataset->breakdowns === [] ? [] : ['breakdowns' => $dataset->breakdowns],
            ...$dataset->peer_sets === [] ? [] : ['peerSets' => $dataset->peer_sets],
            'measures' => $carried,
            'entities' => array_map(
                static fn(array $row): array => self::entity((new Entity())->newFromBuilder($row)),
                $data->description->entities(),
            ),
            'series' => $series,
        ];
    }

    /** @return array<string, mixed> */
    private static function measure(Measure $measure): array
    {
        return [
            'key' => $measure->key,
            'name' => $measure->name,
            'unit' => $measure->unit,
            'kind' => $measure->kind->value,
            'better' => $measure->better->value,
            'frequency' => $measure->frequency->value,
            ...$measure->per === '' ? [] : ['per' => $measure->per],
            ...$measure->decimals === null ? [] : ['decimals' => $measure->decimals],
        ];
    }

    /** @return array<string, mixed> */
    private static function entity(Entity $entity): array
    {
        return [
            'key' => $entity->key,
            'name' => $entity->name,
            'home' => $entity->home,
            'about' => (object) $entity->about,
            ...$entity->note === '' ? [] : ['note' => $entity->note],
            ...$entity->part_of === '' ? [] : ['partOf' => $entity->part_of],
        ];
    }

    /** @return list<array<string, mixed>> the series of a measure */
    private static function written(Measure $measure, StoredData $data): array
    {
        $keys = array_column($data->description->entities(), 'key', 'id');
        $written = [];
        foreach (StoredSeries::ofVersion($data->version, [$measure->id]) as $one) {
            $written[] = [
                'measure' => $measure->key,
                'entity' => $keys[$one->entity_id],
                ...$one->cell === '' ? [] : ['cell' => $one->cell],
                'first' => Period::at($measure->frequency, $one->first)->code(),
                'values' => array_map(static fn(float $v): ?float => is_nan($v) ? null : $v, $one->values),
                ...$one->statuses === [] ? [] : ['statuses' => $one->statuses],
            ];
        }

        return $written;
    }

    /**
     * What a file carries, read and proved before anything is written.
     *
     * @param array<array-key, mixed> $data
     *
     * @throws InvalidStudy with the path of what is wrong
     */
    public static function read(array $data): self
    {
        $measures = $entities = [];
        foreach (self::list($data, 'measures') as $path => $measure) {
            $measures[self::once($measure, $path, $measures)] = [
                'name' => self::text($measure, $path, 'name'),
                'unit' => self::text($measure, $path, 'unit', true),
                'kind' => self::case(MeasureKind::class, $measure, $path, 'kind'),
                'better' => self::case(Better::class, $measure, $path, 'better'),
                'frequency' => self::case(Frequency::class, $measure, $path, 'frequency'),
                'per' => self::text($measure, $path, 'per', true),
                'decimals' => self::decimals($measure, $path),
            ];
        }
        foreach (self::list($data, 'entities') as $path => $entity) {
            $entities[self::once($entity, $path, $entities)] = [
                'name' => self::text($entity, $path, 'name'),
                'home' => ($entity['home'] ?? false) === true,
                'about' => is_array($entity['about'] ?? null) ? array_filter($entity['about'], is_string(...)) : [],
                'note' => self::text($entity, $path, 'note', true),
                'part_of' => self::text($entity, $path, 'partOf', true),
            ];
        }
        foreach ($entities as $key => $entity) {
            $whole = $entity['part_of'];
            if ($whole !== '' && ($whole === (string) $key || !isset($entities[$whole]))) {
                $what = "“{$whole}”, which {$entity['name']} is part of, is not another entity.";
                throw InvalidStudy::at('data.entities', $what);
            }
        }
        $all = self::list($data, 'series');
        if (count($all) > self::MOST_SERIES) {
            throw InvalidStudy::at(
                'data.series',
                'there are more than ' . Numerals::count(self::MOST_SERIES) . ' series. Export the data set instead.',
            );
        }

        return new self(
            mb_substr(self::text($data, 'data', 'name'), 0, 120),
            mb_substr(self::text($data, 'data', 'source', true), 0, 300),
            $measures,
            $entities,
            self::packed($all, $measures, $entities),
            self::breakdowns($data),
            self::peerSets($data),
        );
    }

    /** A data set of its own. To be called within a transaction, together with what is done with it. */
    public function store(string $fileName, string $sha256): Dataset
    {
        $dataset = Dataset::create([
            'name' => $this->name,
            'source' => $this->source,
            'breakdowns' => $this->breakdowns,
            'peer_sets' => array_map(static fn(PeerSetRules $set): array => $set->toArray(), $this->peerSets),
        ]);
        $measures = $entities = [];
        foreach ($this->measures as $key => $one) {
            $measures[$key] = Measure::create(['dataset_id' => $dataset->id, 'key' => (string) $key, ...$one])->id;
        }
        foreach ($this->entities as $key => $one) {
            $entities[$key] = Entity::create(['dataset_id' => $dataset->id, 'key' => (string) $key, ...$one])->id;
        }
        $source = VersionSource::file(VersionKind::LaidOver, $fileName, $sha256, count($this->series));
        VersionWriter::write($dataset, $source, function (VersionWriter $version) use ($measures, $entities): void {
            foreach ($this->series as [$measure, $entity, $series, $cell]) {
                $version->put($measures[$measure], $entities[$entity], $series, null, $cell);
            }
        });

        return $dataset;
    }

    /**
     * @param array<array-key, mixed> $data
     * @return list<array{key: string, name: string, total: string, categories: array<array-key, string>}>
     */
    private static function breakdowns(array $data): array
    {
        $breakdowns = [];
        foreach (isset($data['breakdowns']) ? self::list($data, 'breakdowns') : [] as $path => $one) {
            $categories = is_array($one['categories'] ?? null) ? array_filter($one['categories'], is_string(...)) : [];
            $breakdowns[] = [
                'key' => self::text($one, $path, 'key'),
                'name' => self::text($one, $path, 'name'),
                'total' => self::text($one, $path, 'total', true),
                'categories' =>
                    $categories === []
                        ? throw InvalidStudy::at("{$path}.categories", 'must be names by key.')
                        : $categories,
            ];
        }

        return $breakdowns;
    }

    /**
     * @param array<array-key, mixed> $data
     * @return list<PeerSetRules>
     */
    private static function peerSets(array $data): array
    {
        $sets = [];
        foreach (isset($data['peerSets']) ? self::list($data, 'peerSets') : [] as $path => $one) {
            try {
                $sets[self::once($one, $path, $sets)] = PeerRules::set($one);
            } catch (InvalidPeerSet $problem) {
                throw InvalidStudy::at($path, $problem->getMessage());
            }
        }

        return array_values($sets);
    }

    /** @param array<array-key, mixed> $measure */
    private static function decimals(array $measure, string $path): ?int
    {
        $decimals = $measure['decimals'] ?? null;

        return $decimals === null || (is_int($decimals) && $decimals >= 0 && $decimals <= 8)
            ? $decimals
            : throw InvalidStudy::at("{$path}.decimals", 'must be from 0 to 8.');
    }

    /**
     * @param array<array-key, mixed> $one
     * @param array<array-key, mixed> $there by key
     */
    private static function once(array $one, string $path, array $there): string
    {
        $key = self::text($one, $path, 'key');

        return isset($there[$key]) ? throw InvalidStudy::at("{$path}.key", "“{$key}” appears twice.") : $key;
    }

    /**
     * @param array<string, array<array-key, mixed>> $all series by path
     * @param array<array-key, array{name: string, frequency: Frequency}> $measures by key
     * @param array<array-key, mixed> $entities by key
     * @return list<array{string, string, PackedSeries, string}>
     */
    private static function packed(array $all, array $measures, array $entities): array
    {
        $seen = $spans = $packed = [];
        foreach ($all as $path => $series) {
            $key = self::text($series, $path, 'measure');
            $measure = $measures[$key] ?? throw InvalidStudy::at("{$path}.measure", 'is not one of the measures.');
            $entity = self::text($series, $path, 'entity');
            if (!isset($entities[$entity])) {
                throw InvalidStudy::at("{$path}.entity", 'is not one of the entities.');
            }
            $cell = Cell::of(Cell::parse(self::text($series, $path, 'cell', true))->categories)->text();
            if (isset($seen[$key][$entity][$cell])) {
                throw InvalidStudy::at($path, 'appears twice.');
            }
            $seen[$key][$entity][$cell] = true;
            $read = self::series($series, $path, $measure['frequency']);
            [$first, $last] = $spans[$key] ?? [PHP_INT_MAX, PHP_INT_MIN];
            $spans[$key] = [min($first, $read->first), max($last, $read->first + count($read->values) - 1)];
            Limits::span(
                $measure['name'],
                Period::at($measure['frequency'], $spans[$key][0]),
                Period::at($measure['frequency'], $spans[$key][1]),
            );
            $packed[] = [$key, $entity, PackedSeries::of($read), $cell];
        }

        return $packed;
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
        $given = is_array($series['statuses'] ?? null) ? $series['statuses'] : [];
        if (!is_array($series['values'] ?? null)) {
            throw InvalidStudy::at("{$path}.values", 'must be a list of numbers.');
        }
        foreach (array_values($series['values']) as $i => $value) {
            $values[] = self::value($value, "{$path}.values.{$i}");
            $statuses[] = self::status($given[$i] ?? 0, "{$path}.statuses.{$i}");
        }
        $count = count($values) ?: throw InvalidStudy::at("{$path}.values", 'must not be empty.');

        return new ReadSeries(0, 0, $first->ordinal, $values, $statuses, array_fill(0, $count, -1));
    }

    private static function value(mixed $value, string $path): float
    {
        return match (true) {
            $value === null => NAN,
            (is_int($value) || is_float($value)) && is_finite((float) $value) => (float) $value,
            default => throw InvalidStudy::at($path, 'must be a number, or null for a missing value.'),
        };
    }

    private static function status(mixed $status, string $path): int
    {
        return is_int($status) && Status::tryFrom($status) !== null
            ? $status
            : throw InvalidStudy::at($path, 'must be one of the statuses, 0 to ' . (count(Status::cases()) - 1) . '.');
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
                : throw InvalidStudy::at("data.{$name}", 'must be a list and not empty.') as $i => $one
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
