<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Reading\FormulaGuard;
use DuskRail\Reading\NotATable;

/**
 * SDMX-JSON data messages, versions 1.0 and 2.0 (github.com/sdmx-twg/sdmx-json, data-message) and the drafts before
 * them: observations by the positions of their values in each dimension, by series or flat. Written out as SDMX-CSV
 * has it, with the labels beside the codes.
 */
final readonly class SdmxJson implements TableSource
{
    /** Dimensions and attributes whose code is what counts, known by their id wherever they are. */
    private const BY_CODE = ['FREQ', 'TIME_PERIOD', 'UNIT_MULT', 'OBS_STATUS', 'DECIMALS', 'CONF_STATUS'];

    /** Attributes that say something of a value; others are notes. */
    private const ATTRIBUTES = ['UNIT_MEASURE', 'UNIT_MULT', 'OBS_STATUS', 'UNIT'];

    /**
     * @param array<array-key, mixed> $structure
     * @param list<array<array-key, mixed>> $dataSets
     */
    private function __construct(private array $structure, private array $dataSets, private string $source) {}

    public static function names(): array
    {
        return ['SDMX-JSON'];
    }

    public static function endings(): array
    {
        return ['json'];
    }

    public static function isOne(string $path): bool
    {
        $read = JsonDocument::read($path);

        return $read === null
            ? JsonDocument::seemsToHave($path, ['dataSets'])
            : is_array(data_get($read, 'data.dataSets', $read['dataSets'] ?? null));
    }

    public static function open(string $path): self
    {
        $read = JsonDocument::whole($path);
        $data = is_array($read['data'] ?? null) ? $read['data'] : $read;
        $structure = data_get($data, 'structures.0') ?? ($data['structure'] ?? null);
        $dataSets = array_values(array_filter(self::listed($data['dataSets'] ?? null), is_array(...)));
        $source = data_get($read, 'meta.sender.name') ?? data_get($read, 'header.sender.name');

        $has = is_array($structure) && self::keyed(data_get($structure, 'dimensions')) !== [];

        return $has && $dataSets !== []
            ? new self($structure, $dataSets, is_string($source) ? $source : '')
            : throw NotATable::because(
                'The SDMX-JSON message has no data, or no structure that says what its values are.',
                'Download it again with its structure, or as CSV.',
            );
    }

    public function tables(): array
    {
        return [self::name($this->structure, 'Data')];
    }

    public function write(string $table, string $path): void
    {
        $out = fopen($path, 'wb');
        if ($out === false) {
            throw NotATable::because('The table could not be stored on the server.', 'Try again.');
        }
        $put = static fn(string ...$row): int|false => fputcsv(
            $out,
            array_map(FormulaGuard::guard(...), $row),
            ',',
            '"',
            '',
        );
        $put('# title', self::name($this->structure, ''));
        $put('# source', $this->source);
        $dimensions = $attributes = [];
        foreach (['dataSet', 'series', 'observation'] as $level) {
            $dimensions[$level] = self::components(data_get($this->structure, "dimensions.{$level}"));
            $attributes[$level] = self::components(data_get($this->structure, "attributes.{$level}"));
        }
        $columns = [];
        foreach ($dimensions as $level => $all) {
            foreach ($all as $component) {
                $columns[] = [$component, "d{$level}"];
            }
        }
        foreach ($attributes as $level => $all) {
            foreach ($all as $component) {
                if (in_array($component['id'], self::ATTRIBUTES, true)) {
                    $columns[] = [$component, "a{$level}"];
                }
            }
        }
        $headings = array_map(static fn(array $column): array => self::headings($column[0]), $columns);
        $put(...[...array_merge(...$headings), 'OBS_VALUE']);
        foreach ($this->observations() as $observation) {
            $row = [];
            foreach ($columns as [$component, $of]) {
                array_push($row, ...self::cells($component, $observation[$of][$component['at']] ?? null));
            }
            $put(...[...$row, $observation['value']]);
        }
        fclose($out);
    }

    /**
     * @return iterable<array{ddataSet: list<int>, dseries: list<int>, dobservation: list<int>, adataSet: list<mixed>,
     *     aseries: list<mixed>, aobservation: list<mixed>, value: string}> positions of each observation in dimensions
     *     and attributes
     */
    private function observations(): iterable
    {
        $fixed = array_fill(0, count(self::listed(data_get($this->structure, 'dimensions.dataSet'))), 0);
        foreach ($this->dataSets as $dataSet) {
            $series = self::keyed($dataSet['series'] ?? ['' => $dataSet]);
            foreach ($series as $key => $one) {
                foreach (self::keyed(is_array($one) ? $one['observations'] ?? null : null) as $position => $values) {
                    $values = self::listed($values);
                    $value = array_shift($values);
                    yield [
                        'ddataSet' => $fixed,
                        'adataSet' => self::listed($dataSet['attributes'] ?? null),
                        'dseries' => self::positions((string) $key),
                        'aseries' => is_array($one) && $key !== '' ? self::listed($one['attributes'] ?? null) : [],
                        'dobservation' => self::positions((string) $position),
                        'aobservation' => $values,
                        'value' => is_string($value) ? $value : self::written($value),
                    ];
                }
            }
        }
    }

    private static function written(mixed $value): string
    {
        return is_int($value) || is_float($value) ? (string) json_encode($value) : '';
    }

    /** @return array<array-key, mixed> */
    private static function keyed(mixed $given): array
    {
        return is_array($given) ? $given : [];
    }

    /** @return list<int> */
    private static function positions(string $key): array
    {
        return $key === '' ? [] : array_map(intval(...), explode(':', $key));
    }

    /**
     * @return list<array{id: string, name: string, at: int, values: list<array{string, string}>}> dimensions or
     *     attributes with their codes and labels
     */
    private static function components(mixed $given): array
    {
        $components = [];
        foreach (self::listed($given) as $at => $one) {
            if (!is_array($one)) {
                continue;
            }
            $id = is_string($one['id'] ?? null) ? $one['id'] : 'Dimension ' . ($at + 1);
            $values = [];
            foreach (self::listed($one['values'] ?? null) as $value) {
                $value = is_array($value) ? $value : [];
                $code = $value['id'] ?? ($value['value'] ?? '');
                $code = is_scalar($code) ? (string) $code : '';
                $values[] = [$code, self::name($value, $code)];
            }
            $place = is_int($one['keyPosition'] ?? null) && !isset($one['values']) ? $one['keyPosition'] : $at;
            $components[] = ['id' => $id, 'name' => self::name($one, $id), 'at' => $place, 'values' => $values];
        }

        return $components;
    }

    /**
     * @param array{id: string, name: string, at: int, values: list<array{string, string}>} $component
     * @return non-empty-list<string>
     */
    private static function headings(array $component): array
    {
        return match (true) {
            in_array($component['id'], [...self::BY_CODE, ...self::ATTRIBUTES], true) => [$component['id']],
            self::hasLabels($component) => [$component['name'], "{$component['name']} code"],
            default => [$component['name']],
        };
    }

    /**
     * @param array{id: string, name: string, at: int, values: list<array{string, string}>} $component
     * @return non-empty-list<string>
     */
    private static function cells(array $component, mixed $at): array
    {
        // An attribute may have its value in place of a position.
        [$code, $label] = is_int($at) && isset($component['values'][$at])
            ? $component['values'][$at]
            : (is_string($at) ? [$at, $at] : ['', '']);

        return match (true) {
            in_array($component['id'], self::BY_CODE, true) => [$code],
            in_array($component['id'], self::ATTRIBUTES, true) => [$label],
            self::hasLabels($component) => [$label, $code],
            default => [$code],
        };
    }

    /** @param array{id: string, name: string, at: int, values: list<array{string, string}>} $component */
    private static function hasLabels(array $component): bool
    {
        return array_filter($component['values'], static fn(array $v): bool => $v[0] !== $v[1]) !== [];
    }

    /** @param array<array-key, mixed> $of */
    private static function name(array $of, string $otherwise): string
    {
        $names = is_array($of['names'] ?? null) ? $of['names'] : [];
        $name = $names['en'] ?? ($of['name'] ?? ($names === [] ? '' : reset($names)));

        return is_string($name) && $name !== '' ? $name : $otherwise;
    }

    /** @return list<mixed> */
    private static function listed(mixed $given): array
    {
        return is_array($given) ? array_values($given) : [];
    }
}
