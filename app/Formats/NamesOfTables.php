<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Reading\Observations;
use DuskRail\Reading\Sample;

/**
 * What the names of several tables are: of measures, where the same entities have values for the same periods in them;
 * of entities, where each is of one that it does not name; of groups, where each has entities of its own.
 */
final class NamesOfTables
{
    private readonly bool $areMeasures;

    private readonly bool $areGroups;

    private readonly bool $haveMeasures;

    /** @param array<string, Observations> $read by name of the table */
    public function __construct(private readonly array $read)
    {
        $seen = $entities = $sizes = [];
        $meet = $shared = $named = false;
        foreach ($read as $table => $one) {
            $own = [];
            foreach ($one->series() as $series) {
                $entity = $one->entities[$series->entity];
                $measure = $one->measures[$series->measure]->name;
                $named = $named || !self::isOfTable((string) $table, $measure);
                $key = (self::isOfTable((string) $table, $measure) ? '' : $measure) . "\t{$entity}\t" .
                    implode("\t", $one->metadata->combinations[$series->combination]);
                for ($i = 0, $count = count($series->values); $i < $count; $i++) {
                    $meet = $meet || isset($seen["{$key}\t" . ($series->first + $i)]);
                    $seen["{$key}\t" . ($series->first + $i)] = true;
                }
                $own[$entity] = true;
            }
            $shared = $shared || array_intersect_key($own, $entities) !== [];
            $entities += $own;
            $sizes[] = count($own);
        }
        $telling = array_filter(
            array_map(strval(...), array_keys($read)),
            static fn(string $table): bool => NameOfTable::of($table)->isTelling(),
        );
        $this->areMeasures = $meet;
        $this->haveMeasures = $meet || $named;
        $this->areGroups = count($telling) === count($read) && count($read) > 1 && !$shared && max($sizes) > 1;
    }

    /** Whether a measure has its name from that of its table, as what names none does. */
    private static function isOfTable(string $table, string $measure): bool
    {
        return $measure === (new Sample([], "{$table}.csv", ','))->title();
    }

    /** Whether the tables or their names say what is measured. */
    public function haveMeasures(): bool
    {
        return $this->haveMeasures;
    }

    /** The measure of a value: where values of several tables meet, the table tells them apart. */
    public function measure(string $table, string $measure): string
    {
        return match (true) {
            !$this->haveMeasures => '',
            self::isOfTable($table, $measure) => $this->areMeasures ? $measure : 'Value',
            !$this->areMeasures => $measure,
            default => $this->isEverywhere($measure) ? "{$measure}, {$table}" : $measure,
        };
    }

    /** Whether several tables have a measure of that name. */
    private function isEverywhere(string $measure): bool
    {
        $with = 0;
        foreach ($this->read as $one) {
            foreach ($one->measures as $other) {
                $with += $other->name === $measure ? 1 : 0;
            }
        }

        return $with > 1;
    }

    /** @return list<string> headings of columns that the names make */
    public function columns(): array
    {
        return $this->areGroups ? ['Group'] : [];
    }

    /** @return list<string> */
    public function cells(string $table): array
    {
        return $this->areGroups ? [$table] : [];
    }
}
