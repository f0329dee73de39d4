<?php

declare(strict_types=1);

namespace App\Formats\Out;

use App\Models\Dataset;
use Illuminate\Support\Str;
use ZipArchive;

/**
 * A Tabular Data Package (specs.frictionlessdata.io, version 1): a zip with a descriptor and one CSV for each length of
 * period.
 */
final class DataPackage implements DatasetFormat
{
    public static function label(): string
    {
        return 'Tabular Data Package';
    }

    public static function ending(): string
    {
        return 'zip';
    }

    public static function type(): string
    {
        return 'application/zip';
    }

    public static function write(Dataset $dataset): string
    {
        $resources = $about = $files = [];
        $figures = new Figures($dataset);
        $text = static fn(string $name): array => ['name' => $name, 'type' => 'string'];
        foreach ($figures->byFrequency() as $frequency => $measures) {
            $files["data/{$frequency}.csv"] = LongCsv::rows($dataset, [], ...$measures);
            $resources[] = [
                'name' => $frequency,
                'path' => "data/{$frequency}.csv",
                'profile' => 'tabular-data-resource',
                'format' => 'csv',
                'mediatype' => 'text/csv',
                'encoding' => 'utf-8',
                'schema' => [
                    'fields' => [
                        ...array_map($text, [
                            ...['Entity', 'Measure', 'Unit', ...$figures->headings(), ...$figures->attributes()],
                            'Period',
                        ]),
                        ['name' => 'Value', 'type' => 'number'],
                        $text('Status'),
                    ],
                    'primaryKey' => ['Entity', 'Measure', ...$figures->headings(), 'Period'],
                    'missingValues' => [''],
                ],
            ];
            foreach ($measures as $measure) {
                $about[$measure->name] = Figures::about($dataset, $measure);
            }
        }
        $descriptor = [
            'profile' => 'tabular-data-package',
            'name' => Str::slug($dataset->name) ?: 'data',
            'title' => $dataset->name,
            ...$dataset->notes === '' ? [] : ['description' => $dataset->notes],
            ...$dataset->source === '' ? [] : ['sources' => [['title' => $dataset->source]]],
            ...$dataset->licence === ''
                ? []
                : ['licenses' => [['title' => $dataset->licence, 'name' => Str::slug($dataset->licence) ?: 'licence']]],
            'resources' => $resources,
            'dusk-rail' => [
                'measures' => (object) $about,
                'breakdowns' => $figures->headings(),
                'notes' => (object) [...Figures::aboutEntities($dataset), ...LongCsv::attributeNotes($dataset)],
            ],
        ];
        $path = (string) tempnam(sys_get_temp_dir(), 'dusk-rail-');
        $zip = new ZipArchive();
        $zip->open($path, ZipArchive::OVERWRITE);
        $zip->addFromString(
            'datapackage.json',
            json_encode(
                $descriptor,
                JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR,
            ),
        );
        foreach ($files as $name => $content) {
            $zip->addFromString($name, $content);
        }
        $zip->close();
        try {
            return (string) file_get_contents($path);
        } finally {
            unlink($path);
        }
    }
}
