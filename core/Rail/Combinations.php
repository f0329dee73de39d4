<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Data\Better;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Series;
use DuskRail\Data\SeriesTable;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodAxis;

/**
 * Which calculation is possible after which: tried out, one pair after the other, on values without gaps. What a cell
 * says depends on what the data are and on nothing else, so the same holds for any values.
 */
final class Combinations
{
    private const YEARS = 4;

    /** Stops that are tried in more forms than the usual one: settings by what the form is called. */
    private const FORMS = [
        'period' => ['by the year' => ['to' => 'year']],
        'per-denominator' => [
            '÷ a level' => ['measure' => 'people', 'times' => '1000'],
            '÷ a flow' => ['measure' => 'trips', 'times' => '1'],
        ],
        'rolling' => [
            'rolling mean' => ['statistic' => 'mean', 'window' => '12'],
            'rolling sum' => ['statistic' => 'sum', 'window' => '12'],
        ],
        'index' => ['index' => ['as' => 'index'], 'change since base' => ['as' => 'change']],
        'change' => ['change in per cent' => ['as' => 'percent'], 'change as difference' => ['as' => 'difference']],
        'against' => ['difference from peers' => ['as' => 'difference'], 'ratio to peers' => ['as' => 'ratio']],
        'formula' => ['formula' => ['text' => 'here × 2']],
    ];

    /** @return list<string> what the forms are called, in the order in which they are tried */
    public static function names(): array
    {
        return array_map(strval(...), array_keys(self::forms()));
    }

    /**
     * What becomes of one calculation after another.
     *
     * @param DataInMemory|null $data other values of the same measures, to see that nothing depends on them
     * @return array{string, string} `yes`, `remark` or `no`, or `never` where the first one cannot be at the start;
     *     and the remark or the reason
     */
    public static function tried(string $first, string $second, ?DataInMemory $data = null): array
    {
        $plain = self::data(static fn(int $entity, int $i): float => 100.0 * $entity + 10.0 * ($i % 12) + $i);
        $data ??= $plain;
        $scope = Scope::of($data, ['a'], [], Better::Lower);
        $table = $data->table('spend');
        $before = self::placed($first, $plain);
        $refusal = $before->refusal($table, $scope);
        if ($refusal !== null) {
            return ['never', $refusal];
        }
        $table = $before->apply($table, $scope)->table;
        $stop = self::placed($second, $plain);
        $refusal = $stop->refusal($table, $scope);
        if ($refusal !== null) {
            return ['no', $refusal];
        }
        $remarks = $stop->apply($table, $scope)->remarks;

        return $remarks === [] ? ['yes', ''] : ['remark', $remarks[0]->sentence];
    }

    /** @return string Markdown */
    public static function write(): string
    {
        $names = self::names();
        $text =
            "# Which stops can follow which\n\nWritten by `php artisan docs:write`: every stop is tried " .
            'after every other, on monthly values in money. The first stop is at the left, the one that ' .
            "follows it above.\n\n- ● possible\n- ◐ possible, with a remark\n- – not possible, with the " .
            "reason and a way out\n\nThe numbers are those of the sentences below the table. A refusal " .
            "depends on what the values are (`core/Data/Nature.php`), never on their size.\n\n";
        $text .= '| | ' . implode(' | ', $names) . " |\n|---" . str_repeat('|:-:', count($names)) . "|\n";
        $said = [];
        foreach ($names as $first) {
            $cells = [];
            foreach ($names as $second) {
                [$what, $sentence] = self::tried($first, $second);
                if ($sentence !== '') {
                    $said[$sentence] ??= count($said) + 1;
                }
                $sign = ['yes' => '●', 'remark' => '◐', 'no' => '–', 'never' => ''][$what];
                $cells[] = trim($sign . ' ' . ($said[$sentence] ?? ''));
            }
            $text .= "| **{$first}** | " . implode(' | ', $cells) . " |\n";
        }
        $text .= "\n";
        foreach ($said as $sentence => $number) {
            $text .= "{$number}. {$sentence}\n";
        }

        return $text;
    }

    /**
     * Money spent, trips made, people and prices of fourteen entities, by the month.
     *
     * @param callable(int, int): float $spend of an entity, from 1, and a month, from 0
     */
    public static function data(callable $spend): DataInMemory
    {
        $entities = $spent = $trips = $people = [];
        // As many as a fit across peers needs.
        foreach (range('a', 'n') as $key) {
            $group = $key < 'c' ? 'North' : 'South';
            $number = count($entities) + 1;
            $entities[] = new Entity($key, strtoupper($key), $group, $key === 'a');
            $months = range(0, 12 * self::YEARS - 1);
            $spent[] = new Series($key, array_map(static fn(int $i): float => $spend($number, $i), $months));
            $trips[] = new Series(
                $key,
                array_map(static fn(int $i): float => 50.0 * $number + $i + 9.0 * ($number % 4), $months),
            );
            $people[] = new Series($key, array_map(static fn(int $i): float => 900.0 + $i, range(1, self::YEARS)));
        }
        $prices = [new Series('a', array_map(static fn(int $i): float => 100.0 + $i, range(0, 12 * self::YEARS - 1)))];
        $measures = $tables = [];
        foreach (
            [
                ['spend', 'crowns', MeasureKind::Flow, Frequency::Month, $spent],
                ['people', 'people', MeasureKind::Stock, Frequency::Year, $people],
                ['trips', 'trips', MeasureKind::Flow, Frequency::Month, $trips],
                ['price-index', '2019 = 100', MeasureKind::Rate, Frequency::Month, $prices],
            ] as [$key, $unit, $kind, $frequency, $series]
        ) {
            $measures[] = $measure = Measure::of($key, ucfirst(strtr($key, '-', ' ')), $unit, $kind, $frequency);
            $first = Period::year(2019)->firstDay();
            $axis = PeriodAxis::of($frequency, Period::holding($frequency, $first)->ordinal, count($series[0]->values));
            $tables[$key] = new SeriesTable($axis, $measure->unitEach(), $kind, $series);
        }

        return new DataInMemory($measures, $entities, $tables);
    }

    private static function placed(string $form, DataInMemory $data): Stop
    {
        [$type, $settings] = self::forms()[$form];
        $class = StopCatalogue::named($type);

        return $class::from([...$class::default($data->table('spend'), Scope::all($data))->settings(), ...$settings]);
    }

    /** @return array<string, array{string, array<string, mixed>}> type and settings by what a form is called */
    private static function forms(): array
    {
        $forms = [];
        foreach (StopCatalogue::all() as $type => $class) {
            foreach (self::FORMS[$type] ?? [mb_strtolower($class::title()) => []] as $name => $settings) {
                $forms[$name] = [$type, $settings];
            }
        }

        return $forms;
    }
}
