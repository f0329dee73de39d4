<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Data\Benchmark;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\LineState;
use DuskRail\Document\Parts\LinesPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\Stacked;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Reading\Detection;
use DuskRail\Reading\Sample;
use DuskRail\Reading\Vocabulary;
use DuskRail\Refusal;
use DuskRail\Time\Frequency;
use DuskRail\Words\PeerStatistics;
use PHPUnit\Framework\TestCase;

/** What others are measured by is known when it comes, is shown, and changes nobody's figures. */
final class BenchmarksTest extends TestCase
{
    public function testItIsKnownByItsName(): void
    {
        $kinds = [
            'mean' => [
                'National average',
                'Average of all companies',
                'Sector mean (weighted)',
                'Bundesdurchschnitt',
                'Moyenne nationale',
                'Media nacional',
                'England and Wales average',
            ],
            'median' => ['Median', 'Peer median*', 'Median of 12 plants'],
            'quartile' => ['Upper quartile', 'Lower quartile', '90th percentile'],
            'target' => ['Target', 'Regulator target 2030', 'Zielwert'],
            'total' => ['Total', 'All districts', 'Sector total'],
            'other' => ['Industry benchmark', 'World'],
        ];
        foreach ($kinds as $kind => $names) {
            foreach ($names as $name) {
                self::assertSame($kind, Vocabulary::benchmark($name)?->value, $name);
            }
        }
        foreach (
            ['Meanwood', 'Target Valley', 'Totalling', 'Median Street', 'Average Jones', 'Media Group'] as $name
        ) {
            self::assertNull(Vocabulary::benchmark($name), $name);
        }
    }

    /** The heading of a mean makes entities of columns, unless another names what is measured. */
    public function testColumnsBesideAMeanAreEntities(): void
    {
        $shape = static fn(string $headings): string => Detection::of(
            self::sample("Year,{$headings}\n2019,10,11\n2020,11,12\n2021,12,13\n"),
        )->plan->shape;
        self::assertSame('entities-across', $shape('Ayle,National average'));
        self::assertSame('entities-across', $shape('Upper quartile,Lower quartile'));
        self::assertSame('long', $shape('Birth rate,National average'));
        $alone = Detection::of(self::sample("Year,National average\n2019,10\n2020,11\n2021,12\n"))->plan;
        self::assertSame('entities-across', $alone->shape);
    }

    /** The distance to the first that is no total; a total is of another size. */
    public function testTheGapToItIsAStatisticOfThePeerComparison(): void
    {
        $rows = ['home' => [5.0, 7.0], 'a' => [1.0, 2.0], 'b' => [3.0, null], 'bench' => [4.0, 4.5]];
        $table = static fn(Benchmark $kind) => PeerStatistics::table(
            self::comparison($rows, 'bench', $kind, []),
        );
        $mean = $table(Benchmark::Mean);
        self::assertNotNull($mean);
        $column = array_search('Gap to benchmark', $mean->heads, true);
        self::assertIsInt($column);
        self::assertSame([2.5, 1.0], array_column($mean->rows, $column));
        self::assertNotContains('Gap to benchmark', $table(Benchmark::Total)->heads ?? []);
        // A total that is shown is of another size, and still no benchmark of one.
        $total = self::comparison($rows, 'bench', Benchmark::Total, []);
        $shown = Comparison::of($total->document->withOff([]), $total->data->source());
        self::assertTrue($shown->line('bench')?->state === LineState::Peer);
        self::assertNotContains('Gap to benchmark', PeerStatistics::table($shown)->heads ?? []);
    }

    public function testItIsKnownByBeingTheMeanOfOthers(): void
    {
        mt_srand(41);
        for ($round = 0; $round < 60; $round++) {
            $rows = $others = [];
            $count = mt_rand(4, 12);
            $periods = mt_rand(4, 12);
            for ($e = 0; $e < $count; $e++) {
                $rows["E{$e}"] = array_map(static fn(): float => mt_rand(100, 9_000) / 10.0, range(1, $periods));
            }
            // As far off as rounding takes it, and three times as far as is taken for rounding.
            $off = $round % 2 === 0 ? 0.0 : 0.03;
            for ($i = 0; $i < $periods; $i++) {
                $column = array_column($rows, $i);
                $mean = array_sum($column) / $count;
                $squares = array_map(static fn(float $v): float => ($v - $mean) ** 2, $column);
                $deviation = sqrt(array_sum($squares) / $count);
                $others[] = round($mean + $off * $deviation, 1);
            }
            $rows['Svardal'] = $others;
            $text = 'Site,' . implode(',', range(2010, 2009 + $periods)) . "\n";
            foreach ($rows as $name => $values) {
                $text .= "{$name}," . implode(',', $values) . "\n";
            }
            $found = Detection::of(self::sample($text))->plan->rows->found;
            self::assertSame($off === 0.0 ? ['Svardal' => 'mean'] : [], $found, $text);
        }
    }

    /** Every figure of every other line, and of what sums them up, is as it was before the benchmark came. */
    public function testItChangesNobodysFigures(): void
    {
        mt_srand(1207);
        $rails = [
            [],
            [['share', []]],
            [['rank', []]],
            [['against', ['to' => 'median', 'as' => 'difference']]],
            [['against', ['to' => 'mean', 'as' => 'difference']]],
            [['standardise', []]],
            [['index', ['base' => '2011']]],
            [['rolling', ['window' => 2]], ['rank', []]],
        ];
        $compared = 0;
        for ($round = 0; $round < 160; $round++) {
            $rail = $rails[$round % count($rails)];
            $rows = [];
            for ($e = 0, $count = mt_rand(3, 8); $e < $count; $e++) {
                $rows["e{$e}"] = array_map(
                    static fn(): ?float => mt_rand(0, 9) === 0 ? null : mt_rand(1, 999) / 10.0,
                    range(0, 6),
                );
            }
            $kind = Benchmark::cases()[mt_rand(0, 5)];
            $beyond = array_map(static fn(): float => mt_rand(1, 9_999) / 10.0, range(0, 6));
            try {
                $without = self::comparison($rows, '', Benchmark::Total, $rail);
            } catch (Refusal) {
                continue;
            }
            $with = self::comparison([...$rows, 'bench' => $beyond], 'bench', $kind, $rail);
            foreach ($without->lines as $line) {
                $same = array_values(array_filter($with->lines, static fn($l): bool => $l->key === $line->key))[0];
                self::assertSame(self::exact($line->values), self::exact($same->values), "{$line->key} {$round}");
                self::assertEquals(
                    $without->peers->rankOf($line, $line->current),
                    $with->peers->rankOf($same, $same->current),
                );
                $compared++;
            }
            self::assertSame($without->reference, $with->reference);
            self::assertSame(self::exact($without->peerLine), self::exact($with->peerLine));
            if ($rail === []) {
                $stack = static fn(Comparison $c): array => array_map(
                    static fn($layer): array => [$layer->line->key, self::exact($layer->upper)],
                    Stacked::of(Lineup::of($c))->layers,
                );
                self::assertSame($stack($without), $stack($with));
            }
        }
        self::assertGreaterThan(600, $compared);
    }

    /**
     * @param array<string, list<float|null>> $rows
     * @param list<array{string, array<string, mixed>}> $rail
     */
    private static function comparison(array $rows, string $benchmark, Benchmark $kind, array $rail): Comparison
    {
        $entities = [];
        foreach (array_keys($rows) as $n => $key) {
            $about = $key === $benchmark ? [Benchmark::ATTRIBUTE => $kind->value] : [];
            $entities[] = new Entity($key, ucfirst($key), $n % 2 === 0 ? 'Up' : 'Down', $n === 0, $about);
        }
        $measure = Measure::of('flow', 'Flow', 'Ml', MeasureKind::Flow, Frequency::Year);
        $data = new DataInMemory([$measure], $entities, ['flow' => Make::table($measure, '2010', $rows)]);
        $stops = array_map(static fn(array $stop) => StopCatalogue::make(...$stop), $rail);
        $study = Make::study($data, ...$stops)->withPart(LinesPart::from(['groups' => ['Up']]));

        return Comparison::of($study, $data);
    }

    /**
     * @param list<float> $values
     * @return list<string>
     */
    private static function exact(array $values): array
    {
        return array_map(static fn(float $v): string => (string) $v, $values);
    }

    private static function sample(string $text): Sample
    {
        $rows = array_map(
            static fn(string $line): array => array_map(strval(...), str_getcsv($line, ',', '"', '')),
            explode("\n", rtrim($text, "\n")),
        );

        return new Sample($rows, 'table.csv', ',');
    }
}
