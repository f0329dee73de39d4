<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Chart\Group as Drawn;
use DuskRail\Chart\Stroke;
use DuskRail\Data\Better;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\LineState;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\Parts\ProjectionPart;
use DuskRail\Document\Parts\TonePart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Outcome\Outlook;
use DuskRail\Outcome\Prospect;
use DuskRail\Outcome\SparkTable;
use DuskRail\Outcome\ValueTable;
use DuskRail\Rail\Stop;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Rail\Targets;
use DuskRail\Settings\InvalidSetting;
use DuskRail\Signals\Notice;
use DuskRail\Signals\Signals;
use DuskRail\Statistics\ProjectionMethod;
use DuskRail\Statistics\Projections;
use DuskRail\Statistics\SeasonsApart;
use DuskRail\Statistics\Turns;
use DuskRail\Time\Frequency;
use DuskRail\Words\LiveNumber;
use DuskRail\Words\Sentences\Claim;
use DuskRail\Words\Sentences\TowardsTarget;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** How lines go on, and whether they get to their targets: on series made for it, and restated on random ones. */
final class ProjectionsTest extends TestCase
{
    /**
     * Of 95 % intervals nine in ten at least hold, and not all; bench/projections.php does it at length.
     *
     * @param 'level'|'rise'|'bend'|'steep'|'fall' $what
     */
    #[TestWith([24, 1, 0.0, 'rise'])]
    #[TestWith([60, 1, 0.5, 'bend'])]
    #[TestWith([60, 12, 0.3, 'level'])]
    #[TestWith([40, 4, 0.5, 'rise'])]
    public function testPredictionIntervalsHold(int $count, int $season, float $likeness, string $what): void
    {
        mt_srand(3);
        $held = 0;
        $rounds = 150;
        $ahead = intdiv($count, 4);
        for ($round = 0; $round < $rounds; $round++) {
            $all = self::world($count + $ahead, $season, $likeness, $what);
            $known = array_slice($all, 0, $count);
            $choice = (new Projections($known, $season))->ahead(Turns::in($known, $season)->turns, $ahead);
            self::assertNotNull($choice);
            self::assertCount($ahead, $choice->chosen->values);
            $h = mt_rand(0, $ahead - 1);
            $off = abs($all[$count + $h] - $choice->chosen->values[$h]);
            $held += (int) ($off <= $choice->chosen->reach([$h => 1.0]));
        }
        self::assertGreaterThan(0.89 * $rounds, $held);
        self::assertLessThan($rounds, $held);
    }

    /** No further than a quarter of what is known, from ten values or three years on. */
    public function testASeriesIsCarriedOnNoFurtherThanAQuarterOfWhatIsKnown(): void
    {
        $rise = array_map(floatval(...), range(1, 40));
        $of = self::projected(...);
        self::assertCount(10, $of($rise, 1)->ahead([], 99)->chosen->values ?? []);
        self::assertCount(9, $of(array_slice($rise, 0, 39), 1)->ahead([], 99)->chosen->values ?? []);
        self::assertCount(4, $of($rise, 1)->ahead([], 4)->chosen->values ?? []);
        self::assertTrue($of(array_slice($rise, 0, 10), 1)->isKnown());
        self::assertFalse($of(array_slice($rise, 0, 9), 1)->isKnown());
        self::assertTrue($of(array_slice($rise, 0, 36), 12)->isKnown());
        self::assertFalse($of(array_slice($rise, 0, 35), 12)->isKnown());
        // Not what is before its first value.
        self::assertSame(5, $of([...array_fill(0, 20, NAN), ...array_slice($rise, 0, 20)], 1)->furthest());
        // What rises by one goes on rising by one, whatever the method.
        foreach (ProjectionMethod::cases() as $method) {
            $values = $of($rise, 1)->ahead([], 3, $method)->chosen->values ?? [];
            self::assertEqualsWithDelta(41.0, $values[0] ?? NAN, $method === ProjectionMethod::Damped ? 0.1 : 1e-6);
        }
    }

    /** Seasons are put back where they belong, and the method that errs least on what was left out is taken. */
    public function testSeasonsGoOnAndTheMethodThatErrsLeastIsTaken(): void
    {
        mt_srand(9);
        $values = [];
        for ($i = 0; $i < 96; $i++) {
            $values[] = (100.0 + 0.5 * $i) * (1.0 + 0.2 * sin((2 * M_PI * $i) / 12)) + 0.1 * self::normal();
        }
        $choice = (new Projections(array_slice($values, 0, 84), 12))->ahead([], 12);
        self::assertNotNull($choice);
        self::assertNotSame([], $choice->errors);
        self::assertSame(min([INF, ...array_values($choice->errors)]), $choice->errors[$choice->chosen->method->value]);
        foreach ($choice->chosen->values as $h => $value) {
            self::assertEqualsWithDelta($values[84 + $h], $value, 4.0);
        }
        $seasons = SeasonsApart::in($values, 12);
        foreach ([0, 3, 100] as $position) {
            self::assertEqualsWithDelta(50.0, $seasons->apart($seasons->with(50.0, $position), $position), 1e-9);
        }
    }

    /** Each prospect, told again from values, target and interval alone, on random trades. */
    public function testProspectsAreWhatValuesTargetsAndIntervalsSay(): void
    {
        mt_srand(21);
        $seen = [];
        for ($round = 0; $round < 120; $round++) {
            $values = self::world(30, 1, 0.3, ['level', 'steep', 'fall'][mt_rand(0, 2)]);
            $data = Make::data(['x' => ['Ml', MeasureKind::Flow, '1990', ['home' => $values]]]);
            $target = round($values[29] + 5.0 * self::normal(), 1);
            $by = [2015, 2019, 2021, 2023, 2026, 2035][mt_rand(0, 5)];
            $comparison = self::comparison($data, mt_rand(0, 3) === 0 ? (string) $target : "{$target} by {$by}");
            $outlook = $comparison->outlooks->of($comparison->lines[0]);
            self::assertNotNull($outlook);
            $path = $outlook->path;
            self::assertNotNull($path);
            $last = $values[29];
            // From where it began.
            $up = $target >= $values[0];
            $isThere = static fn(float $v): bool => $up ? $v >= $target : $v <= $target;
            $end = $path->values[$path->end()];
            $expected = match (true) {
                $outlook->due === null => match (true) {
                    $isThere($last) => Prospect::Reached,
                    array_filter(array_slice($path->values, 1), $isThere) !== [] => Prospect::InSight,
                    default => Prospect::NotInSight,
                },
                $by < 2020 => $isThere($values[$by - 1990]) ? Prospect::Met : Prospect::Missed,
                // 30 years are known: 7 are projected, to 2026.
                $by > 2026 => Prospect::TooFar,
                $target > $end - $outlook->reach() && $target < $end + $outlook->reach() => Prospect::Open,
                default => $isThere($end) ? Prospect::OnCourse : Prospect::OffCourse,
            };
            self::assertSame($expected, $outlook->prospect, "{$target} by {$by}");
            $arrivals = array_keys(array_filter(array_slice($path->values, 1, preserve_keys: true), $isThere));
            self::assertSame($arrivals[0] ?? null, $outlook->arrival);
            if ($outlook->due !== null && $by >= 2020) {
                self::assertEqualsWithDelta(($target - $last) / ($by - 2019), $outlook->pacing->needed, 1e-9);
                self::assertSame($by - 2019, $outlook->pacing->periods);
            }
            $seen[$outlook->prospect->name] = true;
            $this->assertSaid($comparison, $outlook);
        }
        ksort($seen);
        $all = ['InSight', 'Met', 'Missed', 'NotInSight', 'OffCourse', 'OnCourse', 'Open', 'Reached', 'TooFar'];
        self::assertSame($all, array_keys($seen));
    }

    /** What is said of a line bears out what is known of it, with its numbers. */
    private function assertSaid(Comparison $comparison, Outlook $outlook): void
    {
        $said = self::said($comparison)[0] ?? '';
        $leads = $comparison->format($outlook->leads());
        $expected = match ($outlook->prospect) {
            Prospect::OnCourse => "/^Home is on course for .* by 20\\d\\d: it leads to {$leads} \\(/",
            Prospect::OffCourse => "/^Home is off course for .*: it leads to {$leads} \\(/",
            Prospect::Open => "/^Whether Home reaches .* is uncertain: it leads to {$leads} \\(/",
            Prospect::TooFar => '/^Home needs [+−]\S+ Ml a year for .* by 2035/u',
            Prospect::Met => '/^Home met its target of .* by 201[59]$/',
            Prospect::Missed => '/^Home missed its target of .* by 201[59]$/',
            Prospect::InSight => '/^If Home goes on like this, it reaches .* in 202\d$/',
            Prospect::NotInSight => '/^If Home goes on like this, .* is not in sight$/',
            Prospect::Reached, Prospect::Untold => '/^$/',
        };
        self::assertMatchesRegularExpression($expected, $said);
    }

    /** A window goes over what is known and what is projected; an index after it has its own scale. */
    public function testWindowsGoOverKnownAndProjectedValues(): void
    {
        mt_srand(4);
        $values = self::world(96, 12, 0.3, 'rise');
        $data = Make::data(['x' => ['Ml', MeasureKind::Flow, '2010-01', ['home' => $values]]]);
        $of = static fn(array $stops): Outlook => self::outlook(
            self::comparison($data, '130 by 2019', array_filter($stops, static fn($s): bool => $s instanceof Stop)),
        );
        $plain = $of([])->path->values ?? [];
        $summed = $of([StopCatalogue::make('rolling', ['statistic' => 'sum', 'window' => '12'])]);
        $shown = $summed->path->values ?? [];
        self::assertSame(array_keys($plain), array_keys($shown));
        foreach ([96, 100, 110] as $position) {
            $sum = 0.0;
            for ($i = $position - 11; $i <= $position; $i++) {
                $sum += $plain[$i] ?? $values[$i];
            }
            self::assertEqualsWithDelta($sum, $shown[$position], 1e-6);
        }
        self::assertEqualsWithDelta(12 * $of([])->pacing->pace, $summed->pacing->pace, 1e-9);
        $mean = StopCatalogue::make('rolling', ['window' => '12']);
        $indexed = $of([$mean, StopCatalogue::make('index', ['base' => '2011'])]);
        $meaned = $of([$mean]);
        $times = $indexed->line->latest() / $meaned->line->latest();
        self::assertEqualsWithDelta($times * $meaned->leads(), $indexed->leads(), 0.02);
        self::assertEqualsWithDelta($times * $meaned->reach(), $indexed->reach(), 0.02);
        self::assertEqualsWithDelta($times * $meaned->pacing->pace, $indexed->pacing->pace, 1e-3);
        // What cannot be carried on says why.
        foreach (
            [
                ['running-total', [], 'a running total starts again or only rises'],
                ['rolling', ['statistic' => 'median'], 'only a trailing window of means or sums'],
                ['rolling', ['placed' => 'centred'], 'only a trailing window of means or sums'],
            ] as [$stop, $settings, $reason]
        ) {
            self::assertStringStartsWith($reason, $of([StopCatalogue::make($stop, $settings)])->reason);
        }
    }

    /** The pace from a period on is that of the values from there. */
    public function testThePaceCanBeMeasuredFromAPeriodOn(): void
    {
        $values = array_map(static fn(int $i): float => $i < 20 ? 100.0 + $i : 120.0 - 2 * ($i - 20), range(0, 39));
        $data = Make::data(['x' => ['Ml', MeasureKind::Flow, '1980', ['home' => $values]]]);
        $since = static fn(string $period): Outlook => self::outlook(
            self::comparison($data, '70 by 2022', [], ['since' => $period]),
        );
        self::assertEqualsWithDelta(-2.0, $since('2005')->pacing->pace, 1e-9);
        self::assertSame('2005', $since('2005')->pacing->since?->label());
        self::assertEqualsWithDelta(-2.0, $since('')->pacing->pace, 1e-6);
        // 82 in 2019, and two a year less: 76 in 2022.
        self::assertEqualsWithDelta(76.0, $since('2005')->leads(), 1e-6);
        self::assertSame(Prospect::OffCourse, $since('2005')->prospect);
        $this->expectException(InvalidSetting::class);
        $this->expectExceptionMessage('“soon” is no period');
        Make::study($data)->withPart(ProjectionPart::from(['since' => 'soon']));
    }

    /** It is drawn beyond the data, named as what it is, beside the values in files, and nowhere else. */
    public function testProjectionsAreDrawnAndHandedOverApart(): void
    {
        mt_srand(12);
        $series = [
            'home' => self::world(30, 1, 0.0, 'rise'),
            'short' => [...array_fill(0, 21, NAN), ...range(1.0, 9.0)],
        ];
        $data = Make::data(['x' => ['Ml', MeasureKind::Flow, '1990', $series]]);
        $hidden = self::comparison($data, '130 by 2024', [], ['projection' => 'hidden']);
        $shown = self::comparison($data, '130 by 2024');
        $roles = ['projection', 'projection-interval', 'projection-start'];
        self::assertSame([], array_intersect($roles, self::drawn($hidden)));
        self::assertSame($roles, array_values(array_intersect($roles, self::drawn($shown))));
        // Five years beyond the last one known, for the date of the target, also where no projection is shown.
        self::assertSame([5, 5], [Make::picture($hidden)->plot?->after, Make::picture($shown)->plot?->after]);
        self::assertSame(0, Make::picture(self::comparison($data, '130'))->plot?->after - 7);
        $table = ValueTable::ofLines(Make::lineup($shown));
        $heads = ['Home, projection', 'Home, projection, 95 % lower', 'Home, projection, 95 % upper'];
        self::assertSame($heads, array_slice($table->heads, -3));
        self::assertCount(35, $table->rows);
        $last = $table->rows[34];
        [$value, $lower, $upper] = array_slice($last, -3);
        self::assertSame('2024', $last[0]);
        self::assertTrue(is_nan((float) $last[1]) && $lower < $value && $value < $upper);
        self::assertNan($table->rows[29][count($last) - 3]);
        self::assertCount(30, ValueTable::ofLines(Make::lineup($hidden))->rows);
        self::assertStringContainsString('dashed: projection', Make::wording($shown, '')->subtitle);
        // Of nine values nothing is carried on, and that is said.
        $study = $shown->document->withState('home', LineState::Peer)->withState('short', LineState::Focus);
        $short = Comparison::of($study, $data);
        $notices = array_map(static fn(Notice $n): string => $n->sentence, Signals::of($short));
        self::assertContains('Short is not projected: fewer than ten values.', $notices);
        self::assertSame(
            ['“{leads Short}” in the text: Short is not projected: fewer than ten values.'],
            LiveNumber::faults('It leads to {leads Short}', $short),
        );
        $faults = implode(LiveNumber::faults('down by {needed Home}', $shown));
        self::assertStringContainsString('The text says down', $faults);
        $sparks = SparkTable::of($shown->study, $shown);
        self::assertTrue($sparks->hasProspects());
        self::assertSame(self::outlook($shown)->prospect->value, $sparks->prospect($sparks->groups[''][0]));
    }

    /** Which way is good says when a target is reached; without it the side that the line is on does. */
    #[TestWith([Better::Neither, 130.0, Prospect::OffCourse])]
    #[TestWith([Better::Higher, 130.0, Prospect::OffCourse])]
    #[TestWith([Better::Lower, 130.0, Prospect::OnCourse])]
    #[TestWith([Better::Neither, 90.0, Prospect::OffCourse])]
    #[TestWith([Better::Higher, 90.0, Prospect::OnCourse])]
    #[TestWith([Better::Lower, 90.0, Prospect::OffCourse])]
    public function testWhichWayIsGoodSaysWhenATargetIsReached(Better $better, float $target, Prospect $expected): void
    {
        mt_srand(31);
        $data = self::level($better);
        $comparison = self::comparison($data, "{$target} by 2022");
        self::assertSame($expected, self::outlook($comparison)->prospect);
        // Without a date: it has it now, or does not get there.
        $undated = self::outlook(self::comparison($data, (string) $target))->prospect;
        self::assertSame($expected === Prospect::OnCourse ? Prospect::Reached : Prospect::NotInSight, $undated);
        // A line in the colour of its prospect, and no other colour in the key.
        $toned = Comparison::of($comparison->document->withPart(TonePart::from(['by' => 'prospect'])), $data);
        self::assertSame([$expected->value], array_keys($toned->tones->groups ?? []));
        self::assertSame($expected === Prospect::OnCourse ? 2 : 1, $toned->lines[0]->tone?->step);
    }

    /** Who falls or is low already is on course to a target below where most began; an own target goes by its line. */
    public function testHowManyAreOnCourseIsSaidOfOneDate(): void
    {
        mt_srand(35);
        $ways = ['home' => [100, -1], 'ash' => [90, -2], 'birch' => [100, 0], 'cedar' => [60, 0], 'elm' => [40, 0]];
        $series = [];
        foreach ($ways as $key => [$from, $by]) {
            $series[$key] = array_map(static fn(int $i): float => $from + $by * $i + self::normal(), range(0, 29));
        }
        $data = Make::data(['x' => ['Ml', MeasureKind::Flow, '1990', $series]]);
        $said = self::said(self::comparison($data, '60 by 2024'));
        self::assertContains('2 of 5 are on course for the target by 2024', $said);
        $two = self::comparison($data, '60 by 2024; Ash 95 by 2023');
        self::assertStringNotContainsString('of 5', implode(self::said($two)));
        $prospects = static fn(Comparison $of): array => array_map(
            static fn(Line $line): string => $of->outlooks->of($line)->prospect->value ?? '',
            $of->lines,
        );
        self::assertSame(
            ['off course', 'on course', 'off course', 'uncertain', 'on course'],
            $prospects(self::comparison($data, '60 by 2024')),
        );
        self::assertSame('off course', $prospects($two)[1]);
        self::assertSame('off course', $prospects(self::comparison($data, '60 by 2024; Elm 61 by 2024'))[4]);
        // The next date counts, and that of now is past.
        $next = self::outlook(self::comparison($data, '90 by 2010; 80 by 2019; 60 by 2022; 50 by 2024'))->due;
        self::assertSame('2022', $next?->by->label());
        $study = $two->document->withPart(new PeersPart(target: Targets::parse('60 by 2024')));
        $toned = Comparison::of($study->withPart(TonePart::from(['by' => 'prospect'])), $data);
        self::assertSame(['off course' => 1, 'on course' => 2, 'uncertain' => 3], $toned->tones->groups ?? []);
        self::assertSame([1, 2, 1, 3, 2], array_map(static fn(Line $line): ?int => $line->tone?->step, $toned->lines));
    }

    /** A step alone changes no pace: it is that of all that is shown. */
    public function testAPaceIsSinceABendAndNotSinceAStep(): void
    {
        mt_srand(38);
        $since = static function (float $step, float $bend): ?string {
            $values = [];
            for ($i = 0; $i < 60; $i++) {
                $values[] = 100.0 + ($i < 30 ? 0.0 : $step) + $bend * max(0, $i - 30) + self::normal();
            }
            $data = Make::data(['x' => ['Ml', MeasureKind::Flow, '1960', ['home' => $values]]]);

            return self::outlook(self::comparison($data, '150 by 2024'))->pacing->since?->label();
        };
        self::assertNull($since(30.0, 0.0));
        self::assertContains($since(0.0, 2.0), ['1989', '1990', '1991']);
    }

    /** What is not carried on still has its distance and the time that is left. */
    public function testThePaceNeededIsToldWhereNothingIsProjected(): void
    {
        mt_srand(32);
        $data = self::level(Better::Neither);
        $total = self::outlook(self::comparison($data, '5000 by 2024', [StopCatalogue::make('running-total', [])]));
        self::assertSame(Prospect::Untold, $total->prospect);
        self::assertSame(5, $total->pacing->periods);
        self::assertEqualsWithDelta((5000.0 - $total->line->latest()) / 5, $total->pacing->needed, 1e-9);
    }

    /** A date beyond what is projected is said; one beyond the picture has no end in it. */
    public function testATargetThatIsFarAheadIsSaid(): void
    {
        mt_srand(33);
        $data = self::level(Better::Neither);
        $notices = static fn(string $target): array => array_map(
            static fn(Notice $n): string => $n->id,
            Signals::of(self::comparison($data, $target)),
        );
        self::assertNotContains('far-target', $notices('130 by 2026'));
        self::assertContains('far-target', $notices('130 by 2027'));
        $ends = static function (string $target) use ($data): int {
            $count = 0;
            foreach (Make::picture(self::comparison($data, $target))->marks as $drawn) {
                foreach ($drawn instanceof Drawn && $drawn->role === 'target' ? $drawn->marks : [] as $mark) {
                    $count += $mark instanceof Stroke && $mark->width > 2.0 ? 1 : 0;
                }
            }

            return $count;
        };
        // Of thirty years fifteen more have room.
        self::assertSame([1, 0], [$ends('130 by 2034'), $ends('130 by 2035')]);
    }

    /** Days are carried on as means of months, and stand at their ends. */
    public function testDaysAreCarriedOnAsMeansOfMonths(): void
    {
        mt_srand(34);
        $values = [];
        for ($i = 0; $i < 1461; $i++) {
            $values[] = 100.0 + 0.02 * $i + self::normal();
        }
        $data = Make::data(['x' => ['Ml', MeasureKind::Flow, '2016-01-01', ['home' => $values]]]);
        $outlook = self::outlook(self::comparison($data, '140 by June 2020'));
        self::assertSame([6, 'month'], [$outlook->pacing->periods, $outlook->pacing->frequency->noun()]);
        $path = $outlook->path;
        self::assertNotNull($path);
        // January to June 2020 end 31, 60, 91, 121, 152 and 182 days after 2019.
        self::assertSame([1460, 1491, 1520, 1551, 1581, 1612, 1642], array_keys($path->values));
        self::assertEqualsWithDelta(100.0 + 0.02 * 1627, $outlook->leads(), 1.0);
        self::assertEqualsWithDelta(0.02 * 30.4, $outlook->pacing->pace, 0.03);
    }

    private static function level(Better $better): DataInMemory
    {
        $measure = Measure::of('x', 'X', 'Ml', MeasureKind::Flow, Frequency::Year, $better);
        $values = array_map(static fn(): float => 110.0 + 0.5 * self::normal(), range(1990, 2019));

        return new DataInMemory(
            [$measure],
            [new Entity('home', 'Home', '', true)],
            ['x' => Make::table($measure, '1990', ['home' => $values])],
        );
    }

    /**
     * @param array<Stop> $stops
     * @param array<string, string> $settings of the projection
     */
    private static function comparison(
        DataInMemory $data,
        string $target,
        array $stops = [],
        array $settings = [],
    ): Comparison {
        return Comparison::of(
            Make::study($data, ...$stops)
                ->withPart(new PeersPart(target: Targets::parse($target)))
                ->withPart(ProjectionPart::from(['projection' => 'shown', ...$settings])),
            $data,
        );
    }

    /** @param list<float> $values */
    private static function projected(array $values, int $season): Projections
    {
        return new Projections($values, $season);
    }

    private static function outlook(Comparison $comparison): Outlook
    {
        $outlook = $comparison->outlooks->of($comparison->lines[0]);
        self::assertNotNull($outlook);

        return $outlook;
    }

    /** @return list<string> */
    private static function said(Comparison $comparison): array
    {
        return array_map(
            static fn(Claim $claim): string => LiveNumber::filled($claim->sentence, $comparison),
            (new TowardsTarget())->claims($comparison),
        );
    }

    /** @return list<string> */
    private static function drawn(Comparison $comparison): array
    {
        return array_map(
            static fn(object $mark): string => $mark instanceof Drawn ? $mark->role : '',
            Make::picture($comparison)->marks,
        );
    }

    /** @return list<float> a course in first-order noise of standard deviation one */
    private static function world(int $count, int $season, float $likeness, string $what): array
    {
        $values = [];
        $noise = self::normal();
        $place = mt_rand(intdiv($count, 4), intdiv($count, 2));
        for ($i = 0; $i < $count; $i++) {
            $swing = $season > 1 ? 3.0 * sin((2 * M_PI * $i) / $season) : 0.0;
            $course = match ($what) {
                'rise' => 0.2 * $i,
                'bend' => 0.3 * max(0, $i - $place),
                'steep' => 1.0 * $i,
                'fall' => -0.8 * $i,
                default => 0.0,
            };
            $values[] = 100.0 + $swing + $course + $noise;
            $noise = $likeness * $noise + sqrt(1 - $likeness ** 2) * self::normal();
        }

        return $values;
    }

    private static function normal(): float
    {
        $u = (mt_rand() + 1) / (mt_getrandmax() + 2);

        return sqrt(-2 * log($u)) * cos((2 * M_PI * mt_rand()) / mt_getrandmax());
    }
}
