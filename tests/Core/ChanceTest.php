<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Chart\Group;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\Parts\Band;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\Parts\ScatterPart;
use DuskRail\Document\Study;
use DuskRail\Outcome\Chance;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\PlaceRange;
use DuskRail\Outcome\SameResult;
use DuskRail\Outcome\Scattered;
use DuskRail\Outcome\ScatterPoint;
use DuskRail\Rail\Rail;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Settings\InvalidSetting;
use DuskRail\Signals\Notice;
use DuskRail\Signals\Signals;
use DuskRail\Statistics\ChanceLimits;
use DuskRail\Statistics\Redraw;
use DuskRail\Words\Sentences\Claim;
use DuskRail\Words\Sentences\Sentences;
use PHPUnit\Framework\Attributes\Group as TestGroup;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** How far a rate made of counts may be from its peers by chance alone. */
final class ChanceTest extends TestCase
{
    /**
     * 100 bursts on 5,000 km of the peers are 2 per 100 km; on home's 1,000 km 20 are expected, give or take what
     * chance makes of both counts (tests/Reference/data/chance.csv has such limits by R).
     */
    public function testLimitsAreThoseOfTheCountThatIsExpected(): void
    {
        $data = self::bursts(['home' => [41, 1000], 'a' => [30, 1500], 'b' => [50, 2500], 'c' => [20, 1000]]);
        $comparison = self::compared($data, ['dispersion' => 'ignored']);
        $chance = Chance::of($comparison);
        self::assertNotNull($chance);
        self::assertEqualsWithDelta(2.0, $chance->expected[0], 1e-9);
        self::assertEqualsWithDelta(10.0, $chance->exposure('home', 0), 1e-9);
        $limits = $chance->limits(0, 10.0);
        foreach (ChanceLimits::TAILS as $n => $share) {
            $limit = ChanceLimits::poissonBeside(10.0, 100.0, 50.0, $share) / 10.0;
            self::assertEqualsWithDelta($limit, $limits[$n], 1e-12);
        }
        self::assertNan(ChanceLimits::binomial(NAN, 0.3, 0.975));
        self::assertNan(ChanceLimits::binomial(60.0, 1.0, 0.975));
        // Of so and so many, a share has a whole number.
        self::assertSame(ChanceLimits::binomial(60.0, 0.3, 0.975), ChanceLimits::binomial(59.6, 0.3, 0.975));
        self::assertFalse($chance->mayBe($comparison->line('home') ?? self::fail(), 0));
        self::assertTrue($chance->mayBe($comparison->line('a') ?? self::fail(), 0));
        // The smaller, the wider.
        $width = static fn(float $exposure): float => $chance->limits(0, $exposure)[3] -
            $chance->limits(0, $exposure)[0];
        self::assertGreaterThan($width(10.0), $width(5.0));
        self::assertGreaterThan($width(100.0), $width(10.0));
        $said = array_map(static fn(Claim $c): string => $c->sentence, Sentences::of($comparison));
        self::assertContains('Home is above what chance alone explains beside its 3 peers', $said);
    }

    /** A place that may be chance is not proposed as one; the same value of a larger entity is. */
    public function testTheHighestIsNotProposedWhereItIsNoMoreThanChance(): void
    {
        $said = static function (int $count, int $length): string {
            $others = ['a' => [30, 1500], 'b' => [50, 2500], 'c' => [20, 1000], 'd' => [19, 1000]];
            $data = self::bursts(['home' => [$count, $length], ...$others], 4);
            $claims = Sentences::of(self::compared($data, ['dispersion' => 'ignored']));

            return implode('; ', array_map(static fn(Claim $c): string => $c->sentence, $claims));
        };
        self::assertStringNotContainsString('highest of all', $said(3, 100));
        self::assertStringContainsString('highest of all', $said(300, 10_000));
    }

    /**
     * Pure chance, the same rate for all: outside the 95 % limits are at most one in twenty, and beyond the outer ones
     * one in 500, be home the largest or the smallest. Exact limits of whole counts hold more than they say.
     */
    #[TestWith([100.0, 12, 100.0])]
    #[TestWith([300.0, 2, 300.0])]
    #[TestWith([50.0, 4, 5.0])]
    #[TestWith([200.0, 3, 20.0])]
    #[TestWith([1000.0, 12, 10.0])]
    #[TestGroup('slow')]
    public function testTheRateOfThePeersIsNotTakenForKnown(float $home, int $peers, float $each): void
    {
        $redraw = new Redraw(1940);
        [$outside, $beyond, $runs] = [0, 0, 1500];
        for ($run = 0; $run < $runs; $run++) {
            $others = $redraw->poisson($peers * $each);
            $count = $redraw->poisson($home);
            $limits = array_map(
                static fn(float $share): float => ChanceLimits::poissonBeside($home, $others, $peers * $each, $share),
                ChanceLimits::TAILS,
            );
            $outside += $count < $limits[1] || $count > $limits[2] ? 1 : 0;
            $beyond += $count < $limits[0] || $count > $limits[3] ? 1 : 0;
        }
        self::assertLessThanOrEqual(0.06 * $runs, $outside);
        self::assertGreaterThanOrEqual(0.02 * $runs, $outside);
        self::assertLessThanOrEqual(0.006 * $runs, $beyond);
    }

    /** True over-dispersion of 4 is found as that, be the peers few or many. */
    public function testOverDispersionIsNotUnderstated(): void
    {
        mt_srand(19);
        $even = static fn(): float => mt_rand() / mt_getrandmax();
        foreach ([8, 12, 100] as $peers) {
            $sum = 0.0;
            for ($run = 0; $run < 400; $run++) {
                // Twice as far apart as chance alone: sums of twelve even numbers, less six, are nearly normal.
                $scores = [];
                for ($n = 0; $n < $peers; $n++) {
                    $scores[] = 2.0 * (array_sum(array_map($even, range(1, 12))) - 6.0);
                }
                $mean = array_sum($scores) / $peers;
                $sum += ChanceLimits::dispersion(array_map(static fn(float $z): float => $z - $mean, $scores));
            }
            self::assertEqualsWithDelta(4.0, $sum / 400, 0.5, "{$peers} peers");
        }
    }

    /** Who has nothing to be counted on has no limits, and takes none from the others. */
    #[TestWith(['automatic'])]
    #[TestWith(['proportion'])]
    #[TestWith(['events'])]
    public function testADenominatorOfZeroLeavesTheOthersTheirLimits(string $counts): void
    {
        $rows = ['home' => [3, 1000], 'a' => [2, 0], 'b' => [2, 1500], 'c' => [4, 2000]];
        foreach (['allowed', 'ignored'] as $dispersion) {
            $part = ['dispersion' => $dispersion, 'counts' => $counts];
            $comparison = self::compared(self::bursts($rows), $part);
            $chance = Chance::of($comparison) ?? self::fail();
            $without = Chance::of(self::compared(self::bursts(array_diff_key($rows, ['a' => 1])), $part));
            self::assertSame($without?->limits(0, 10.0, 'home'), $chance->limits(0, 10.0, 'home'));
            self::assertNan($chance->limits(0, $chance->exposure('a', 0), 'a')[0]);
            Sentences::of($comparison);
            // Nobody but home has anything: there is nothing to be held against.
            $alone = self::compared(self::bursts(['home' => [3, 1000], 'a' => [2, 0], 'b' => [2, 0]]), $part);
            self::assertNan((Chance::of($alone) ?? self::fail())->limits(0, 10.0, 'home')[3]);
            Sentences::of($alone);
        }
    }

    /** 96 of 100 patients seen in time are a share of them, which no limit of 112 fits. */
    public function testCountsThatAreSharesHaveTheirLimitsBelowTheWhole(): void
    {
        $seen = ['home' => [96], 'a' => [92], 'b' => [93], 'c' => [94]];
        $all = array_fill_keys(array_keys($seen), [100]);
        $plain = Make::data([
            'seen' => ['patients', MeasureKind::Flow, '2024', $seen],
            'all' => ['attendances', MeasureKind::Flow, '2024', $all],
        ]);
        $study = Make::study($plain, StopCatalogue::make('per-denominator', ['measure' => 'all', 'times' => 100]));
        $limits = static function (string $counts) use ($plain, $study): array {
            $part = PeersPart::from(['dispersion' => 'ignored', 'counts' => $counts]);

            return Chance::of(Comparison::of($study->withPart($part), $plain))?->limits(0, 1.0, 'home') ?? [];
        };
        // Exact binomial limits of R about 93, 88 and 98, times √(1 + 100 ÷ 300) since the peers' share is one of 300.
        // Between whole counts they are up to one and a half away.
        self::assertEqualsWithDelta([87.2, 98.8], array_slice($limits('automatic'), 1, 2), 1.5);
        self::assertGreaterThan(110.0, $limits('events')[2]);
        self::assertSame($limits('automatic'), $limits('proportion'));
    }

    public function testWhatVariesMoreThanByChanceHasWiderLimits(): void
    {
        $rows = ['home' => [20, 1000]];
        foreach ([[5, 1000], [45, 1000], [8, 1000], [40, 1000], [22, 1000], [12, 1000]] as $n => $row) {
            $rows["p{$n}"] = $row;
        }
        $data = self::bursts($rows);
        $plain = Chance::of(self::compared($data, ['dispersion' => 'ignored']));
        $wide = Chance::of(self::compared($data, []));
        self::assertNotNull($plain);
        self::assertNotNull($wide);
        self::assertSame(1.0, $plain->dispersion(0));
        // 132 on 6,000 km: 22 expected of each; z = −17, 23, −14, 18, 0 and −10 over the root of 22, the outermost
        // tenth pulled in to −15.5 and 20.5, which leaves 0.6786 of the variance of five free differences.
        self::assertEqualsWithDelta(
            (15.5 ** 2 + 20.5 ** 2 + 14 ** 2 + 18 ** 2 + 0 + 10 ** 2) / 22 / 5 / 0.6786,
            $wide->dispersion(0),
            1e-9,
        );
        self::assertGreaterThan($plain->limits(0, 10.0)[3], $wide->limits(0, 10.0)[3]);
    }

    /** A year's sum, a window's mean and a window's sum before the division all know how many counts they hold. */
    public function testSumsAndMeansOfMonthsKnowTheirCounts(): void
    {
        $data = self::bursts(['home' => [2, 1000], 'a' => [3, 1500], 'b' => [5, 2500]], 12);
        foreach (
            [
                [['period', ['to' => 'year']], ['per-denominator', ['measure' => 'mains', 'times' => 100]]],
                [['per-denominator', ['measure' => 'mains', 'times' => 100]], ['rolling', ['window' => 12]]],
                [
                    ['rolling', ['window' => 12, 'statistic' => 'sum']],
                    ['per-denominator', ['measure' => 'mains', 'times' => 100]],
                ],
            ] as $stops
        ) {
            $comparison = self::compared($data, ['dispersion' => 'ignored'], ...$stops);
            $chance = Chance::of($comparison);
            $last = $comparison->axis->count - 1;
            $rate = $comparison->line('home')->values[$last] ?? NAN;
            self::assertEqualsWithDelta(24.0, $rate * ($chance?->exposure('home', $last) ?? NAN), 1e-9);
        }
    }

    /** Few counts leave a place open, many settle it; and what is drawn has the mean and variance of its law. */
    public function testAPlaceSaysHowSureItIs(): void
    {
        $redraw = new Redraw(7);
        foreach ([0.4, 5.0, 30.0, 900.0] as $mean) {
            $drawn = array_map(static fn(): float => $redraw->poisson($mean), range(1, 4000));
            $own = array_sum($drawn) / 4000;
            $variance = array_sum(array_map(static fn(float $v): float => ($v - $own) ** 2, $drawn)) / 3999;
            // Four standard errors of a mean of 4,000, and of a variance.
            self::assertEqualsWithDelta($mean, $own, 4 * sqrt($mean / 4000));
            self::assertEqualsWithDelta($mean, $variance, 4 * $mean * sqrt((2 + 1 / $mean) / 4000));
        }
        $range = static function (int $times): string {
            $rows = [];
            foreach (['home' => 12, 'a' => 10, 'b' => 14, 'c' => 9, 'd' => 20] as $key => $count) {
                $rows[$key] = [$count * $times, 1000];
            }
            $comparison = self::compared(self::bursts($rows), []);

            return PlaceRange::of($comparison, $comparison->line('home') ?? self::fail())?->inWords() ?? '';
        };
        self::assertSame('1–5', $range(1));
        self::assertSame('3', $range(10_000));
    }

    public function testFiguresThatAreNoCountsAreRefusedInWords(): void
    {
        $data = self::bursts(['home' => [41, 1000], 'a' => [30, 1500], 'b' => [50, 2500]]);
        $said = static fn(Comparison $c): string => implode(
            ' ',
            array_map(static fn(Notice $n): string => $n->sentence, Signals::of($c)),
        );
        $chance = new PeersPart(band: Band::Chance);
        $plain = Study::first('S', 'bursts', $data)->withPart($chance);
        self::assertStringContainsString('not divided by a measure', $said(Comparison::of($plain, $data)));
        $index = self::compared(
            $data,
            [],
            ['per-denominator', ['measure' => 'mains', 'times' => 100]],
            ['standardise', []],
        );
        self::assertStringContainsString('“Standardise” leaves no counts', $said($index));
        // Whole numbers of money are no counts, nor are hours, nor parts of a thing.
        foreach (['crowns' => 'not a count', 'h' => 'not a count', 'bursts' => ''] as $unit => $why) {
            self::assertStringContainsString(
                $why,
                Chance::reason(
                    self::compared(self::bursts(['home' => [41, 1000], 'a' => [30, 1500]], unit: $unit), []),
                ),
            );
        }
        $half = self::bursts(['home' => [41.5, 1000], 'a' => [30, 1500]]);
        self::assertStringContainsString('not a count', Chance::reason(self::compared($half, [])));
        $mains = Study::first('S', 'mains', $data)->withPart($chance);
        self::assertStringContainsString('Mains is not a count', $said(Comparison::of($mains, $data)));
    }

    public function testAFunnelIsDrawnWhereTheSizeIsAlongTheAxis(): void
    {
        $data = self::bursts(['home' => [41, 1000], 'a' => [30, 1500], 'b' => [50, 2500], 'c' => [20, 800]]);
        $funnel = static fn(string $along): Comparison => Comparison::of(
            self::compared($data, [])
                ->study->withView('scatter')
                ->withPart(ScatterPart::from(['measure' => $along, 'funnel' => true])),
            $data,
        );
        [$chance, $at, $times] = Scattered::of($funnel('mains'))->funnel() ?? self::fail();
        self::assertSame([0, 0.01], [$at, round($times, 9)]);
        self::assertEqualsWithDelta(2.0833333, $chance->expected[0], 1e-6);
        $roles = array_map(
            static fn(object $mark): string => $mark instanceof Group ? $mark->role : '',
            Make::picture($funnel('mains'))->marks,
        );
        self::assertContains('funnel', $roles);
        self::assertNull(Scattered::of($funnel('people'))->funnel());
    }

    /** Counts of five years, and what they are per, added up by hand: the rate, the limits, and who is outside. */
    public function testOverSeveralYearsAFunnelIsOfTheSums(): void
    {
        mt_srand(27);
        $counts = $mains = [];
        foreach (['home', 'a', 'b', 'c', 'd', 'e', 'f', 'g'] as $n => $key) {
            $mains[$key] = array_map(static fn(): int => mt_rand(300, 900) * ($n + 1), range(0, 4));
            $counts[$key] = array_map(static fn(int $km): int => (int) round($km / mt_rand(15, 25)), $mains[$key]);
        }
        $counts['c'] = array_map(static fn(int $n): int => 2 * $n, $counts['c']);
        $counts['d'][1] = null;
        $data = Make::data([
            'bursts' => ['bursts', MeasureKind::Flow, '2020', $counts],
            'mains' => ['km', MeasureKind::Stock, '2020', $mains],
        ]);
        $study = Make::study($data, StopCatalogue::make('per-denominator', ['measure' => 'mains', 'times' => 100.0]))
            ->withView('scatter')
            ->withPart(PeersPart::from(['dispersion' => 'ignored', 'counts' => 'events']))
            ->withPart(ScatterPart::from(['measure' => 'mains', 'funnel' => true, 'at' => 'mean']));
        $scatter = Scattered::of(Comparison::of($study, $data));
        self::assertSame('ratio of sums over 2020 – 2024', $scatter->when);
        [$sums, $km] = [[], []];
        foreach ($counts as $key => $own) {
            $known = array_filter($own, static fn(?int $n): bool => $n !== null);
            $sums[$key] = array_sum($known);
            $km[$key] = array_sum(array_intersect_key($mains[$key], $known));
        }
        [$chance, $at, $times] = $scatter->funnel() ?? self::fail();
        $beyond = [];
        foreach ($scatter->points as $point) {
            $key = $point->line->key;
            self::assertEqualsWithDelta(100.0 * $sums[$key] / $km[$key], $point->y, 1e-9);
            self::assertEqualsWithDelta($km[$key] / ($key === 'd' ? 4 : 5), $point->x, 1e-9);
            self::assertEqualsWithDelta($km[$key] / 100.0, $chance->exposure($key, $at), 1e-9);
            $others = array_diff_key($sums, ['home' => 0, $key => 0]);
            $rest = array_sum(array_intersect_key($km, $others)) / 100.0;
            $limits = array_map(
                static fn(float $tail): float => ChanceLimits::poissonBeside(
                    $km[$key] / 100.0,
                    array_sum($others),
                    $rest,
                    $tail,
                ) / ($km[$key] / 100.0),
                ChanceLimits::TAILS,
            );
            if ($point->y < $limits[0] || $point->y > $limits[3]) {
                $beyond[] = ucfirst($key);
            }
        }
        self::assertContains('C', $beyond);
        self::assertSame($beyond, $scatter->beyondChance());
        self::assertEqualsWithDelta(5 / 100.0, $times, 1e-9);
        // Windows overlap, and what they count would be added up several times.
        $rolled = $study->withRail($study->rail->with(StopCatalogue::make('rolling', ['window' => 2])));
        self::assertNull(Scattered::of(Comparison::of($rolled, $data))->funnel());
    }

    /** A size that is not what the counts are of has no funnel, be it too large or too small for one of them. */
    #[TestWith([1.5])]
    #[TestWith([0.5])]
    public function testAFunnelNeedsTheSizeThatTheCountsAreOf(float $times): void
    {
        $of = ['home' => [41, 1000], 'a' => [30, 1500], 'b' => [50, 2500], 'c' => [20, 800]];
        $funnel = static function (float $times) use ($of): ?array {
            $data = self::bursts($of, people: ['home' => 1000.0, 'a' => 1500.0, 'b' => 2500.0, 'c' => 800.0 * $times]);
            $study = self::compared($data, [])
                ->study->withView('scatter')
                ->withPart(ScatterPart::from(['measure' => 'people', 'funnel' => true]));

            return Scattered::of(Comparison::of($study, $data))->funnel();
        };
        self::assertNotNull($funnel(1.0));
        self::assertNull($funnel($times));
    }

    /** Home has 40 bursts per 100 km at 1,000 km; with mains within 300 km are b with 50 and c with 20. */
    public function testWhoHasTheSameResultIsListedAndHasAPlace(): void
    {
        $data = self::bursts([
            'home' => [400, 1000],
            'a' => [30, 2000],
            'b' => [600, 1200],
            'c' => [180, 900],
            'd' => [9, 100],
        ]);
        $study = self::compared($data, [])->study->withView('scatter');
        $of = static fn(?float $within): Comparison => Comparison::of(
            $study->withPart(ScatterPart::from(['measure' => 'mains', 'within' => $within])),
            $data,
        );
        $same = SameResult::of(Scattered::of($of(300.0)));
        self::assertSame(
            ['c', 'home', 'b'],
            array_map(static fn(ScatterPoint $p): string => $p->line->key, $same->points ?? []),
        );
        self::assertSame(
            'Home has the 2nd highest bursts of 3 with the same mains',
            Make::wording($of(300.0), '')->headline,
        );
        self::assertSame('Bursts against mains', Make::wording($of(null), '')->headline);
        $this->expectException(InvalidSetting::class);
        ScatterPart::from(['within' => 0]);
    }

    /**
     * @param array<string, mixed> $peers
     * @param array{string, array<string, mixed>} ...$stops
     */
    private static function compared(DataInMemory $data, array $peers, array ...$stops): Comparison
    {
        $rail = Rail::of();
        foreach ($stops === [] ? [['per-denominator', ['measure' => 'mains', 'times' => 100]]] : $stops as $stop) {
            $rail = $rail->with(StopCatalogue::make($stop[0], $stop[1]));
        }
        $study = Study::first('S', 'bursts', $data)
            ->withRail($rail)
            ->withPart(PeersPart::from(['band' => 'chance', ...$peers]));

        return Comparison::of($study, $data);
    }

    /**
     * @param array<string, array{int|float, int}> $rows bursts in a month, and km of mains
     * @param array<string, float> $people
     */
    private static function bursts(
        array $rows,
        int $months = 1,
        string $unit = 'bursts',
        array $people = [],
    ): DataInMemory {
        $bursts = $mains = $counted = [];
        foreach ($rows as $key => [$count, $length]) {
            $bursts[$key] = array_fill(0, $months, $count);
            $mains[$key] = [$length];
            $counted[$key] = [$people[$key] ?? strlen($key) * 1000 + (int) $count];
        }
        $measures = $tables = [];
        foreach (
            [
                'bursts' => [$unit, MeasureKind::Flow, '2020-01', $bursts],
                'mains' => ['km', MeasureKind::Stock, '2020', $mains],
                'people' => ['people', MeasureKind::Stock, '2020', $counted],
            ] as $name => [$in, $kind, $first, $series]
        ) {
            $measures[] = $measure = Make::measure($name, $in, $kind, $first);
            $tables[$name] = Make::table($measure, $first, $series);
        }
        $entities = array_map(
            static fn(string $k): Entity => new Entity($k, ucfirst($k), home: $k === 'home'),
            array_keys($rows),
        );

        return new DataInMemory($measures, $entities, $tables);
    }
}
