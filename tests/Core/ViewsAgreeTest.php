<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Data\Benchmark;
use DuskRail\Data\Better;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Numerals;
use DuskRail\Document\LineState;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\Parts\SparksPart;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Grid;
use DuskRail\Outcome\Line;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Outcome\SparkRow;
use DuskRail\Outcome\SparkTable;
use DuskRail\Outcome\ValueTable;
use DuskRail\Peers\RankPosition;
use DuskRail\Rail\Rail;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodRange;
use DuskRail\Words\Headline;
use DuskRail\Words\Readout;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;

/** What is said of a line is the same wherever it is said: one value, one period, one rank, one median. */
final class ViewsAgreeTest extends TestCase
{
    private const STOPS = [
        ['rolling', ['window' => 3]],
        ['index', ['base' => '2020']],
        ['change', ['as' => 'difference']],
        ['against', ['to' => 'median', 'as' => 'difference']],
        ['against', ['to' => 'mean', 'as' => 'ratio']],
        ['per-denominator', ['measure' => 'heads', 'times' => 100.0]],
        ['period', ['to' => 'year']],
        ['share', []],
        ['standardise', []],
        ['running-total', []],
        ['seasonal', []],
    ];

    #[Group('slow')]
    public function testTheSameIsSaidEverywhere(): void
    {
        mt_srand(2000);
        $seen = ['headline' => 0, 'ranks' => 0, 'ended' => 0, 'unfinished' => 0, 'none' => 0];
        for ($round = 0; $round < 3_200; $round++) {
            $comparison = self::random();
            $line = $comparison->focus()[0] ?? null;
            if ($line === null || $comparison->run->refused() !== null || $comparison->axis->count === 0) {
                $seen['none']++;
                continue;
            }
            $lineup = Lineup::of($comparison);
            $at = $line->current;
            $seen['unfinished'] += $lineup->open !== null ? 1 : 0;
            $headline = Headline::ofLines($lineup);
            $row = self::row($comparison, $line);
            $table = ValueTable::ofLines($lineup);
            if ($at === null) {
                $seen['ended']++;
                self::assertNan($row->line->latest(), $headline);
                self::assertNull($row->rank);
                self::assertSame('–', $lineup->format($line->latest()));
                continue;
            }
            $period = $comparison->axis->period($at);
            $value = $lineup->format($line->values[$at]);
            $median = $comparison->peerLine[$at] ?? NAN;
            $count = $comparison->peers->count($at, $line);
            // The headline, the roster, and what one hears when one points there.
            $expected = "{$line->name}: {$value} in {$period->label()}";
            $isBeside = $count > 1 && !is_nan($median);
            self::assertStringStartsWith($expected . ($isBeside ? '; ' : ''), $headline);
            if ($isBeside) {
                self::assertStringEndsWith(" {$lineup->format($median)}", $headline);
                self::assertMatchesRegularExpression("/ (all )?{$count}( up)?( peers)? is /", $headline);
                $seen['headline']++;
            }
            $said = Readout::along($lineup, $line)['points'][$at];
            self::assertSame($period->label(), explode(',', $said[0])[0], $headline);
            $isLarge = $comparison->precision->power > 0;
            $fine = Numerals::text($line->values[$at], $isLarge ? 0 : $comparison->fineDecimals());
            self::assertSame($fine, explode(' ', $said[1])[0], $headline);
            // Sparks, peer comparison, figures and the file of values.
            self::assertSame($line->values[$at], $row->line->latest());
            $position = $comparison->peers->rankOf($line, $at);
            $now = self::standing($comparison, $line);
            self::assertSame($position?->rank, $row->rank, $headline);
            self::assertSame($position?->rank, $now?->rank);
            if ($now !== null) {
                $seen['ranks']++;
                $isMedian = $comparison->peerLineName() === 'Peer median';
                self::assertTrue(!$isMedian || is_nan($median) || abs($now->median - $median) < 1e-9, $headline);
                self::assertSame($position?->of, $now->of);
                self::assertMatchesRegularExpression("/ (of|as all) {$now->of}\b/", $said[2], $headline);
            }
            $grid = Grid::of($comparison);
            $down = array_search($period->code(), array_map(static fn($head): string => $head->key, $grid->rows), true);
            foreach ([$line->key => $line->values[$at], '~summary' => $median] as $key => $shown) {
                $across = array_search($key, array_map(static fn($head): string => $head->key, $grid->columns), true);
                self::assertSame(
                    is_nan($shown) && $across === false ? '' : (string) $shown,
                    $across === false ? '' : (string) $grid->cells[(int) $down][$across],
                );
            }
            $rows = array_column($table->rows, null, 0);
            $column = (int) array_search($line->name, $table->heads, true);
            self::assertSame($line->values[$at], $rows[$period->code()][$column] ?? null, $headline);
        }
        self::assertGreaterThan(40, min($seen), json_encode($seen, JSON_THROW_ON_ERROR));
    }

    private static function row(Comparison $comparison, Line $line): SparkRow
    {
        $study = $comparison->study->withPart(SparksPart::from(['grouped' => false]));
        foreach (SparkTable::of($study, $comparison)->groups as $rows) {
            foreach ($rows as $row) {
                if ($row->line->key === $line->key) {
                    return $row;
                }
            }
        }
        self::fail("{$line->name} has no row.");
    }

    private static function standing(Comparison $comparison, Line $line): ?RankPosition
    {
        foreach (PeerComparison::of($comparison) as $one) {
            if ($one->line->key === $line->key) {
                return $one->now();
            }
        }

        return null;
    }

    private static function random(): Comparison
    {
        $monthly = mt_rand(0, 2) > 0;
        $count = $monthly ? mt_rand(14, 40) : mt_rand(6, 12);
        $first = $monthly ? Period::month(2019, mt_rand(1, 12)) : Period::year(2008);
        $kind = MeasureKind::cases()[mt_rand(0, 2)];
        $better = Better::cases()[mt_rand(0, 2)];
        $large = mt_rand(0, 5) === 0 ? 1e6 : 1.0;
        $measure = Measure::of('m', 'M', $kind === MeasureKind::Rate ? '%' : 't', $kind, $first->frequency, $better);
        $heads = Measure::of('heads', 'Heads', 'heads', MeasureKind::Stock, Frequency::Year);
        $rows = $sizes = $entities = [];
        for ($n = 0, $many = mt_rand(2, 9); $n < $many; $n++) {
            $begins = mt_rand(0, 4) === 0 ? mt_rand(1, 3) : 0;
            $ends = mt_rand(0, 4) === 0 ? mt_rand(2, $count - 1) : $count;
            $base = mt_rand(20, 400);
            for ($i = 0; $i < $count; $i++) {
                $isThere = $i >= $begins && $i < $ends && mt_rand(0, 20) > 0;
                $rows["e{$n}"][] = $isThere ? $large * ($base + mt_rand(0, 90) / 10.0 + mt_rand(0, 3) * $i) : null;
            }
            $sizes["e{$n}"] = array_map(static fn(): int => mt_rand(5, 90), range(0, 20));
            $about = $n === $many - 1 && mt_rand(0, 4) === 0 ? [Benchmark::ATTRIBUTE => 'mean'] : [];
            $entities[] = new Entity("e{$n}", "Entity {$n}", $n % 2 === 0 ? 'Up' : 'Down', $n === 0, $about);
        }
        $data = new DataInMemory([$measure, $heads], $entities, [
            'm' => Make::table($measure, $first->code(), $rows),
            'heads' => Make::table($heads, '2005', $sizes),
        ]);
        $rail = Rail::of();
        for ($stops = mt_rand(0, 2); $stops > 0; $stops--) {
            $rail = $rail->with(StopCatalogue::make(...self::STOPS[mt_rand(0, count(self::STOPS) - 1)]));
        }
        $study = Study::first('Study', 'm', $data)->withRail($rail);
        $study = mt_rand(0, 2) === 0 ? $study->withState('e1', LineState::Focus) : $study;
        if (mt_rand(0, 4) === 0) {
            $study = $study->withState('e0', LineState::Peer)->withState('e1', LineState::Focus);
        }
        $study = $study->withPart(
            PeersPart::from([
                'line' => ['median', 'median', 'mean', 'none'][mt_rand(0, 3)],
                'members' => ['present', 'present', 'same'][mt_rand(0, 2)],
                'set' => ['', '', 'group:Up'][mt_rand(0, 2)],
            ]),
        );
        if (mt_rand(0, 3) === 0) {
            $study = $study->withRange(
                PeriodRange::between($first->plus(mt_rand(0, 2)), $first->plus($count - 1 - mt_rand(0, 2))),
            );
        }

        return Comparison::of($study, $data);
    }
}
