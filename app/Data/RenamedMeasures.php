<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Dataset;
use App\Models\Study;
use DuskRail\Rail\Formula\Renaming;

/** Formulas name measures: where a measure gets another name, they follow, in studies as a revision that can be undone. */
final class RenamedMeasures
{
    /**
     * In the studies that follow the latest version. A study that is pinned keeps the names of its description.
     *
     * @param array<array-key, string> $before name by key
     * @param array<array-key, string> $after name by key
     */
    public static function inStudies(Dataset $dataset, array $before, array $after): void
    {
        foreach (Study::of($dataset)->withTrashed()->whereNull('version')->get() as $study) {
            self::inStudy($study, $before, $after);
        }
    }

    /**
     * @param array<array-key, string> $before name by key
     * @param array<array-key, string> $after name by key
     */
    public static function inStudy(Study $study, array $before, array $after): void
    {
        $names = self::byName($before, $after);
        $changed = array_filter($names, static fn(string $new, int|string $old): bool => $new !== (string) $old, 1);
        if ($changed === []) {
            return;
        }
        $document = $study->document();
        $renamed = $document->renamed($names);
        if ($renamed != $document) {
            $pairs = array_map(
                static fn(int|string $old, string $new): string => "{$old} to {$new}",
                array_keys($changed),
                $changed,
            );
            RevisionWriter::write($study, $renamed, 'Rename ' . implode(', ', $pairs));
        }
    }

    /**
     * In the formulas of measures that are calculated from others.
     *
     * @param array<array-key, string> $before name by key
     * @param array<array-key, string> $after name by key
     */
    public static function inFormulas(Dataset $dataset, array $before, array $after): void
    {
        $names = self::byName($before, $after);
        foreach ($dataset->measures()->where('formula', '!=', '')->get() as $measure) {
            $measure->update(['formula' => Renaming::in($measure->formula, $names)]);
        }
    }

    /**
     * @param array<array-key, string> $before name by key
     * @param array<array-key, string> $after name by key
     * @return array<array-key, string> new name by old one
     */
    private static function byName(array $before, array $after): array
    {
        $names = [];
        foreach ($before as $key => $name) {
            $names[$name] = $after[$key] ?? $name;
        }

        return $names;
    }
}
