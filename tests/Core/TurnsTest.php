<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Chart\Group as Drawn;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\LineState;
use DuskRail\Document\Parts\TurnsPart;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\LineTurns;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Signals\Notice;
use DuskRail\Signals\Signals;
use DuskRail\Statistics\BrokenLine;
use DuskRail\Statistics\SharedCourse;
use DuskRail\Statistics\TermSort;
use DuskRail\Statistics\Turn;
use DuskRail\Statistics\Turns;
use DuskRail\Views\Views;
use DuskRail\Words\LiveNumber;
use DuskRail\Words\Sentences\Claim;
use DuskRail\Words\Sentences\Sentences;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Since when a line goes as it goes: on series whose turns are known by construction, and on noise that has none. */
final class TurnsTest extends TestCase
{
    private const ROUNDS = 150;

    /** What a bend or a step would explain is told without fitting it; here it is fitted. */
    public function testWhatATermWouldExplainIsWhatItExplains(): void
    {
        mt_srand(7);
        for ($round = 0; $round < 40; $round++) {
            $places = array_values(array_filter(range(0, 40), static fn(): bool => mt_rand(0, 6) > 0));
            $x = array_map(floatval(...), $places);
            $y = array_map(static fn(float $at): float => self::normal() + 0.1 * $at, $x);
            $beside = array_map(static fn(): float => self::normal(), $x);
            $fit = BrokenLine::through($x, $y, mt_rand(0, 9) / 10, mt_rand(0, 1) === 1 ? [$beside] : []);
            $fit = mt_rand(0, 1) === 1 ? $fit->withTerm(TermSort::Bend, $x[12]) : $fit;
            foreach ($fit->gains([4, 11, 20, count($x) - 4]) as $at => [$bend, $step, $both]) {
                $bent = $fit->withTerm(TermSort::Bend, $x[$at]);
                $stepped = $fit->withTerm(TermSort::Step, $x[$at]);
                self::assertEqualsWithDelta($fit->squares() - $bent->squares(), $bend, 1e-8);
                self::assertEqualsWithDelta($fit->squares() - $stepped->squares(), $step, 1e-8);
                $squares = $bent->withTerm(TermSort::Step, $x[$at])->squares();
                self::assertEqualsWithDelta($fit->squares() - $squares, $both, 1e-8);
            }
        }
    }

    /** At most 7 % of series without a turn have one, and what chance adds to that; bench/turns.php does it at length. */
    #[TestWith([120, 1, 0.0, 0.0])]
    #[TestWith([120, 12, 0.8, 0.0])]
    #[TestWith([60, 12, 0.5, 0.1])]
    #[TestWith([30, 1, 0.0, 0.0])]
    #[TestWith([30, 1, 0.8, 0.1])]
    #[TestWith([120, 12, 0.0, 0.0, 1.0])]
    #[Group('slow')]
    public function testNoiseSeldomTurns(
        int $count,
        int $season,
        float $likeness,
        float $gaps,
        float $years = 0.0,
    ): void {
        mt_srand(2003);
        $found = 0;
        for ($round = 0; $round < self::ROUNDS; $round++) {
            // What all months of a year share, as large as what each has of its own.
            $good = array_map(static fn(): float => $years * self::normal(), range(0, intdiv($count, 12)));
            $course = static fn(int $i): float => $good[intdiv($i, 12)];
            $values = self::world($count, $season, $likeness, $course, $gaps);
            $found += Turns::in($values, $season)->turns === [] ? 0 : 1;
        }
        self::assertLessThanOrEqual(self::ROUNDS * 0.07 + 5, $found);
    }

    /** A bend by half a standard deviation a year, a bend late, a step, and two bends: where, how many, and how sure. */
    #[TestWith([120, 12, 0.0, 'bend', 0.0417, 0.72])]
    #[TestWith([120, 12, 0.0, 'late', 0.1, 0.9])]
    #[TestWith([30, 1, 0.0, 'bend', 0.5, 0.68])]
    #[TestWith([120, 1, 0.5, 'bend', 0.125, 0.84])]
    #[TestWith([120, 1, 0.0, 'step', 3.0, 0.9])]
    #[TestWith([120, 1, 0.0, 'two', 0.1, 0.78])]
    #[Group('slow')]
    public function testTurnsAreFoundWhereTheyAre(
        int $count,
        int $season,
        float $likeness,
        string $what,
        float $size,
        float $least,
    ): void {
        mt_srand(1998);
        $at = match ($what) {
            'late' => [intdiv(3 * $count, 4)],
            'two' => [intdiv($count, 3), intdiv(2 * $count, 3)],
            default => [intdiv($count, 2)],
        };
        $course = static fn(int $i): float => match ($what) {
            'step' => $i >= $at[0] ? $size : 0.0,
            'two' => $size * (max(0, $i - $at[0]) - 2 * max(0, $i - ($at[1] ?? 0))),
            default => $size * max(0, $i - $at[0]),
        };
        $found = $within = 0;
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $turns = Turns::in(self::world($count, $season, $likeness, $course), $season);
            if (count($turns->turns) !== count($at)) {
                continue;
            }
            $found += count($at);
            foreach ($at as $k => $place) {
                [$low, $high] = $turns->interval($k);
                $within += $low <= $place && $place <= $high ? 1 : 0;
            }
        }
        self::assertGreaterThan($least * self::ROUNDS * count($at), $found);
        self::assertGreaterThan(0.88 * $found, $within);
    }

    /** The whole trade jumped in the 40th month, and one member turned in the 70th: the latter is its turn. */
    public function testAShockThatAllSharedIsNoTurnOfOne(): void
    {
        mt_srand(40);
        $own = 0;
        for ($round = 0; $round < 30; $round++) {
            $jump = static fn(int $i): float => $i >= 40 ? 15.0 : 0.0;
            $others = [];
            for ($k = 0; $k < 11; $k++) {
                $others[] = self::world(110, 12, 0.3, $jump);
            }
            $values = self::world(110, 12, 0.3, static fn(int $i): float => $jump($i) - 0.25 * max(0, $i - 70));
            $shared = SharedCourse::of($others, 12);
            $turns = Turns::in($values, 12, $shared)->turns;
            $own += count($turns) === 1 && abs($turns[0]->position - 70) <= 6 ? 1 : 0;
            // By itself it jumped.
            self::assertContains(40, array_column(Turns::in($values, 12)->turns, 'position'));
        }
        self::assertGreaterThanOrEqual(26, $own);
        // Too few have nothing in common that could be told from one of them.
        self::assertSame([], SharedCourse::of(array_slice($others, 0, 3), 12)->values);
        self::assertCount(110, SharedCourse::of(array_slice($others, 0, 4), 12)->values);
    }

    public function testCoursesWithoutScatterAndTooFewValues(): void
    {
        $bent = array_map(static fn(int $i): float => 10.0 + $i + 2.0 * max(0, $i - 9), range(0, 19));
        $turns = Turns::in($bent);
        self::assertSame([9], array_column($turns->turns, 'position'));
        self::assertEqualsWithDelta([1.0, 3.0], [$turns->turns[0]->before, $turns->turns[0]->after], 1e-9);
        self::assertEqualsWithDelta($bent, $turns->course, 1e-9);
        // What rounding leaves of a slope is no slope: it rises, and then is level.
        $level = Turns::in(array_map(floatval(...), [...range(10, 20), ...array_fill(0, 12, 20)]));
        self::assertSame([1, 0], [$turns->direction(), $level->direction()]);
        self::assertSame([10], array_column($level->turns, 'position'));
        $none = self::none(...);
        $carried = [[], 'no turn that the data carry'];
        self::assertSame($carried, $none(array_fill(0, 20, 0.0)));
        self::assertSame($carried, $none(array_map(static fn(int $i): float => 3.0 * $i, range(0, 19))));
        // What bends all along does not turn anywhere.
        $curve = array_map(static fn(int $i): float => 100.0 * 1.05 ** $i, range(0, 39));
        self::assertSame([[], 'the course bends smoothly, without a turn'], $none($curve));
        // Ten values are enough, nine are not; of months it takes three years.
        self::assertSame([[], 'fewer than ten values'], $none(array_slice($bent, 4, 9)));
        self::assertSame([9 - 4], array_column(Turns::in(array_slice($bent, 4, 10))->turns, 'position'));
        self::assertSame('fewer than three years', Turns::in(array_slice(self::noise(36), 0, 35), 12)->reason);
        self::assertSame('no turn that the data carry', Turns::in(self::noise(36), 12)->reason);
    }

    /** One wild value near the end bends the line; the others since then, hidden from the fit, do not confirm it. */
    #[TestWith([24, 19, 24.0])]
    #[TestWith([30, 26, 24.0])]
    #[TestWith([40, 36, 20.0])]
    public function testOneWildValueNearTheEndIsNoTurn(int $count, int $at, float $off): void
    {
        mt_srand(3);
        $values = array_map(static fn(): float => 100.0 + mt_rand(-100, 100) / 100, range(1, $count));
        $values[$at] += $off;
        $turns = Turns::in(array_values($values));
        self::assertSame([], $turns->turns);
        self::assertSame('values that the fit did not see do not confirm a turn', $turns->reason);
    }

    /** What is said, drawn and filled in is of the same turn: falling by half a unit a month from January 2018 on. */
    public function testTheLastTurnIsSaidEverywhere(): void
    {
        mt_srand(11);
        $course = static fn(int $i): float => -0.5 * max(0, $i - 48);
        $series = ['home' => self::world(96, 1, 0.0, $course)];
        foreach (['a', 'b', 'c', 'd'] as $key) {
            $series[$key] = self::world(96, 1, 0.0, static fn(int $i): float => 0.0);
        }
        $data = Make::data(['x' => ['Ml', MeasureKind::Flow, '2014-01', $series]]);
        $study = Make::study($data);
        $comparison = Comparison::of($study, $data);
        $turns = $comparison->courses->turns($comparison->lines[0]);
        self::assertNotNull($turns);
        $last = $turns->last();
        self::assertNotNull($last);
        // Within the interval is the month that it was made to turn in.
        $between = $turns->between($last);
        self::assertLessThanOrEqual('2018-01', $between->first->code());
        self::assertGreaterThanOrEqual('2018-01', $between->last->code());
        self::assertEqualsWithDelta(-0.5, $turns->pace(), 0.04);
        $when = $turns->period($last)->label();
        $pace = number_format(abs($turns->pace()), 2);
        $sentence = "/^Home has been falling by {$pace} Ml a month since {$when} \\(\\w+/m";
        self::assertMatchesRegularExpression($sentence, implode("\n", self::claims($comparison)));
        $verdict = "falling since {$turns->period($last)->short()}";
        self::assertSame($verdict, $comparison->verdict($comparison->courses->course($comparison->lines[0])->trend));
        $sparks = Views::of($study->withView('sparks'))->values($comparison);
        $verdicts = array_map(static fn(array $row): mixed => end($row), $sparks->rows);
        self::assertContains($verdict, $verdicts);
        self::assertSame("fell by {$pace} Ml a month", LiveNumber::filled('fell by {pace Home}', $comparison));
        self::assertStringContainsString("{$when} (", LiveNumber::filled('{since Home}', $comparison));
        // What goes against the figures is noticed, and so is what has no turn.
        $faults = static fn(string $words): string => implode(' ', LiveNumber::faults($words, $comparison));
        self::assertStringContainsString('The text says up', $faults('rose by {pace Home}'));
        self::assertStringContainsString('A has no turn', $faults('{since A}'));
        self::assertSame('', $faults('fell by {pace Home} since {since Home}'));
        // Through a rolling mean the values before the window are looked at.
        $rolled = Comparison::of(Make::study($data, StopCatalogue::make('rolling', ['window' => '12'])), $data);
        $rolledTurns = $rolled->courses->turns($rolled->lines[0]);
        self::assertSame($last->position, $rolledTurns?->last()?->position);
        // Twelve together fall twelve times as fast.
        $rail = StopCatalogue::make('rolling', ['window' => '12', 'statistic' => 'sum']);
        $summed = Comparison::of(Make::study($data, $rail), $data);
        self::assertEqualsWithDelta(12 * $turns->pace(), $summed->courses->turns($summed->lines[0])?->pace(), 1e-9);
    }

    public function testTurnsAreDrawnWhereTheyAreAskedFor(): void
    {
        mt_srand(12);
        $series = [
            'home' => self::world(60, 1, 0.0, static fn(int $i): float => 0.6 * max(0, $i - 30)),
            'calm' => self::world(60, 1, 0.0, static fn(int $i): float => 0.0),
        ];
        $data = Make::data(['x' => ['Ml', MeasureKind::Flow, '1960', $series]]);
        $study = Make::study($data);
        self::assertSame([], array_intersect(self::drawn($study, $data), ['turn', 'bent-line', 'turn-date']));
        $shown = $study->withPart(TurnsPart::from(['turns' => 'shown']));
        $roles = array_intersect(self::drawn($shown, $data), ['turn', 'bent-line', 'turn-date']);
        self::assertSame(['turn', 'bent-line', 'turn-date'], array_values($roles));
        $subtitle = static fn(Study $of): string => Make::wording(Comparison::of($of, $data), '')->subtitle;
        self::assertStringContainsString('turns, shaded: 95 % interval', $subtitle($shown));
        $bare = $study->withPart(TurnsPart::from(['turns' => 'shown', 'course' => '0', 'interval' => '0']));
        self::assertNotContains('bent-line', self::drawn($bare, $data));
        self::assertStringEndsWith('; turns', $subtitle($bare));
        // Where there are none, it is said why.
        $calm = $shown->withState('home', LineState::Peer)->withState('calm', LineState::Focus);
        self::assertSame([], LineTurns::shown(Comparison::of($calm, $data)));
        $notices = array_map(static fn(Notice $n): string => $n->sentence, Signals::of(Comparison::of($calm, $data)));
        self::assertContains('No turns are shown of Calm: no turn that the data carry.', $notices);
        $total = $shown->withRail($shown->rail->with(StopCatalogue::make('running-total', [])));
        $notices = array_map(static fn(Notice $n): string => $n->sentence, Signals::of(Comparison::of($total, $data)));
        self::assertContains('No turns are shown: Home is a running total or has no current value.', $notices);
    }

    /**
     * @param list<float> $values
     * @return array{list<Turn>, string}
     */
    private static function none(array $values): array
    {
        return [Turns::in($values)->turns, Turns::in($values)->reason];
    }

    /** @return list<string> */
    private static function drawn(Study $study, DataInMemory $data): array
    {
        return array_map(
            static fn(object $mark): string => $mark instanceof Drawn ? $mark->role : '',
            Make::picture(Comparison::of($study, $data))->marks,
        );
    }

    /** @return list<string> */
    private static function claims(Comparison $comparison): array
    {
        return array_map(
            static fn(Claim $claim): string => LiveNumber::filled($claim->sentence, $comparison),
            Sentences::of($comparison),
        );
    }

    /**
     * A course in first-order noise of standard deviation one, with a season and gaps if so wanted.
     *
     * @param callable(int): float $course
     * @return list<float>
     */
    private static function world(int $count, int $season, float $likeness, callable $course, float $gaps = 0.0): array
    {
        $values = [];
        $noise = self::normal();
        for ($i = 0; $i < $count; $i++) {
            $swing = $season > 1 ? 3.0 * sin((2 * M_PI * $i) / $season) : 0.0;
            $isGap = $gaps > 0.0 && mt_rand() / mt_getrandmax() < $gaps;
            $values[] = $isGap ? NAN : 100.0 + $noise + $swing + $course($i);
            $noise = $likeness * $noise + sqrt(1 - $likeness ** 2) * self::normal();
        }

        return $values;
    }

    /** @return list<float> */
    private static function noise(int $count): array
    {
        mt_srand(1);

        return self::world($count, 1, 0.0, static fn(int $i): float => 0.0);
    }

    private static function normal(): float
    {
        return sqrt(-2 * log((mt_rand() + 1) / (mt_getrandmax() + 2))) * cos((2 * M_PI * mt_rand()) / mt_getrandmax());
    }
}
