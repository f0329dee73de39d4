<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Reading\AlignedColumns;
use DuskRail\Reading\Detection;
use DuskRail\Reading\Reader;
use DuskRail\Reading\Sample;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The same random values in every layout, with every way of writing periods and numbers, come in as the same values. */
final class LayoutsTest extends TestCase
{
    private const GROUPS = ['North' => ['Alder', 'Birch Hill', 'Cedar'], 'South' => ['Dogwood', 'Elm', 'Fir Bank']];

    /** Mark of decimals, mark of thousands, mark between cells. */
    private const NUMBERS = [['.', '', ','], ['.', ',', ','], [',', '.', ';'], [',', ' ', ';'], ['.', "'", "\t"]];

    private const LAYOUTS = [
        'one row per value',
        'periods across',
        'entities across',
        'measures across',
        'measure in a column',
        'blank below the entity',
        'blank below the group',
        'a row with the group over its members',
        'a row with the entity over its periods',
        'a row with the measure over its part',
        'an outline without values of the group',
        'lined up by spaces',
        'under a title, over a source',
    ];

    /** @return iterable<string, array{Frequency, callable(Period): string}> */
    public static function notations(): iterable
    {
        $year = static fn(Period $p): int => $p->yearNumber();
        $part = static fn(Period $p): int => (int) substr($p->code(), -1);
        $month = static fn(Period $p): int => (int) substr($p->code(), -2);
        $german = ['Jan', 'Feb', 'Mrz', 'Apr', 'Mai', 'Jun', 'Jul', 'Aug', 'Sep', 'Okt', 'Nov', 'Dez'];
        $french = ['janv.', 'févr.', 'mars', 'avr.', 'mai', 'juin', 'juil.', 'août', 'sept.', 'oct.', 'nov.', 'déc.'];
        foreach (
            [
                '2021' => [Frequency::Year, static fn(Period $p): string => $p->code()],
                'FY2021' => [Frequency::Year, static fn(Period $p): string => "FY{$p->code()}"],
                '2021/22' => [Frequency::FiscalYear, static fn(Period $p): string => $p->code()],
                '2019-21' => [
                    Frequency::Year,
                    static fn(Period $p): string => $year($p) - 2 . '-' . sprintf('%02d', $year($p) % 100),
                ],
                '2017 to 2021' => [Frequency::Year, static fn(Period $p): string => $year($p) - 4 . " to {$year($p)}"],
                '2021-H1' => [Frequency::HalfYear, static fn(Period $p): string => $p->code()],
                'H1 2021' => [Frequency::HalfYear, static fn(Period $p): string => "H{$part($p)} {$year($p)}"],
                '2021-Q1' => [Frequency::Quarter, static fn(Period $p): string => $p->code()],
                'Q1 2021' => [Frequency::Quarter, static fn(Period $p): string => "Q{$part($p)} {$year($p)}"],
                '1Q21' => [
                    Frequency::Quarter,
                    static fn(Period $p): string => "{$part($p)}Q" . sprintf('%02d', $year($p) % 100),
                ],
                '2021-03' => [Frequency::Month, static fn(Period $p): string => $p->code()],
                '03/2021' => [Frequency::Month, static fn(Period $p): string => substr($p->code(), 5) . "/{$year($p)}"],
                '2021M03' => [Frequency::Month, static fn(Period $p): string => strtr($p->code(), '-', 'M')],
                'Mar 2021' => [Frequency::Month, static fn(Period $p): string => $p->label()],
                'Mrz-21' => [
                    Frequency::Month,
                    static fn(Period $p): string => $german[$month($p) - 1] . '-' . sprintf('%02d', $year($p) % 100),
                ],
                'mars 2021' => [
                    Frequency::Month,
                    static fn(Period $p): string => $french[$month($p) - 1] . " {$year($p)}",
                ],
                '2021-03-31' => [
                    Frequency::Month,
                    static fn(Period $p): string => gmdate('Y-m-d', 86_400 * $p->lastDay()),
                ],
                '2021-W05' => [Frequency::Week, static fn(Period $p): string => $p->code()],
                'KW 5/2021' => [
                    Frequency::Week,
                    static fn(Period $p): string => "KW {$month($p)}/" . substr($p->code(), 0, 4),
                ],
                '31.03.2021' => [
                    Frequency::Day,
                    static fn(Period $p): string => gmdate('d.m.Y', 86_400 * $p->firstDay()),
                ],
            ] as $name => $of
        ) {
            yield (string) $name => $of;
        }
    }

    /** @param callable(Period): string $written */
    #[DataProvider('notations')]
    public function testEveryLayoutComesToTheSameValues(Frequency $frequency, callable $written): void
    {
        $first = Period::parse(match ($frequency) {
            Frequency::Year => '2011',
            Frequency::FiscalYear => '2011/12',
            Frequency::HalfYear => '2011-H1',
            Frequency::Quarter => '2011-Q3',
            Frequency::Month => '2020-11',
            Frequency::Week => '2021-W03',
            default => '2021-03-26',
        });
        $wrong = [];
        foreach (self::LAYOUTS as $n => $layout) {
            // Each way of writing numbers meets each layout, with one notation of periods or another.
            $marks = self::NUMBERS[($n + strlen($written($first))) % count(self::NUMBERS)];
            mt_srand($n);
            [$rows, $expected] = self::table($layout, $first, $written, $marks[0], $marks[1]);
            $found = self::read($layout, $rows, $marks[2]);
            if ($found !== $expected) {
                $wrong[] = "{$layout}, 1{$marks[1]}234{$marks[0]}5: " . self::difference($expected, $found);
            }
        }
        self::assertSame([], $wrong);
    }

    /**
     * @param array<string, float> $expected
     * @param array<string, float>|string $found
     */
    private static function difference(array $expected, array|string $found): string
    {
        if (is_string($found)) {
            return $found;
        }

        return 'missing ' . implode(', ', array_slice(array_keys(array_diff_key($expected, $found)), 0, 3)) .
            '; too many ' . implode(', ', array_slice(array_keys(array_diff_key($found, $expected)), 0, 3));
    }

    /**
     * @param callable(Period): string $written
     * @return array{list<list<string>>, array<string, float>} rows of cells; values by entity, measure and period
     */
    private static function table(string $layout, Period $first, callable $written, string $mark, string $group): array
    {
        $periods = array_map($first->plus(...), range(0, 5));
        $measures = in_array($layout, self::LAYOUTS, true) && str_contains($layout, 'measure')
            ? ['Leakage', 'Customers']
            : ['Leakage'];
        /** @var array<string, array<string, list<string>>> $values */
        $values = $expected = [];
        foreach (array_merge(...array_values(self::GROUPS)) as $entity) {
            foreach ($measures as $measure) {
                foreach ($periods as $i => $period) {
                    $number = mt_rand(10_000, 99_999) / 10.0;
                    $values[$entity][$measure][] = number_format($number, 1, $mark, $group);
                    $expected["{$entity}|{$measure}|{$period->code()}"] = $number;
                }
            }
        }
        ksort($expected);
        $times = array_map($written, $periods);

        return [self::rows($layout, $values, $times), $expected];
    }

    /**
     * @param array<string, array<string, list<string>>> $values by entity and measure
     * @param list<string> $times
     * @return list<list<string>>
     */
    private static function rows(string $layout, array $values, array $times): array
    {
        /** @var array<string, list<list<string>>> $rows */
        $rows = array_fill_keys(self::LAYOUTS, []);
        $blank = array_fill(0, count($times), '');
        foreach (self::GROUPS as $group => $members) {
            $rows['a row with the group over its members'][] = [$group, ...$blank];
            $rows['an outline without values of the group'][] = [$group, '', ...$blank];
            foreach ($members as $n => $entity) {
                $of = $values[$entity]['Leakage'];
                $rows['periods across'][] = [$entity, ...$of];
                $rows['blank below the group'][] = [$n === 0 ? $group : '', $entity, ...$of];
                $rows['a row with the group over its members'][] = [$entity, ...$of];
                $rows['an outline without values of the group'][] = ['', $entity, ...$of];
                $rows['a row with the entity over its periods'][] = [$entity, ''];
                foreach ($times as $i => $time) {
                    $rows['one row per value'][] = [$entity, $time, $of[$i]];
                    $rows['blank below the entity'][] = [$i === 0 ? $entity : '', $time, $of[$i]];
                    $rows['a row with the entity over its periods'][] = [$time, $of[$i]];
                    $rows['measures across'][] = [$entity, $time, ...array_column($values[$entity], $i)];
                    foreach ($values[$entity] as $measure => $all) {
                        $rows['measure in a column'][] = [$entity, $measure, $time, $all[$i]];
                    }
                }
            }
        }
        foreach (['Leakage' => 'Leakage (Ml/d)', 'Customers' => 'Customers'] as $measure => $title) {
            $rows['a row with the measure over its part'][] = [$title, ...$blank];
            foreach ($values as $entity => $of) {
                $rows['a row with the measure over its part'][] = [$entity, ...$of[$measure] ?? $blank];
            }
        }
        foreach ($times as $i => $time) {
            $rows['entities across'][] = [$time, ...array_column(array_column($values, 'Leakage'), $i)];
        }
        $wide = [['Utility', ...$times], ...$rows['periods across']];

        return match ($layout) {
            'periods across', 'lined up by spaces' => $wide,
            'under a title, over a source' => [['Leakage'], [''], ...$wide, [''], ['Source: returns of the utilities']],
            'entities across' => [['Period', ...array_keys($values)], ...$rows[$layout]],
            'one row per value', 'blank below the entity' => [['Utility', 'Period', 'Leakage'], ...$rows[$layout]],
            'measures across' => [['Utility', 'Period', 'Leakage (Ml/d)', 'Customers'], ...$rows[$layout]],
            'measure in a column' => [['Utility', 'Measure', 'Period', 'Value'], ...$rows[$layout]],
            'a row with the entity over its periods' => [['Period', 'Leakage'], ...$rows[$layout]],
            'blank below the group', 'an outline without values of the group' => [
                ['Region', 'Utility', ...$times],
                ...$rows[$layout],
            ],
            default => [['Utility', ...$times], ...$rows[$layout]],
        };
    }

    /**
     * @param list<list<string>> $rows
     * @return array<string, float>|string values by entity, measure and period; what is wrong
     */
    private static function read(string $layout, array $rows, string $delimiter): array|string
    {
        if ($layout === 'lined up by spaces') {
            $widths = [];
            foreach ($rows as $row) {
                foreach ($row as $column => $cell) {
                    $widths[$column] = max($widths[$column] ?? 0, mb_strlen($cell));
                }
            }
            $lines = array_map(
                static fn(array $row): string => implode('  ', array_map(
                    static fn(string $cell, int $column): string => $column === 0
                        ? $cell . str_repeat(" ", $widths[0] - mb_strlen($cell))
                        : str_repeat(' ', $widths[$column] - mb_strlen($cell)) . $cell,
                    $row,
                    array_keys($row),
                )),
                $rows,
            );
            $aligned = AlignedColumns::in($lines);
            if ($aligned === null) {
                return "no columns in\n" . implode("\n", $lines);
            }
            $rows = array_map($aligned->cells(...), $lines);
        }
        $sample = new Sample($rows, 'Leakage.csv', $delimiter);
        $plan = Detection::of($sample)->plan;
        $read = Reader::read($sample->rows, $plan);
        if ($read->problemCount > 0 || $read->metadata->breakdowns !== []) {
            return "{$plan->shape}, {$read->problemCount} problems, split by " .
                implode(' and ', $read->metadata->breakdowns);
        }
        $found = [];
        foreach ($read->series() as $series) {
            $measure = $read->measures[$series->measure];
            foreach ($series->values as $i => $value) {
                if (!is_nan($value)) {
                    $period = Period::at($read->frequencyOf($series->measure), $series->first + $i);
                    $found["{$read->entities[$series->entity]}|{$measure->name}|{$period->code()}"] = $value;
                }
            }
        }
        ksort($found);

        return $found;
    }
}
