<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Members;
use DuskRail\Data\Presence;
use DuskRail\Document\Changes\Changes;
use DuskRail\Document\Parts\LinesPart;
use DuskRail\Document\Parts\StackPart;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Edit;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\Stacked;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Signals\Notice;
use DuskRail\Signals\Signals;
use DuskRail\Statistics\Quantile;
use DuskRail\Time\Frequency;
use PHPUnit\Framework\TestCase;

/** Who is in a sum, period by period: the rule, and every sum that asks it. */
final class PresenceTest extends TestCase
{
    public function testAMemberGoesOnForAYearAfterItsLastValueAndThenHasEnded(): void
    {
        $rows = [
            'all' => array_fill(0, 30, 1.0),
            'late' => [NAN, ...array_fill(0, 17, 2.0), ...array_fill(0, 12, NAN)],
            // One month earlier: more than a year before the last of the others.
            'ended' => [2.0, NAN, ...array_fill(0, 15, 2.0), ...array_fill(0, 13, NAN)],
        ];
        $members = Members::of($rows, Frequency::Month);
        self::assertSame(
            [Presence::NotBegun, Presence::There, Presence::Late, Presence::Late],
            array_map(static fn(int $at): Presence => $members->presence('late', $at), [0, 17, 18, 29]),
        );
        self::assertSame(
            [Presence::There, Presence::Missing, Presence::There, Presence::Ended],
            array_map(static fn(int $at): Presence => $members->presence('ended', $at), [0, 1, 16, 17]),
        );
        $belong = static fn(int $at): int => count(
            array_filter(array_keys($rows), static fn(string $key): bool => $members->presence($key, $at)->belongs()),
        );
        self::assertSame([2, 3, 2], array_map($belong, [0, 16, 29]));
        self::assertSame(['all'], $members->throughout());
        // Along plain numbers each line ends where it ends.
        self::assertSame(Presence::Ended, Members::of($rows, Frequency::Number)->presence('late', 29));
    }

    /** Who makes up a median at both ends, counted and calculated here once more. */
    public function testAMedianOfOthersAtTheEndThanAtTheBeginningIsSaid(): void
    {
        mt_srand(176);
        $said = $silent = 0;
        for ($round = 0; $round < 200; $round++) {
            $rows = ['home' => array_fill(0, 6, 50.0)];
            for ($n = 0; $n < 7; $n++) {
                $base = mt_rand(10, 400);
                $kind = mt_rand(0, 5);
                $value = static fn(int $i): ?float => ($kind === 0 && $i < 2) || ($kind === 1 && $i === 5)
                    ? null
                    : (float) ($base + $i * mt_rand(0, 9));
                $rows["p{$n}"] = array_map($value, range(0, 5));
            }
            $data = Make::data(['m' => ['', MeasureKind::Stock, '2019', $rows]]);
            $comparison = Comparison::of(Make::study($data), $data);
            $isOwn = static fn(Notice $n): bool => str_starts_with($n->id, 'changed-');
            $own = array_values(array_filter(Signals::of($comparison), $isOwn));
            $last = $comparison->reference;
            $peers = array_diff_key($rows, ['home' => 0]);
            $at = static fn(array $of, int $i): array => array_filter(array_column($of, $i), is_float(...));
            $median = static fn(array $of, int $i): float => Quantile::of(array_values($at($of, $i)), 0.5);
            $isWhole = static fn(array $of): bool => !in_array(null, array_slice($of, 0, $last + 1), true);
            $same = array_filter($peers, $isWhole);
            $isAnother = static fn(array $of): bool => ($of[0] === null) !== ($of[$last] === null);
            $isSame = array_filter($peers, $isAnother) === [];
            [$then, $now] = [$median($peers, 0), $median($peers, $last)];
            [$sameThen, $sameNow] = $same === [] ? [NAN, NAN] : [$median($same, 0), $median($same, $last)];
            $off = abs($now - $then - $sameNow + $sameThen);
            if ($isSame || count($same) < 2 || is_nan($off) || $off < 0.01 * max($then, $sameThen)) {
                self::assertSame([], $own);
                $silent++;
                continue;
            }
            $text = $comparison->format(...);
            $lacking = [];
            foreach ([[0, $last], [$last, 0]] as [$here, $there]) {
                $isLacking = static fn(array $of): bool => $of[$here] === null && $of[$there] !== null;
                $names = array_map(ucfirst(...), array_keys(array_filter($peers, $isLacking)));
                if (count($names) > 3) {
                    $names = [$names[0], $names[1], count($names) - 2 . ' more'];
                }
                $end = array_pop($names);
                $names = $names === [] ? $end : implode(', ', $names) . " and {$end}";
                $lacking = $end === null ? $lacking : [...$lacking, "without {$names} in " . (2019 + $here)];
            }
            self::assertSame(
                'Peer median: ' . implode(', ', $lacking) . '. Of the ' . count($same) .
                    " with a value throughout it went from {$text($sameThen)} to {$text($sameNow)}, " .
                    "not from {$text($then)} to {$text($now)}.",
                $own[0]->sentence ?? '',
            );
            $said++;
            // One click, and it is so.
            $kept = Edit::of(Changes::read('set', $own[0]->input), $comparison->document, $data);
            self::assertSame([$sameThen, $sameNow], [$kept->peerLine[0], $kept->peerLine[$last]]);
            self::assertSame(count($same), $kept->peers->size());
        }
        self::assertGreaterThan(15, $said);
        self::assertGreaterThan(15, $silent);
    }

    /** The rule once more, on random tables: groups, stacks, shares and what they say of the largest. */
    public function testNoSumLacksAValueUnlessItIsAskedFor(): void
    {
        mt_srand(2712);
        $blank = $said = 0;
        for ($round = 0; $round < 120; $round++) {
            [$data, $rows, $year] = self::random();
            $count = count($rows['s0']);
            $latest = max([0, ...array_values(array_map(self::last(...), $rows))]);
            foreach (['blank', 'there', 'same'] as $incomplete) {
                $kept =
                    $incomplete !== 'same'
                        ? $rows
                        : array_filter($rows, static fn(array $own): bool => self::isThroughout($own, $rows));
                $study = Study::first('Study', 'flow', $data)
                    ->withPart(LinesPart::from(['groups' => ['Up'], 'incomplete' => $incomplete]))
                    ->withPart(StackPart::from(['incomplete' => $incomplete, 'top' => 2]))
                    ->withView('stack');
                $comparison = Comparison::of($study, $data);
                $stacked = Stacked::of(Lineup::of($comparison));
                $shares = Comparison::of(
                    $study->withRail($study->rail->with(StopCatalogue::make('share', ['incomplete' => $incomplete]))),
                    $data,
                );
                for ($i = 0; $i < $count; $i++) {
                    $there = array_filter($kept, static fn(array $own): bool => $own[$i] !== null);
                    $lacks = array_filter(
                        $rows,
                        static fn(array $own): bool => $own[$i] === null &&
                            $i > self::first($own) &&
                            ($i < self::last($own) || self::last($own) >= $latest - $year),
                    );
                    $isBlank = $there === [] || ($incomplete === 'blank' && $lacks !== []);
                    $blank += $isBlank ? 1 : 0;
                    $values = array_map(static fn(array $own): float => (float) $own[$i], $there);
                    $total = $isBlank ? NAN : array_sum($values);
                    self::assertAlike($total, $comparison->line('g:Up')->values[$i] ?? NAN);
                    self::assertAlike($total, $stacked->totals[$i] ?? NAN);
                    rsort($values);
                    self::assertAlike(
                        $total > 0.0 ? (100.0 * array_sum(array_slice($values, 0, 3))) / $total : NAN,
                        $kept === [] ? NAN : $stacked->largest(3, $i),
                    );
                    foreach (array_keys($rows) as $key) {
                        self::assertAlike(
                            isset($there[$key]) && $total > 0.0 ? (100.0 * $there[$key][$i]) / $total : NAN,
                            $shares->line($key)->values[$i] ?? NAN,
                        );
                    }
                }
                $notices = array_filter(
                    Signals::of($comparison),
                    static fn(Notice $notice): bool => str_starts_with($notice->id, 'incomplete-stack'),
                );
                $isIncomplete =
                    $incomplete === 'same' ? count($kept) < count($rows) : self::lacks($rows, $latest, $year);
                self::assertSame($isIncomplete ? 1 : 0, count($notices), $incomplete);
                $said += count($notices);
            }
        }
        self::assertGreaterThan(100, $blank);
        self::assertGreaterThan(50, $said);
    }

    /** Ash has no 2021 yet: the group is blank there, and no sentence makes a fall of it. */
    public function testALateMemberDoesNotMakeItsGroupFall(): void
    {
        $rows = array_fill_keys(['ash', 'birch', 'cedar', 'elm', 'fir'], array_fill(0, 12, 100));
        $rows['ash'][11] = null;
        $groups = ['ash' => 'Up', 'birch' => 'Up', 'cedar' => 'Up', 'elm' => 'Down', 'fir' => 'Down'];
        $data = self::grouped(['2010', $rows], $groups);
        $comparison = Comparison::of(
            Study::first('Study', 'flow', $data)->withPart(LinesPart::from(['groups' => ['Up', 'Down']])),
            $data,
        );
        $up = $comparison->line('g:Up');
        self::assertSame([300.0, true], [$up?->values[10], is_nan($up->values[11] ?? 0.0)]);
        self::assertContains(
            'Up is blank in 2021, where Ash has no value.',
            array_map(static fn(Notice $n): string => $n->sentence, Signals::of($comparison)),
        );
    }

    /** Ratios without a weight have a mean and no sum, which nothing leaves blank. */
    public function testAMeanOfRatiosIsNotSaidToBeBlank(): void
    {
        $plain = Make::data(['rate' => ['%', MeasureKind::Rate, '2020', ['a' => [1, 2, 3], 'b' => [4, 5, null]]]]);
        $entities = [new Entity('a', 'A', 'Up'), new Entity('b', 'B', 'Up')];
        $data = new DataInMemory(array_values($plain->measures()), $entities, ['rate' => $plain->table('rate')]);
        $comparison = Comparison::of(
            Study::first('Study', 'rate', $data)->withPart(LinesPart::from(['groups' => ['Up']])),
            $data,
        );
        self::assertSame([2.5, 3.5, 3.0], $comparison->line('g:Up')?->values);
        foreach (Signals::of($comparison) as $notice) {
            self::assertStringNotContainsString('is blank', $notice->sentence);
        }
    }

    /** @return array{DataInMemory, array<string, list<float|null>>, int} data, values by entity, periods in a year */
    private static function random(): array
    {
        $monthly = mt_rand(0, 1) === 1;
        $length = $monthly ? mt_rand(10, 40) : mt_rand(3, 14);
        $rows = [];
        for ($n = 0, $count = mt_rand(2, 6); $n < $count; $n++) {
            $begins = mt_rand(0, 2) === 0 ? mt_rand(0, intdiv($length, 2)) : 0;
            $ends = mt_rand(0, 1) === 0 ? mt_rand(intdiv($length, 2), $length - 1) : $length - 1;
            for ($i = 0; $i < $length; $i++) {
                $isGap = $i < $begins || $i > $ends || mt_rand(0, 60) === 0;
                $rows["s{$n}"][] = $isGap ? null : (float) mt_rand(1, 900);
            }
        }
        // Somebody is there in every period, so that none is one in which nobody was measured.
        $rows['s0'] = array_map(static fn(?float $v): float => $v ?? 7.0, $rows['s0']);
        $rows = array_filter($rows, static fn(array $own): bool => array_filter($own, is_float(...)) !== []);

        return [
            self::grouped([$monthly ? '2020-01' : '2005', $rows], array_fill_keys(array_keys($rows), 'Up')),
            $rows,
            $monthly ? 12 : 1,
        ];
    }

    /**
     * @param array{string, array<string, list<float|int|null>>} $flow first period and values
     * @param array<string, string> $groups
     */
    private static function grouped(array $flow, array $groups): DataInMemory
    {
        $plain = Make::data(['flow' => ['Ml', MeasureKind::Flow, ...$flow]]);

        return new DataInMemory(
            array_values($plain->measures()),
            array_map(
                static fn(string $key, string $group): Entity => new Entity($key, ucfirst($key), $group),
                array_keys($groups),
                $groups,
            ),
            ['flow' => $plain->table('flow')],
        );
    }

    /** @param list<float|null> $own */
    private static function first(array $own): int
    {
        return (int) array_key_first(array_filter($own, is_float(...)));
    }

    /** @param list<float|null> $own */
    private static function last(array $own): int
    {
        return (int) array_key_last(array_filter($own, is_float(...)));
    }

    /**
     * @param list<float|null> $own
     * @param array<string, list<float|null>> $rows
     */
    private static function isThroughout(array $own, array $rows): bool
    {
        foreach ($rows as $other) {
            if (array_diff_key(array_filter($other, is_float(...)), array_filter($own, is_float(...))) !== []) {
                return false;
            }
        }

        return true;
    }

    /** @param array<string, list<float|null>> $rows */
    private static function lacks(array $rows, int $latest, int $year): bool
    {
        foreach ($rows as $own) {
            $until = self::last($own) >= $latest - $year ? $latest : self::last($own);
            if (in_array(null, array_slice($own, self::first($own), $until - self::first($own) + 1), true)) {
                return true;
            }
        }

        return false;
    }

    private static function assertAlike(float $expected, float $found): void
    {
        if (is_nan($expected)) {
            self::assertNan($found);
        } else {
            self::assertEqualsWithDelta($expected, $found, 1e-9 * max(1.0, abs($expected)));
        }
    }
}
