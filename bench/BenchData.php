<?php

declare(strict_types=1);

namespace Bench;

use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Series;
use DuskRail\Data\SeriesTable;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodAxis;

/** Figures of a given size for measuring: random walks, the same every time. */
final class BenchData
{
    public static function memory(int $series, int $periods, Frequency $frequency): DataInMemory
    {
        mt_srand(1);
        $first = Period::month(2010, 1)->in($frequency);
        $axis = PeriodAxis::of($frequency, $first->ordinal, $periods);
        $years = PeriodAxis::of(Frequency::Year, 2010, $axis->period($periods - 1)->yearNumber() - 2009);
        $flow = Measure::of('flow', 'Flow', 'Ml', MeasureKind::Flow, $frequency);
        $people = Measure::of('people', 'People', 'people', MeasureKind::Stock, Frequency::Year);
        $entities = $flows = $stocks = [];
        for ($s = 0; $s < $series; $s++) {
            $entities[] = new Entity("e{$s}", "Entity {$s}", 'Group ' . $s % 5, $s === 0);
            $flows[] = new Series("e{$s}", self::walk($periods, 100.0));
            $stocks[] = new Series("e{$s}", self::walk($years->count, 50_000.0));
        }

        return new DataInMemory([$flow, $people], $entities, [
            'flow' => new SeriesTable($axis, $flow->unitEach(), MeasureKind::Flow, $flows),
            'people' => new SeriesTable($years, $people->unitEach(), MeasureKind::Stock, $stocks),
        ]);
    }

    /** Writes a long CSV of monthly values and answers its path. */
    public static function csv(string $path, int $series, int $periods, string $start = '2010-01'): string
    {
        mt_srand(2);
        $file = fopen($path, 'wb');
        assert($file !== false);
        fwrite($file, "Entity,Month,Flow (Ml)\n");
        $first = Period::parse($start);
        $codes = [];
        for ($i = 0; $i < $periods; $i++) {
            $codes[] = $first->plus($i)->code();
        }
        for ($s = 0; $s < $series; $s++) {
            foreach (self::walk($periods, 100.0) as $i => $value) {
                fwrite($file, "Entity {$s},{$codes[$i]}," . round($value, 2) . "\n");
            }
        }
        fclose($file);

        return $path;
    }

    /** @return list<float> */
    private static function walk(int $steps, float $from): array
    {
        $values = [];
        for ($i = 0; $i < $steps; $i++) {
            $from *= 1 + (mt_rand() / mt_getrandmax() - 0.498) * 0.06;
            $values[] = $from;
        }

        return $values;
    }
}
