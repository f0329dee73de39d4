<?php

declare(strict_types=1);

namespace App\Formats\Out;

use App\Models\Dataset;
use App\Models\Measure;
use DuskRail\Data\Status;

/** JSON-stat 2.0 (json-stat.org/full): a collection with one dataset for each length of period. */
final class JsonStat implements DatasetFormat
{
    public static function label(): string
    {
        return 'JSON-stat 2.0';
    }

    public static function ending(): string
    {
        return 'json';
    }

    public static function type(): string
    {
        return 'application/json';
    }

    public static function write(Dataset $dataset): string
    {
        $figures = new Figures($dataset);
        $items = [];
        foreach ($figures->byFrequency() as $frequency => $measures) {
            $items[] = self::item($dataset, $figures, $frequency, $measures);
        }

        return json_encode(
            ['version' => '2.0', 'class' => 'collection', 'label' => $dataset->name, 'link' => ['item' => $items]],
            JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR,
        );
    }

    /**
     * @param list<Measure> $measures
     * @return array<string, mixed>
     */
    private static function item(Dataset $dataset, Figures $figures, string $frequency, array $measures): array
    {
        $entities = $periods = [];
        $cells = [...$figures->of(...$measures)];
        foreach ($cells as $cell) {
            $entities[$cell['entity']] ??= count($entities);
            $periods[$cell['ordinal']] = $cell['period'];
        }
        ksort($periods);
        $places = array_flip(array_keys($periods));
        $keys = array_flip(array_map(static fn(Measure $m): string => $m->key, $measures));
        $values = $statuses = [];
        foreach ($cells as $cell) {
            $at =
                ($entities[$cell['entity']] * count($keys) + $keys[$cell['measure']->key]) * count($periods) +
                $places[$cell['ordinal']];
            $values[$at] = $cell['value'];
            if ($cell['status'] !== Status::Measured) {
                $statuses[$at] = $cell['status'] === Status::Provisional ? 'p' : 'e';
            }
        }
        ksort($values);
        $labels = $units = $about = [];
        foreach ($measures as $measure) {
            $labels[$measure->key] = $measure->name;
            $units[$measure->key] = ['label' => $measure->unit];
            $about[$measure->name] = ['kind' => $measure->kind->value, 'better' => $measure->better->value];
        }
        $names = array_map(strval(...), array_keys($entities));

        return [
            'class' => 'dataset',
            'label' => count($figures->byFrequency()) === 1 ? $dataset->name : "{$dataset->name}, by {$frequency}",
            'source' => $dataset->source,
            'id' => ['entity', 'measure', 'period'],
            'size' => [count($entities), count($measures), count($periods)],
            'role' => ['time' => ['period'], 'metric' => ['measure']],
            'dimension' => [
                'entity' => [
                    'label' => 'Entity',
                    'category' => [
                        'index' => array_map(static fn(int $i): string => "e{$i}", array_keys($names)),
                        'label' => (object) array_combine(
                            array_map(static fn(int $i): string => "e{$i}", array_keys($names)),
                            $names,
                        ),
                    ],
                ],
                'measure' => [
                    'label' => 'Measure',
                    'category' => [
                        'index' => array_keys($keys),
                        'label' => (object) $labels,
                        'unit' => (object) $units,
                    ],
                ],
                'period' => ['label' => 'Period', 'category' => ['index' => array_values($periods)]],
            ],
            'value' => (object) $values,
            ...$statuses === [] ? [] : ['status' => (object) $statuses],
            'extension' => ['measures' => (object) $about],
        ];
    }
}
