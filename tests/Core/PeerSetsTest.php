<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\InvalidPeerSet;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\PeerSetRules;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\Parts\ScatterPart;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Outcome\Scattered;
use DuskRail\Peers\Candidate;
use DuskRail\Peers\Membership;
use DuskRail\Peers\NearestPeers;
use DuskRail\Peers\PeerRules;
use DuskRail\Rail\Rail;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Views\Views;
use DuskRail\Words\Readout;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Reference\Table;

/** Whom one compares with: chosen once, and the same for every value. */
final class PeerSetsTest extends TestCase
{
    /** Distances of R's state.x77 from Ohio, calculated in plain R by tests/Reference/make/peers.R. */
    public function testDistancesAgreeWithR(): void
    {
        $series = $entities = $wanted = [];
        foreach (Table::rows('peers.csv') as [$name, $population, $income, $area, $region, $distance]) {
            $entities[] = new Entity(
                $name,
                $name,
                home: $name === 'Ohio',
                attributes: ['region' => $region, 'area' => $area],
            );
            $series['population'][$name] = [(float) $population];
            $series['income'][$name] = [(float) $income];
            $wanted[$name] = (float) $distance;
        }
        $data = self::with($series, $entities, '2020');
        $rules = self::set([
            'nearest' => [
                'to' => 'Ohio',
                'count' => 6,
                'weights' => [
                    'measure:population' => 1,
                    'measure:income' => 1,
                    'about:area' => 0.5,
                    'about:region' => 2,
                ],
            ],
        ]);
        $set = Membership::of($rules, $data, 'income');
        foreach ($set->candidates as $candidate) {
            if ($candidate->key !== 'Ohio') {
                self::assertEqualsWithDelta($wanted[$candidate->key], $candidate->distance, 1e-12, $candidate->key);
                self::assertGreaterThanOrEqual(0.0, min([0.0, ...array_values($candidate->parts)]), $candidate->key);
            }
        }
        unset($wanted['Ohio']);
        asort($wanted);
        self::assertSame(['Ohio', ...array_slice(array_keys($wanted), 0, 6)], $set->members());
        self::assertSame('The 6 nearest to Ohio by population, income, area × 0.5 and region × 2.', $set->inWords());
    }

    public function testASetSaysWhoIsInWhoIsOutAndWhy(): void
    {
        $months = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16];
        $ended = [...array_slice($months, 0, 2), ...array_fill(0, 14, null)];
        $series = [
            'flow' => [
                'home' => $months,
                'like' => $months,
                'small' => $months,
                'gap' => [null, ...array_slice($months, 1)],
                'ended' => $ended,
                'total' => $months,
                'unknown' => $months,
            ],
            'people' => [
                'home' => array_fill(0, 16, 50_000),
                'like' => array_fill(0, 16, 60_000),
                'small' => array_fill(0, 16, 1_000),
                'gap' => array_fill(0, 16, 40_000),
                'ended' => array_fill(0, 16, 50_000),
                'total' => array_fill(0, 16, 50_000),
            ],
        ];
        $entities = [];
        foreach (array_keys($series['flow']) as $key) {
            $entities[] = new Entity(
                $key,
                ucfirst($key),
                home: $key === 'home',
                attributes: $key === 'total' ? ['summary' => 'total'] : ['class' => $key === 'small' ? 'S' : 'M'],
            );
        }
        $data = self::with($series, $entities, '2020-01');
        $rules = self::set([
            'conditions' => [
                ['of' => 'measure:people', 'from' => '20,000', 'to' => 80000.0],
                ['of' => 'about:class', 'among' => ['M', 'L']],
            ],
            'since' => '2020',
        ]);
        $set = Membership::of($rules, $data, 'flow');
        self::assertSame(
            [
                'home' => 'home, compared with the set',
                'like' => '',
                'small' => 'people is 1,000',
                'gap' => '1 of 16 values since 2020 is missing',
                'ended' => 'ended in February 2020',
                'total' => 'a benchmark',
                'unknown' => 'people is not known',
            ],
            array_column(array_map(static fn(Candidate $c): array => [$c->key, $c->why], $set->candidates), 1, 0),
        );
        self::assertSame(['home', 'like'], $set->members());
        self::assertSame(
            'All with people from 20,000 to 80,000, class M or L and every value since 2020.',
            $set->inWords(),
        );
        // Kept as found, new values change nothing; found again, they do.
        $series['people']['small'] = array_fill(0, 16, 30_000);
        $later = self::with(
            $series,
            array_map(
                static fn(Entity $e): Entity => $e->key === 'small'
                    ? new Entity('small', 'Small', attributes: ['class' => 'M'])
                    : $e,
                $entities,
            ),
            '2020-01',
        );
        self::assertSame(['home', 'like', 'small'], Membership::of($rules, $later, 'flow')->members());
        self::assertSame(
            ['home', 'like'],
            Membership::of($rules->frozenAs(['home', 'like']), $later, 'flow')->members(),
        );
        // What ended is in no set, be it chosen by hand.
        $hand = self::set(['hand' => ['like', 'ended', 'small']]);
        self::assertSame(['like', 'small'], Membership::of($hand, $data, 'flow')->members());
        self::assertEquals($rules, PeerRules::set($rules->toArray()));
    }

    public function testWhatIsUnknownIsLeftOutOfADistanceAndSaid(): void
    {
        $series = [
            'size' => ['home' => [10], 'near' => [11], 'far' => [19], 'half' => [12], 'none' => [null], 'mid' => [14]],
            'rate' => ['home' => [5], 'near' => [5], 'far' => [9], 'none' => [4], 'mid' => [6]],
            'flow' => array_fill_keys(['home', 'near', 'far', 'half', 'none', 'mid'], [1]),
        ];
        $entities = array_map(static fn(string $k): Entity => new Entity($k, ucfirst($k)), array_keys($series['flow']));
        $rules = self::set([
            'nearest' => ['to' => 'home', 'count' => 3, 'weights' => ['measure:size' => 3, 'measure:rate' => 1]],
        ]);
        $set = Membership::of($rules, self::with($series, $entities, '2020'), 'flow');
        $said = array_column(array_map(static fn(Candidate $c): array => [$c->key, $c->why], $set->candidates), 1, 0);
        self::assertSame(['home', 'near', 'half', 'mid'], $set->members());
        self::assertSame('compared without rate', $said['half']);
        self::assertSame('too little is known: no size', $said['none']);
    }

    /** Twelve of its own size, by levels; where there are none by attributes that are numbers, and then by what there is. */
    public function testWhoIsAlikeIsProposedBySize(): void
    {
        $towns = static function (MeasureKind $kind, string $size): DataInMemory {
            $entities = $values = [];
            foreach (range(1, 40) as $n) {
                $entities[] = new Entity("t{$n}", "Town {$n}", home: $n === 7, attributes: ['size' => $size . $n]);
                $values["t{$n}"] = [$n];
            }
            $measure = Make::measure('flow', 'Ml', $kind, '2020');

            return new DataInMemory([$measure], $entities, ['flow' => Make::table($measure, '2020', $values)]);
        };
        $weights = static fn(MeasureKind $kind, string $size): array => NearestPeers::home(
            $towns($kind, $size),
        )->nearest
            ->weights ?? [];
        self::assertSame(['measure:flow' => 1.0, 'about:size' => 1.0], $weights(MeasureKind::Stock, ''));
        self::assertSame(['about:size' => 1.0], $weights(MeasureKind::Flow, ''));
        self::assertSame(['measure:flow' => 1.0], $weights(MeasureKind::Flow, 'class '));
        $rules = NearestPeers::home($towns(MeasureKind::Stock, ''));
        self::assertSame(['Like Town 7', 't7', 12], [$rules->name, $rules->nearest?->to, $rules->nearest?->count]);
    }

    /** Three months are what there is of a young table: they are compared, and two of them are half of it. */
    public function testAYoungTableIsComparedByWhatItHas(): void
    {
        $values = ['home' => [5, 7, 9], 'a' => [6, null, 8], 'b' => [null, null, 8], 'c' => [90, 90, 90]];
        $entities = array_map(static fn(string $k): Entity => new Entity($k, ucfirst($k)), array_keys($values));
        $rules = self::set(['nearest' => ['to' => 'home', 'count' => 1, 'weights' => ['measure:flow' => 1]]]);
        $set = Membership::of($rules, self::with(['flow' => $values], $entities, '2024-01'), 'flow');
        self::assertSame(['home', 'a'], $set->members());
        self::assertSame('too little is known: no flow', array_column($set->candidates, 'why', 'key')['b']);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'no name' => [['name' => ' '], 'Enter a name'];
        yield 'a condition of nothing' => [
            ['conditions' => [['of' => 'measure:people']]],
            'needs a lowest or a highest',
        ];
        yield 'bounds the wrong way round' => [
            ['conditions' => [['of' => 'measure:people', 'from' => 5, 'to' => 4]]],
            'Swap the two',
        ];
        yield 'a bound in words' => [
            ['conditions' => [['of' => 'measure:people', 'from' => 'many']]],
            'must be numbers',
        ];
        yield 'alike in nothing' => [
            ['nearest' => ['to' => 'a', 'count' => 3, 'weights' => []]],
            'at least one measure',
        ];
        yield 'no weight' => [['nearest' => ['to' => 'a', 'count' => 3, 'weights' => ['measure:x' => 0]]], 'above 0'];
        yield 'too many conditions' => [
            ['conditions' => array_fill(0, 21, ['of' => 'measure:people', 'from' => 1])],
            'at most 20 conditions',
        ];
        yield 'too many' => [['nearest' => ['to' => 'a', 'count' => 501, 'weights' => ['measure:x' => 1]]], '1 to 500'];
        yield 'no period' => [['since' => 'spring'], '“spring” is not a period'];
    }

    /** @param array<string, mixed> $given */
    #[DataProvider('wrong')]
    public function testASetThatCannotBeIsRefusedInWords(array $given, string $said): void
    {
        $this->expectException(InvalidPeerSet::class);
        $this->expectExceptionMessage($said);
        self::set($given);
    }

    /**
     * Every value that compares goes by the set: medians, places, ranks, scores, shares. Worked out by hand: home has
     * 7 among 4, 5 and 6, and 8, 9, 1 are outside.
     */
    public function testEveryFigureGoesByTheSetAndNoneByTheFocus(): void
    {
        $values = ['home' => [7], 'a' => [4], 'b' => [5], 'c' => [6], 'x' => [8], 'y' => [9], 'z' => [1]];
        $entities = array_map(
            static fn(string $k): Entity => new Entity($k, ucfirst($k), home: $k === 'home'),
            array_keys($values),
        );
        $set = self::set(['name' => 'Like Home', 'hand' => ['home', 'a', 'b', 'c']], 'like');
        $data = self::with(['flow' => $values], $entities, '2020', ['like' => $set]);
        $study = Study::first('S', 'flow', $data)->withPart(PeersPart::from(['set' => 'set:like']));
        $said = null;
        foreach (
            [['home' => 1], ['home' => 1, 'b' => 2, 'y' => 3], ['home' => 1, 'a' => 2, 'b' => 3, 'c' => 4]] as $focus
        ) {
            $comparison = Comparison::of($study->withFocus($focus), $data);
            self::assertSame([5.0], $comparison->peerLine);
            $position = PeerComparison::of($comparison)[0]->now();
            self::assertSame([1, 4], [$position->rank, $position->of]);
            self::assertSame(3, $comparison->peers->count(0));
            $wording = Views::of($comparison->study)->wording($comparison, '')->headline;
            $said ??= $wording;
            self::assertSame($said, $wording);
        }
        self::assertSame('Home: 7.00 in 2020; the median of the 3 peers in Like Home is 5.00', $said);
        // So do the words of a point, be they asked for one line or for all.
        $lineup = Lineup::of(Comparison::of($study, $data));
        $told = Readout::ofAll($lineup);
        foreach ($lineup->present() as $line) {
            self::assertSame(Readout::along($lineup, $line), $told[$line->key]);
        }
        self::assertSame(
            ['highest of 4 in Like Home', 'lowest of 5 of itself and the peers in Like Home'],
            [$told['home']['points'][0][2], $told['z']['points'][0][2]],
        );
        $ends = static function (string $stop, array $settings) use ($study, $data): array {
            $rail = Rail::of()->with(StopCatalogue::make($stop, $settings));
            $ends = [];
            foreach (Comparison::of($study->withRail($rail), $data)->lines as $line) {
                $ends[$line->key] = is_nan($line->values[0]) ? null : round($line->values[0], 6);
            }

            return $ends;
        };
        // Who is outside has its place among the set and itself.
        self::assertSame(
            ['home' => 1.0, 'a' => 4.0, 'b' => 3.0, 'c' => 2.0, 'x' => 1.0, 'y' => 1.0, 'z' => 5.0],
            $ends('rank', []),
        );
        self::assertSame(
            ['home' => 2.0, 'a' => -1.0, 'b' => 0.0, 'c' => 1.0, 'x' => 3.0, 'y' => 4.0, 'z' => -4.0],
            $ends('against', ['to' => 'median', 'as' => 'difference']),
        );
        // Mean 5.5 and deviation 1.290994 of 7, 4, 5, 6.
        self::assertSame(1.161895, $ends('standardise', [])['home']);
        self::assertSame(
            ['home' => 31.818182, 'x' => null],
            array_intersect_key($ends('share', []), ['home' => 1, 'x' => 1]),
        );
        // Leaving out who is outside changes nothing; the order of the set does not matter.
        $off = Comparison::of($study->withOff(['x', 'y', 'z']), $data);
        self::assertSame(
            [[5.0], 1, 4],
            [$off->peerLine, PeerComparison::of($off)[0]->now()->rank, PeerComparison::of($off)[0]->now()->of],
        );
    }

    public function testAGroupIsASetAndOldStudiesKnowItByAnotherName(): void
    {
        $data = self::with(
            ['flow' => ['home' => [7], 'a' => [4], 'b' => [9]]],
            [new Entity('home', 'Home', 'Hill', true), new Entity('a', 'A', 'Hill'), new Entity('b', 'B', 'Vale')],
            '2020',
        );
        self::assertEquals(PeersPart::from(['set' => 'group:Hill']), PeersPart::from(['group' => 'Hill']));
        $comparison = Comparison::of(
            Study::first('S', 'flow', $data)->withPart(PeersPart::from(['group' => 'Hill'])),
            $data,
        );
        self::assertSame([[4.0], 'Hill median'], [$comparison->peerLine, self::peerLineName($comparison)]);
        // A set that is no longer there is all of them.
        $lost = Comparison::of(
            Study::first('S', 'flow', $data)->withPart(PeersPart::from(['set' => 'set:gone'])),
            $data,
        );
        self::assertSame([6.5], $lost->peerLine);
    }

    private static function peerLineName(Comparison $comparison): string
    {
        return $comparison->study->part(PeersPart::class)->lineName($comparison->peers->chosen);
    }

    /** Of those in the set y = 2x + 1; x is far off, and outside. */
    public function testAFitInScatterGoesThroughTheSetAlone(): void
    {
        $along = ['home' => [1], 'a' => [2], 'b' => [3], 'c' => [4], 'x' => [5]];
        $up = ['home' => [3], 'a' => [5], 'b' => [7], 'c' => [9], 'x' => [90]];
        $entities = array_map(static fn(string $k): Entity => new Entity($k, $k, home: $k === 'home'), array_keys($up));
        $set = self::set(['hand' => ['home', 'a', 'b', 'c']], 'like');
        $data = self::with(['up' => $up, 'along' => $along], $entities, '2020', ['like' => $set]);
        $study = Study::first('S', 'up', $data)
            ->withView('scatter')
            ->withPart(ScatterPart::from(['measure' => 'along', 'fits' => '1']));
        $slope = static fn(Study $study): float => round(
            Scattered::of(Comparison::of($study, $data))->fits['']->slope,
            9,
        );
        self::assertGreaterThan(10.0, $slope($study));
        $like = $study->withPart(PeersPart::from(['set' => 'set:like']));
        self::assertSame([2.0, 2.0], [$slope($like), $slope($like->withFocus(['x' => 1]))]);
    }

    /** @param array<string, mixed> $given */
    private static function set(array $given, string $key = 'set'): PeerSetRules
    {
        return PeerRules::set(['key' => $key, 'name' => 'Set', ...$given]);
    }

    /**
     * @param array<string, array<string, list<float|int|null>>> $series by measure and entity
     * @param list<Entity> $entities
     * @param array<string, PeerSetRules> $sets
     */
    private static function with(array $series, array $entities, string $first, array $sets = []): DataInMemory
    {
        $measures = $tables = [];
        foreach ($series as $key => $values) {
            $measures[] = $measure = Make::measure($key, 'Ml', MeasureKind::Flow, $first);
            $tables[$key] = Make::table($measure, $first, $values);
        }

        return new DataInMemory($measures, $entities, $tables, peerSets: $sets);
    }
}
