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
        $figures->checkFor('A JSON-stat file');
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
        $cells = iterator_to_array($figures->of(...$measures), false);
        foreach ($cells as $cell) {
            $entities[$cell['entity']] ??= count($entities);
            $periods[$cell['ordinal']] = $cell['period'];
        }
        ksort($periods);
        $places = array_flip(array_keys($periods));
        $keys = array_flip(array_map(static fn(Measure $m): string => $m->key, $measures));
        $values = $statuses = [];
        $breakdowns = self::breakdowns($figures, $cells);
        foreach ($cells as $cell) {
            $at = $entities[$cell['entity']];
            foreach (array_values($breakdowns) as $n => $categories) {
                $at = $at * count($categories) + (int) array_search($cell['categories'][$n], $categories, true);
            }
            $at = ($at * count($keys) + $keys[$cell['measure']->key]) * count($periods) + $places[$cell['ordinal']];
            $values[$at] = is_nan($cell['value']) ? null : $cell['value'];
            if ($cell['status'] !== Status::Measured) {
                $statuses[$at] = $cell['status']->mark();
            }
        }
        ksort($values);
        $labels = $units = $about = [];
        foreach ($measures as $measure) {
            $labels[$measure->key] = $measure->name;
            $units[$measure->key] = ['label' => $measure->unit];
            $about[$measure->name] = Figures::about($dataset, $measure);
        }
        $names = array_map(strval(...), array_keys($entities));
        $split = [];
        foreach ($breakdowns as $key => $categories) {
            $split[$key] = self::dimension($figures->breakdowns[substr($key, 2)]->name, $categories, 'c');
        }

        return [
            'class' => 'dataset',
            'label' => count($figures->byFrequency()) === 1 ? $dataset->name : "{$dataset->name}, by {$frequency}",
            'source' => $dataset->source,
            'id' => ['entity', ...array_keys($breakdowns), 'measure', 'period'],
            'size' => [
                count($entities),
                ...array_map(count(...), array_values($breakdowns)),
                count($measures),
                count($periods),
            ],
            'role' => ['time' => ['period'], 'metric' => ['measure'], 'geo' => ['entity']],
            'dimension' => [
                'entity' => self::dimension('Entity', $names, 'e'),
                ...$split,
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
            'extension' => ['measures' => (object) $about, 'notes' => (object) [
                ...Figures::aboutEntities($dataset),
                ...Figures::attributesNoted($dataset),
            ]],
        ];
    }

    /**
     * The categories that values are of, by key of the breakdown with `b-` before it; nothing stands for values that
     * are not split by it.
     *
     * @param list<array{categories: list<string>}> $cells
     * @return array<string, list<string>>
     */
    private static function breakdowns(Figures $figures, array $cells): array
    {
        $categories = [];
        foreach (array_keys($figures->breakdowns) as $n => $key) {
            $there = array_column(array_column($cells, 'categories'), $n);
            $categories["b-{$key}"] = array_values(array_unique($there));
        }

        return $categories;
    }

    /**
     * @param list<string> $names of the categories
     * @return array<string, mixed>
     */
    private static function dimension(string $label, array $names, string $letter): array
    {
        $index = array_map(static fn(int $i): string => "{$letter}{$i}", array_keys($names));

        return [
            'label' => $label,
            'category' => ['index' => $index, 'label' => (object) array_combine($index, $names)],
        ];
    }
}
