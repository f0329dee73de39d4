<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Reading\Detection;
use DuskRail\Reading\Metadata;
use DuskRail\Reading\Reader;
use DuskRail\Reading\Sample;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Countries, regions and towns in one table: the sums are no peers of their parts, which are grouped by them. */
final class HierarchyTest extends TestCase
{
    /** Random trees of two or three levels: every sum is found, each town is in the group of its region. */
    #[TestWith([true, false, 0])]
    #[TestWith([false, false, 0])]
    #[TestWith([true, true, 0])]
    #[TestWith([true, false, 1])]
    public function testEachSumIsFoundAtItsLevel(bool $first, bool $indented, int $decimals): void
    {
        mt_srand(28 + $decimals);
        for ($round = 0; $round < 40; $round++) {
            $rows = $groups = $sums = [];
            $country = array_fill(0, 4, 0.0);
            for ($r = 0, $regions = mt_rand(2, 4); $r < $regions; $r++) {
                $region = array_fill(0, 4, 0.0);
                $towns = [];
                for ($t = 0, $count = mt_rand(2, 6); $t < $count; $t++) {
                    $name = "Town {$r}{$t}";
                    $values = array_map(static fn(): float => mt_rand(100, 99_999) / 10 ** $decimals, range(0, 3));
                    $region = array_map(static fn(float $a, float $b): float => $a + $b, $region, $values);
                    $towns[] = [($indented ? '    ' : '') . $name, ...$values];
                    $groups[$name] = "Region {$r}";
                }
                $country = array_map(static fn(float $a, float $b): float => $a + $b, $country, $region);
                $sums[] = "Region {$r}";
                $own = [($indented ? '  ' : '') . "Region {$r}", ...$region];
                array_push($rows, ...$first ? [$own, ...$towns] : [...$towns, $own]);
            }
            $sums[] = 'Ganzland';
            $rows = $first ? [['Ganzland', ...$country], ...$rows] : [...$rows, ['Ganzland', ...$country]];
            $found = self::metadata($rows, $decimals);
            self::assertEqualsCanonicalizing($sums, array_keys($found->benchmarks), "round {$round}");
            foreach ($groups as $town => $group) {
                self::assertSame($group, $found->attributes[$town]['group'] ?? '', "{$town}, round {$round}");
            }
        }
    }

    /** What is made up at random has no levels, however small its numbers. */
    #[TestWith([9])]
    #[TestWith([60])]
    #[TestWith([99_999])]
    public function testWhatDoesNotAddUpHasNone(int $most): void
    {
        mt_srand($most);
        for ($round = 0; $round < 120; $round++) {
            $rows = [];
            for ($i = 0, $count = mt_rand(4, 25); $i < $count; $i++) {
                $rows[] = ["Town {$i}", ...array_map(static fn(): int => mt_rand(1, $most), range(0, 3))];
            }
            self::assertSame([], self::metadata($rows, 0)->attributes, "round {$round}");
        }
    }

    /** Two values, or few entities, add up by chance. */
    public function testASumOfFewIsNone(): void
    {
        $sums = [['A', 3, 5], ['B', 1, 2], ['C', 2, 3], ['D', 9, 9], ['E', 4, 2], ['F', 5, 7]];
        self::assertSame([], self::metadata($sums, 0)->benchmarks);
        $rows = [['A', 301, 502, 703], ['B', 100, 201, 302], ['C', 201, 301, 401]];
        for ($i = 0; $i < 12; $i++) {
            $rows[] = ["Town {$i}", 1000 + 17 * $i, 2000 - 91 * $i * $i, 3000 + 7 * $i ** 3];
        }
        self::assertSame([], self::metadata($rows, 0)->benchmarks);
        self::assertSame(['A'], array_keys(self::metadata(array_slice($rows, 0, 5), 0)->benchmarks));
    }

    /** Of rates indentation alone says it; what is over others is no sum of them. */
    public function testIndentationSaysItOfRates(): void
    {
        $rows = [['Ganzland', 5.1, 5.2], ['  North', 4.0, 4.1], ['    Ayle', 3.0, 3.1], ['    Bask', 4.4, 4.5]];
        $found = self::metadata([...$rows, ['  South', 6.0, 6.1], ['    Cole', 6.5, 6.6], ['    Dunn', 5.5, 5.8]], 1);
        self::assertSame(['Ganzland' => 'other', 'North' => 'other', 'South' => 'other'], $found->benchmarks);
        self::assertSame('South', $found->attributes['Dunn']['group']);
    }

    /** @param list<non-empty-list<string|int|float>> $rows name and values of each */
    private static function metadata(array $rows, int $decimals): Metadata
    {
        $text = static fn(string|int|float $cell): string => is_string($cell)
            ? $cell
            : number_format((float) $cell, $decimals, '.', '');
        $years = array_map(static fn(int $n): string => (string) (2018 + $n), range(1, count($rows[0]) - 1));
        $cells = array_map(static fn(array $row): array => array_map($text, $row), $rows);
        $sample = new Sample([['Area', ...$years], ...$cells], 'unemployment rate.csv', ',');
        $name = $decimals === 1 && count($years) === 2 ? 'Unemployment rate' : 'People';
        $plan = Detection::of(new Sample($sample->rows, "{$name}.csv", ','))->plan;

        return Reader::read($sample->rows, $plan)->metadata;
    }
}
