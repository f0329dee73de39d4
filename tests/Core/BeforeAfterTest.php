<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\Changes\Changes;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Parts\BeforeAfterPart;
use DuskRail\Document\Parts\Mark;
use DuskRail\Document\Parts\MarksPart;
use DuskRail\Document\Study;
use DuskRail\Outcome\BeforeAfter;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\MemberChange;
use DuskRail\Rail\EventDates;
use DuskRail\Rail\PlacedStop;
use DuskRail\Rail\Rail;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Refusal;
use DuskRail\Settings\InvalidSetting;
use DuskRail\Signals\NotParallel;
use DuskRail\Statistics\Cohort;
use DuskRail\Statistics\DifferenceInDifferences;
use DuskRail\Statistics\EventPanel;
use DuskRail\Statistics\EventSpans;
use DuskRail\Statistics\PlaceboMembers;
use DuskRail\Views\BeforeAfterView;
use DuskRail\Words\BeforeAfterWords;
use DuskRail\Words\LiveNumber;
use DuskRail\Words\Sentences\AfterEvent;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What changed after an event, against truths that are built in and sums that are done here a second time. */
final class BeforeAfterTest extends TestCase
{
    /** Both spans hold the same seasons, whole years next to the event; neither holds what is left between. */
    public function testSpansHoldTheSameSeasonsOnBothSides(): void
    {
        mt_srand(7);
        for ($n = 0; $n < 400; $n++) {
            $season = [1, 4, 12][mt_rand(0, 2)];
            $spans = new EventSpans(mt_rand(1, 30), $season, mt_rand(0, 14));
            $event = mt_rand(60, 80);
            // What a position gives shows in the means: one value of 1 among zeros.
            [$before, $after] = [[], []];
            for ($i = 0; $i < 140; $i++) {
                $values = array_fill(0, 140, 0.0);
                $values[$i] = 1.0;
                [$early, $late] = $spans->means(array_values($values), $event);
                if ($early > 0.0) {
                    $before[] = $i;
                }
                if ($late > 0.0) {
                    $after[] = $i;
                }
            }
            $first = $event + $spans->skip;
            self::assertNotSame([], $before);
            self::assertSame(range($first, $first + $spans->length - 1), $after);
            self::assertCount($spans->length, $before);
            self::assertLessThan($event, max([-1, ...$before]));
            self::assertSame($spans->before($event), min([999, ...$before]));
            $inSeason = static fn(int $i): int => $i % $season;
            self::assertEqualsCanonicalizing(array_map($inSeason, $after), array_map($inSeason, $before));
            if ($spans->length % $season === 0) {
                self::assertSame($event - 1, max([-1, ...$before]));
            }
            self::assertTrue($spans->fit($event, $first + $spans->length));
            self::assertFalse($spans->fit($event, $first + $spans->length - 1));
            $earliest = $event - min([999, ...$before]);
            self::assertTrue($spans->fit($earliest, 140));
            self::assertFalse($spans->fit($earliest - 1, 140));
        }
    }

    /** What is missing after is left out before as well, in the same season: seasons alone make no change. */
    public function testAGapTakesItsPartnerWithIt(): void
    {
        mt_srand(8);
        for ($n = 0; $n < 200; $n++) {
            $spans = new EventSpans(12 * mt_rand(1, 2), 12, mt_rand(0, 14));
            $values = array_map(static fn(int $i): float => 50.0 + 10.0 * ($i % 12), range(0, 99));
            foreach (array_rand($values, 10) as $i) {
                $values[$i] = NAN;
            }
            self::assertEqualsWithDelta(0.0, $spans->change(array_values($values), 44, false), 1e-9);
        }
    }

    /** Four of five are enough for long spans, three are not; where nobody has a year, as much as there is. */
    public function testUsualSpansAreThoseThatMostHave(): void
    {
        self::assertSame(36, self::usual([50, 50, 50, 50, 12]));
        self::assertSame(12, self::usual([50, 50, 50, 12, 12]));
        self::assertSame(24, self::usual([50, 24]) ?? 0);
        self::assertSame(7, self::usual([113]));
        self::assertNull(self::usual([0]));
    }

    public function testHalfOfThePairsMustBeThere(): void
    {
        $spans = new EventSpans(4);
        self::assertSame([1.5, 6.5], $spans->means([1.0, 2.0, NAN, 4.0, 6.0, 7.0, 8.0, NAN], 4));
        self::assertNan($spans->means([1.0, NAN, NAN, 4.0, 6.0, 7.0, 8.0, NAN], 4)[0]);
    }

    /** 300 random panels with gaps, events at one time or several, in per cent or not: sums done here once more. */
    public function testDifferencesAreThoseOfTheMembersOneByOne(): void
    {
        mt_srand(11);
        for ($n = 0; $n < 300; $n++) {
            $isRelative = $n % 2 === 0;
            [$panel, $spans] = $this->randomPanel($isRelative, $n % 3 + 1);
            $with = $without = $weights = [];
            foreach ($panel->events as $key => $event) {
                $change = $spans->change($panel->with[$key], $event, $isRelative);
                $others = array_filter(
                    array_map(
                        static fn(array $values): float => $spans->change($values, $event, $isRelative),
                        $panel->without,
                    ),
                    static fn(float $v): bool => !is_nan($v),
                );
                if (!is_nan($change) && $others !== []) {
                    $with[] = $change;
                    $without[] = array_sum($others) / count($others);
                    foreach (array_keys($others) as $other) {
                        $weights[$other] = true;
                    }
                }
            }
            $found = $panel->difference($spans);
            if ($with === []) {
                self::assertNull($found);
                continue;
            }
            self::assertNotNull($found);
            self::assertEqualsWithDelta(array_sum($with) / count($with), $found->with, 1e-9);
            self::assertEqualsWithDelta(array_sum($without) / count($without), $found->without, 1e-9);
            self::assertSame([count($with), count($weights)], [$found->countWith, $found->countWithout]);
        }
    }

    public function testTheSpreadOfOneSideIsTakenForBothWhereTheOtherIsTooSmall(): void
    {
        $two = DifferenceInDifferences::of([new Cohort([1.0, 2.0], [0.0, 1.0, 2.0])]);
        self::assertTrue($two->isPooled);
        self::assertSame(3.0, $two->freedom);
        $three = DifferenceInDifferences::of([new Cohort([1.0, 2.0, 3.0], [0.0, 1.0, 2.0])]);
        self::assertFalse($three->isPooled);
        self::assertEqualsWithDelta(sqrt(2 / 3), $three->error, 1e-12);
        $one = DifferenceInDifferences::of([new Cohort([1.0], [0.0])]);
        self::assertNan($one->reach());
        self::assertFalse($one->isBeyondChance());
        self::assertSame(0.0, DifferenceInDifferences::of([new Cohort([1.0, 1.0], [0.0, 0.0])])->p());
    }

    /** One against the rest is placed by its distance; of two all pairs are tried, up to 2,000. */
    public function testPlaceboMembersAreAllOthersInItsPlace(): void
    {
        mt_srand(5);
        for ($n = 0; $n < 30; $n++) {
            $changes = array_map(static fn(): array => [mt_rand(-1000, 1000) / 100], range(1, 12));
            $found = PlaceboMembers::of([1], $changes);
            self::assertNotNull($found);
            $far = [];
            foreach ($changes as $i => $own) {
                $rest = array_column(array_diff_key($changes, [$i => true]), 0);
                $mean = array_sum($rest) / count($rest);
                $spread = array_sum(array_map(static fn(float $v): float => ($v - $mean) ** 2, $rest)) / 10;
                $far[] = abs($own[0] - $mean) / sqrt($spread);
            }
            $asLarge = array_filter($far, static fn(float $t): bool => $t >= $far[0] - 1e-9);
            self::assertSame([count($asLarge), 12, true], [$found->asLarge, $found->of, $found->isAll]);
        }
        $many = static fn(int $count): array => array_map(static fn(int $i): array => [sin($i)], range(1, $count));
        foreach ([63 => [1953, true], 64 => [1000, false], 301 => [100, false]] as $count => $expected) {
            $found = PlaceboMembers::of([2], $many($count));
            self::assertSame($expected, [$found?->of, $found?->isAll]);
        }
        self::assertSame(1000, PlaceboMembers::of([2], $many(300))?->of);
        self::assertNull(PlaceboMembers::of([2], $many(3)));
    }

    /** Seasons, a shared shock and a level of its own for each hide nothing: a step of 12 % is 12 %. */
    public function testAStepThatIsBuiltInIsFoundExactly(): void
    {
        $found = BeforeAfter::of($this->world(-12.0, 0.0));
        self::assertEqualsWithDelta(-12.0, $found->result->effect(), 1e-9);
        self::assertSame([8, 16, 36], [$found->result->countWith, $found->result->countWithout, $found->spans->length]);
        // Of what was before, each date at which nothing was shows nothing.
        $dates = $found->panel->placeboDates(new EventSpans(12, 12));
        self::assertSame(range(12, 54), array_keys($dates));
        self::assertEqualsWithDelta(0.0, max([0.0, ...array_map(abs(...), $dates)]), 1e-9);
    }

    public function testAWindowThatMixesBeforeAndAfterIsTakenOff(): void
    {
        foreach (['mean' => 1.0, 'sum' => 12.0] as $statistic => $times) {
            mt_srand(4);
            $plain = BeforeAfter::of($this->world(-12.0, 0.4, ['change' => 'difference']));
            mt_srand(4);
            $windows = BeforeAfter::of(
                $this->world(-12.0, 0.4, ['change' => 'difference'], ['window' => 12, 'statistic' => $statistic]),
            );
            self::assertEqualsWithDelta($times * $plain->result->effect(), $windows->result->effect(), 1e-6);
        }
        $this->expectException(InvalidStudy::class);
        $this->expectExceptionMessage('The values of the rail overlap');
        BeforeAfter::of($this->world(-12.0, 0.0, [], ['window' => 12, 'statistic' => 'highest']));
    }

    /** Headline, table and idea say the same, and the same as the changes of the members. */
    public function testWhatIsSaidIsWhatTheMembersDid(): void
    {
        mt_srand(3);
        $said = ['a difference of' => 0, 'no difference beyond chance' => 0];
        for ($n = 0; $n < 40; $n++) {
            $comparison = $this->world(mt_rand(-30, 30) / 10, 3.0, $n % 2 === 0 ? [] : ['change' => 'difference']);
            $found = BeforeAfter::of($comparison);
            $mean = static fn(array $of): float => array_sum(array_column($of, 'change')) / count($of);
            [$with, $without] = [$mean($found->with), $mean($found->without)];
            $error = sqrt(self::squares($found->with, $with) / 56 + self::squares($found->without, $without) / 240);
            self::assertEqualsWithDelta($error, $found->result->error, 1e-9);
            $headline = BeforeAfterWords::headline($found);
            $change = '([+−]?[\d.]+)(?: %| Ml per month)?';
            $isRead = preg_match(
                "/^North {$change} after July 2021, the others {$change}: " .
                    '(a difference of|no difference beyond chance,) ' .
                    '([+−]?[\d.]+)[^(]*\(([+−]?[\d.]+) to ([+−]?[\d.]+)\)$/u',
                $headline,
                $m,
            );
            if ($isRead !== 1) {
                self::fail($headline);
            }
            $number = static fn(string $text): float => (float) strtr($text, ['−' => '-', '+' => '']);
            $step = 0.5001 * 10 ** -$found->precision->decimals;
            self::assertEqualsWithDelta($with, $number($m[1]), $step);
            self::assertEqualsWithDelta($without, $number($m[2]), $step);
            self::assertEqualsWithDelta($with - $without, $number($m[4]), $step);
            $isBeyond = $number($m[5]) * $number($m[6]) > 0.0;
            $words = rtrim($m[3], ',');
            if ($number($m[5]) !== 0.0 && $number($m[6]) !== 0.0) {
                self::assertSame($isBeyond ? 'a difference of' : 'no difference beyond chance', $words);
            }
            $said[$words]++;
            $rows = array_column((new BeforeAfterView())->values($comparison)->rows, 4, 0);
            self::assertEqualsWithDelta($with - $without, $rows['Difference'], 1e-9);
            $claims = (new AfterEvent())->claims($comparison);
            self::assertSame(
                $words === 'a difference of' && (new NotParallel())->notice(self::seen($comparison)) === null,
                $claims !== [],
            );
            foreach ($claims as $claim) {
                self::assertSame($headline, LiveNumber::filled($claim->sentence, $comparison));
                self::assertSame([], LiveNumber::faults($claim->sentence, $comparison));
            }
        }
        self::assertGreaterThan(4, min($said));
    }

    /** Those with it drift away by 2.4 a year before: the signal says how much of the difference that makes. */
    public function testSidesThatMovedApartBeforeAreSaid(): void
    {
        $signal = new NotParallel();
        self::assertNull($signal->notice(self::seen($this->world(-12.0, 0.0))));
        $comparison = self::seen($this->world(0.0, 0.0, ['change' => 'difference', 'span' => 24], [], -0.2));
        $found = $comparison->effects->beforeAfter();
        self::assertEqualsWithDelta(-4.8, $found->result->effect(), 1e-6);
        self::assertEqualsWithDelta(-0.2, $found->panel->courseBefore($found->spans)?->effect(), 0.01);
        $sentence = $signal->notice($comparison)->sentence ?? '';
        self::assertStringContainsString('Before the event, North already moved away', $sentence);
        self::assertStringContainsString('would have made −4.8 Ml per month of the difference of −4.8', $sentence);
        self::assertSame([], (new AfterEvent())->claims($comparison));
        self::assertNull($signal->notice($this->world(0.0, 0.0, ['change' => 'difference'], [], -0.2)), 'other view');
    }

    /** Half of the members began in 2020, half in 2022: each is compared with the others over its own spans. */
    public function testEachMemberIsComparedOverSpansOfItsOwn(): void
    {
        $dates = [];
        foreach (range(0, 7) as $i) {
            $dates[] = "North{$i} " . ($i < 4 ? '2020' : '2022-03-15');
        }
        $settings = ['event' => implode('; ', $dates), 'with' => '', 'span' => 12];
        $found = BeforeAfter::of($this->world(0.0, 0.0, $settings));
        self::assertFalse($found->isCommon());
        // The dates are years, so the twelve months of each are neither before nor after.
        self::assertSame(12, $found->spans->skip);
        self::assertSame([48, 74], $found->panel->times());
        self::assertEqualsWithDelta(0.0, $found->result->effect(), 1e-9);
        self::assertSame('With the event', BeforeAfterWords::with($found));
        $lineup = (new BeforeAfterView())->lineup($found->comparison);
        self::assertSame(['#-48', 81], [$lineup->code(0), $lineup->to]);
    }

    /** With dates beside names, only those named had it, whoever is in focus. */
    public function testNamesWithDatesSayWhoHadIt(): void
    {
        $world = $this->world(-12.0, 0.0, ['event' => 'North0 2021-07; North1 2021-07', 'with' => '']);
        $study = $world->document->withFocus(['south9' => 1]);
        $found = BeforeAfter::of(Comparison::of($study, $world->wholeData()));
        self::assertSame([2, 22], [$found->result->countWith, $found->result->countWithout]);
        $study = $study->withPart(BeforeAfterPart::from(['event' => '2021-07']));
        $found = BeforeAfter::of(Comparison::of($study, $world->wholeData()));
        self::assertSame('South9', BeforeAfterWords::with($found));
    }

    public function testADateInAnAttributeOrItsValueSaysWhoHadIt(): void
    {
        $joined = BeforeAfter::of($this->world(-12.0, 0.0, ['event' => '', 'with' => 'dates:Joined']));
        self::assertEqualsWithDelta(-12.0, $joined->result->effect(), 1e-9);
        self::assertSame('2021-07', $joined->with[0]->date?->code());
        $online = BeforeAfter::of($this->world(-12.0, 0.0, ['with' => 'is:Appeals=online']));
        self::assertSame(['Appeals: online', 8], [BeforeAfterWords::with($online), $online->result->countWith]);
        $south = BeforeAfter::of($this->world(-12.0, 0.0, ['without' => 'is:Size=small']));
        self::assertSame(['Size: small', 8], [BeforeAfterWords::without($south), $south->result->countWithout]);
        // A name keeps its capital within a sentence; the words of the program do not.
        self::assertStringContainsString('after July 2021, Size: small ', BeforeAfterWords::headline($south));
        self::assertStringContainsString('after July 2021, the others ', BeforeAfterWords::headline($online));
    }

    /** A date that is only partly in its period is neither before nor after, unless it is counted. */
    #[DataProvider('dates')]
    public function testThePeriodOfTheEventIsLeftAsideWhereItIsMixed(string $date, string $start, int $skip): void
    {
        $found = BeforeAfter::of($this->world(0.0, 0.0, ['event' => $date, 'start' => $start, 'transition' => 1]));
        self::assertSame($skip + 1, $found->spans->skip);
    }

    /** @return iterable<string, array{string, string, int}> */
    public static function dates(): iterable
    {
        yield 'a month' => ['2021-07', 'automatic', 0];
        yield 'its first day' => ['2021-07-01', 'automatic', 0];
        yield 'its second day' => ['2021-07-02', 'automatic', 1];
        yield 'its second day, counted' => ['2021-07-02', 'after', 0];
        yield 'a quarter' => ['2021-Q3', 'automatic', 3];
        yield 'a year' => ['2021', 'automatic', 12];
    }

    /** @param array<string, mixed> $settings */
    #[DataProvider('refusals')]
    public function testWhatCannotBeComparedIsRefusedInWords(string $sentence, array $settings): void
    {
        try {
            BeforeAfter::of($this->world(-12.0, 0.0, $settings));
            self::fail('It was compared.');
        } catch (InvalidStudy $problem) {
            self::assertStringContainsString($sentence, $problem->getMessage());
        }
    }

    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function refusals(): iterable
    {
        yield 'nobody' => ['Nothing says who had the event', ['with' => '']];
        yield 'no date' => ['Nothing says when the event was', ['event' => '']];
        yield 'everybody' => ['so nobody is left', ['with' => 'is:Kind=town']];
        yield 'no others' => ['All of North had the event', ['without' => 'group:North']];
        yield 'no such group' => ['Nobody is in what is chosen at “with it”', ['with' => 'group:Moon']];
        yield 'a set that is gone' => ['Nobody is in what is chosen at “without it”', ['without' => 'set:gone']];
        yield 'too late' => ['The event (January 2027) is after the last period', ['event' => '2027-01']];
        yield 'too early' => ['is before the second period', ['event' => '2016-01']];
        yield 'unknown name' => ['No line or group is called “Atlantis”', ['event' => 'Atlantis 2020']];
        yield 'too long' => ['There are no 60 months on both sides of the event. Enter at most 36', ['span' => 60]];
        yield 'at the end' => ['No month before the event has one', ['event' => '2024-12', 'transition' => 3]];
    }

    public function testDatesAreReadWithTheirNamesOrRefused(): void
    {
        $dates = EventDates::parse("Upper Lenn March 2020; Tarrow: 2019\n2021-Q2");
        self::assertSame('2020-03', $dates->of('Upper Lenn')?->code());
        self::assertSame('2019', $dates->of('Nobody', 'TARROW Water')?->code());
        self::assertSame('2021-Q2', $dates->common?->code());
        self::assertSame(['Upper Lenn'], $dates->unknownAmong(['Tarrow']));
        self::assertSame($dates->code(), EventDates::parse($dates->code())->code());
        foreach (
            [
                'soon' => 'has no date',
                '2019; 2020' => 'two dates without a name',
                'A 2019; A 2020' => 'A has two dates',
                '#7' => 'is no date',
                implode(' 2019;', array_map(strval(...), range(1001, 1201))) . ' 2019' => '201 names are too many',
            ] as $text => $sentence
        ) {
            try {
                EventDates::parse((string) $text);
                self::fail("“{$text}” was read.");
            } catch (InvalidSetting $problem) {
                self::assertStringContainsString($sentence, $problem->getMessage());
            }
        }
    }

    /** Numbers in a headline follow the data, and say why there are none. */
    public function testAHeadlineKeepsTheDifference(): void
    {
        $comparison = $this->world(-12.0, 0.0);
        $filled = LiveNumber::filled('It fell by {difference}', $comparison);
        self::assertStringStartsWith('It fell by 12.0 points (', $filled);
        self::assertSame([], LiveNumber::faults('It fell by {difference}', $comparison));
        self::assertStringContainsString(
            'The text says up, but the change is −12.0 points',
            implode(' ', LiveNumber::faults('It rose by {difference}', $comparison)),
        );
        self::assertStringContainsString(
            'write {difference}, {with} or {without} alone',
            implode(' ', LiveNumber::faults('{difference North0}', $comparison)),
        );
        self::assertStringContainsString(
            '“{with}” in the text: Nothing says when the event was.',
            implode(' ', LiveNumber::faults('{with}', $this->world(-12.0, 0.0, ['event' => '']))),
        );
    }

    public function testAnAnnotationLeadsToIt(): void
    {
        $comparison = $this->world(-12.0, 0.0, ['event' => '']);
        $study = $comparison->document->withPart(
            (new MarksPart())
                ->adding(Mark::from(['kind' => 'value', 'value' => 7.0]))
                ->adding(Mark::from(['kind' => 'event', 'at' => '2021-07', 'text' => 'appeals online'])),
        );
        $data = $comparison->wholeData();
        // Without a date of its own it takes that of the annotation.
        self::assertSame('appeals online', BeforeAfter::of(Comparison::of($study, $data))->members->event);
        $changed = Changes::read('before-after', ['number' => '1'])->apply($study->withView('lines'), $data);
        self::assertSame('before-after', $changed->view);
        self::assertSame('2021-07', $changed->part(BeforeAfterPart::class)->event->code());
        $this->expectException(Refusal::class);
        Changes::read('before-after', ['number' => '0'])->apply($study, $data);
    }

    /**
     * Eight in the north with an event in July 2021, sixteen in the south without, over nine years of months.
     *
     * @param float $step in per cent of 100, which each has on average but for its own level
     * @param array<string, mixed> $settings of the part
     * @param array<string, mixed> $window of a rolling stop
     * @param float $drift by which those in the north move away in each month
     */
    private function world(
        float $step,
        float $noise,
        array $settings = [],
        array $window = [],
        float $drift = 0.0,
    ): Comparison {
        $series = $entities = [];
        for ($i = 0; $i < 24; $i++) {
            $isNorth = $i < 8;
            $level = $drift === 0.0 && $noise === 0.0 ? 60.0 + 7.0 * $i : 100.0;
            $values = [];
            for ($t = 0; $t < 108; $t++) {
                $shared = 1.0 + 0.2 * sin((2 * M_PI * $t) / 12) + 0.1 * sin($t * $t);
                $after = $t >= 66 && $isNorth ? $step / 100.0 : 0.0;
                $random = ($noise * (mt_rand(-1000, 1000) + mt_rand(-1000, 1000))) / 1000;
                $course = $drift === 0.0 ? $shared + $after : 1.0;
                $values[] = $level * $course + $random + ($isNorth ? $drift * $t : 0.0);
            }
            $key = ($isNorth ? 'north' : 'south') . $i;
            $series[$key] = $drift === 0.0 && $noise === 0.0 && $step !== 0.0
                ? self::steppedByShare($values, $level, $isNorth, $step)
                : $values;
            $entities[$key] = new Entity($key, ucfirst($key), $isNorth ? 'North' : 'South', attributes: [
                'Joined' => $isNorth ? '2021-07' : '',
                'Appeals' => $isNorth ? 'online' : 'by post',
                'Size' => $i % 2 === 0 ? 'small' : 'large',
                'Kind' => 'town',
            ]);
        }
        $measure = Make::measure('supply', 'Ml', MeasureKind::Flow, '2016-01');
        $data = new DataInMemory(
            [$measure],
            array_values($entities),
            ['supply' => Make::table($measure, '2016-01', $series)],
        );
        $rail = $window === [] ? Rail::of() : Rail::of(new PlacedStop('s1', StopCatalogue::make('rolling', $window)));
        $part = ['event' => '2021-07', 'with' => 'group:North', ...$settings];

        return Comparison::of(
            (new Study('World', 'supply', $rail, []))->withPart(BeforeAfterPart::from($part)),
            $data,
        );
    }

    /**
     * The same with a step that is an exact share of the mean of the three years before.
     *
     * @param list<float> $values
     * @return list<float>
     */
    private static function steppedByShare(array $values, float $level, bool $isNorth, float $step): array
    {
        $mean = array_sum(array_slice($values, 30, 36)) / 36;
        foreach ($values as $t => $value) {
            $values[$t] = $value + ($t >= 66 && $isNorth ? ($mean - $level) * ($step / 100.0) : 0.0);
        }

        return $values;
    }

    /** @param list<MemberChange> $of */
    private static function squares(array $of, float $mean): float
    {
        return array_sum(array_map(static fn(MemberChange $one): float => ($one->change - $mean) ** 2, $of));
    }

    /** @param list<int> $events positions along ten years of months */
    private static function usual(array $events): ?int
    {
        $values = array_fill_keys(array_keys($events), array_fill(0, 120, 1.0));

        $panel = new EventPanel($values, $events, ['x' => array_fill(0, 120, 1.0)], 12, 0, false);

        return $panel->usualSpans()?->length;
    }

    private static function seen(Comparison $comparison): Comparison
    {
        return Comparison::of($comparison->document->withView('before-after'), $comparison->wholeData());
    }

    /** @return array{EventPanel, EventSpans} */
    private function randomPanel(bool $isRelative, int $times): array
    {
        $members = [];
        for ($i = 0; $i < 14; $i++) {
            for ($t = 0; $t < 40; $t++) {
                $members["m{$i}"][] = mt_rand(0, 9) === 0 ? NAN : mt_rand(100, 900) / 10;
            }
        }
        $with = array_slice($members, 0, mt_rand(1, 8));
        $events = array_map(static fn(): int => 14 + 5 * mt_rand(0, $times - 1), $with);
        $season = [1, 4][mt_rand(0, 1)];

        return [
            new EventPanel($with, $events, array_slice($members, 8), $season, mt_rand(0, 2), $isRelative),
            new EventSpans(mt_rand(1, 12), $season, mt_rand(0, 2)),
        ];
    }
}
