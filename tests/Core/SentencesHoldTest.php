<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Data\Benchmark;
use DuskRail\Data\Better;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\LineState;
use DuskRail\Document\Parts\VariationPart;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Signals\Notice;
use DuskRail\Signals\Signals;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodRange;
use DuskRail\Words\LiveNumber;
use DuskRail\Words\Sentences\Claim;
use DuskRail\Words\Sentences\Sentences;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;

/**
 * What is proposed to be said, on thousands of tables with gaps, ends, late beginnings, ties, values below zero, cut
 * ranges and both ways of good. Each sentence is read again, and what it says is counted again from the bare values.
 */
final class SentencesHoldTest extends TestCase
{
    private const ROUNDS = 2500;

    private const LONG = 12_000;

    private const SEASONAL = 200;

    /** @var array<string, list<float|null>> */
    private array $series;

    private Period $first;

    private int $from;

    private int $to;

    private int $now;

    private bool $lower;

    /** @var array<string, int> */
    private array $told = [];

    #[Group('slow')]
    public function testEverySentenceIsTrueOfItsFigures(): void
    {
        $long = getenv('LONG_TESTS');
        mt_srand($long === false ? 1789 : (int) (microtime(true) * 1000));
        for ($round = 0; $round < ($long === false ? self::ROUNDS : self::LONG); $round++) {
            $comparison = $this->random();
            $this->checkNow($comparison);
            $this->checkHeadline(Make::wording($comparison, '')->headline);
            foreach (Sentences::of($comparison) as $claim) {
                $this->check(LiveNumber::filled($claim->sentence, $comparison));
            }
        }
        // Each kind was met often enough to mean something.
        foreach (
            ['change', 'hardly', 'end', 'moved', 'side', 'apart', 'narrowed', 'run', 'record', 'median', 'ended']
            as $kind
        ) {
            self::assertGreaterThan(20, $this->told[$kind] ?? 0, $kind);
        }
    }

    /** Months that swing with the seasons and do not change: nothing is made of the season, and little of the noise. */
    public function testSeasonsAreNotTakenForChange(): void
    {
        mt_srand(86);
        $claimed = 0;
        for ($round = 0; $round < self::SEASONAL; $round++) {
            $values = [];
            for ($i = 0, $length = mt_rand(36, 96), $shift = mt_rand(0, 11); $i < $length; $i++) {
                // Box and Muller (1958), standard deviation 2.
                $radius = 2.0 * sqrt(-2 * log((mt_rand() + 1) / (mt_getrandmax() + 1)));
                $noise = $radius * cos((2 * M_PI * mt_rand()) / mt_getrandmax());
                $values[] = 100 + 30 * sin((2 * M_PI * ($i + $shift)) / 12) + $noise;
            }
            $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2015-01', ['home' => $values]]]);
            $study = Make::study($data)->withPart(VariationPart::from(['limits' => 'shown']));
            $comparison = Comparison::of($study, $data);
            foreach (Sentences::of($comparison) as $claim) {
                $text = LiveNumber::filled($claim->sentence, $comparison);
                self::assertStringNotContainsString('ordinary variation', $text);
                self::assertStringNotContainsString('mean of its baseline', $text);
                self::assertDoesNotMatchRegularExpression('/(fallen|risen) for /', $text);
                preg_match('/ by (\d+) %/', $text, $m);
                // Two such noises are 2.8 apart on average of 70 to 130.
                $claimed += (float) ($m[1] ?? 0) >= 10.0 || str_contains($text, 'a year before') ? 1 : 0;
            }
            self::assertContains(
                'The values swing with the seasons, which the limits of ordinary variation do not allow for.',
                array_map(static fn(Notice $n): string => $n->sentence, Signals::of($comparison)),
            );
        }
        self::assertLessThanOrEqual(0.05 * self::SEASONAL, $claimed);
        // The same season at both ends, though the first month shown is in another.
        $known = array_map(static fn(int $i): float => round(100 + 30 * sin((2 * M_PI * ($i - 3)) / 12)), range(0, 54));
        $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2018-01', ['home' => $known]]]);
        $comparison = Comparison::of(Make::study($data), $data);
        self::assertContains(
            'Home has hardly changed since July 2018',
            array_map(static fn(Claim $c): string => $c->sentence, Sentences::of($comparison)),
        );
    }

    private string $benchmark = '';

    private function random(): Comparison
    {
        $monthly = mt_rand(0, 1) === 1;
        $count = mt_rand(7, $monthly ? 45 : 16);
        $this->first = $monthly ? Period::month(2015, mt_rand(1, 12)) : Period::year(2001);
        $this->lower = mt_rand(0, 1) === 1;
        $floor = mt_rand(0, 3) === 0 ? -12 : 1;
        $this->series = [];
        foreach (array_slice(['home', 'ash', 'birch', 'cedar', 'elm', 'fir', 'oak'], 0, mt_rand(1, 7)) as $key) {
            $begins = mt_rand(0, 3) === 0 ? mt_rand(0, 4) : 0;
            $ends = mt_rand(0, 3) === 0 ? mt_rand(5, $count) : $count;
            $value = mt_rand($floor, 25);
            $drift = mt_rand(-1, 1);
            $values = [];
            for ($i = 0; $i < $count; $i++) {
                $value = max($floor, $value + $drift * mt_rand(0, 1) + mt_rand(-1, 1) * (mt_rand(0, 4) === 0 ? 6 : 1));
                $values[] = $i < $begins || $i >= $ends || mt_rand(0, 24) === 0 ? null : (float) $value;
            }
            $this->series[$key] = $values;
        }
        $measure = Measure::of(
            'flow',
            'Flow',
            'Ml',
            MeasureKind::Stock,
            $this->first->frequency,
            $this->lower ? Better::Lower : Better::Higher,
        );
        $entities = [];
        $key = (string) array_key_last($this->series);
        $this->benchmark = count($this->series) > 2 && mt_rand(0, 2) === 0 ? $key : '';
        foreach (array_keys($this->series) as $key) {
            $about = $key === $this->benchmark ? [Benchmark::ATTRIBUTE => 'mean'] : [];
            $entities[] = new Entity($key, ucfirst($key), '', $key === 'home', $about);
        }
        $table = Make::table($measure, $this->first->code(), $this->series);
        $data = new DataInMemory([$measure], $entities, ['flow' => $table]);
        $study = Study::first('Study', 'flow', $data);
        foreach (array_slice(array_keys($this->series), 1, mt_rand(0, 2)) as $key) {
            $study = $study->withState($key, LineState::Focus);
        }
        [$this->from, $this->to] = [0, $count - 1];
        if (mt_rand(0, 2) === 0) {
            $this->from = mt_rand(0, 3);
            $this->to = $count - 1 - mt_rand(0, 2);
            $study = $study->withRange(
                PeriodRange::between($this->first->plus($this->from), $this->first->plus($this->to)),
            );
        }

        return Comparison::of($study, $data);
    }

    /** The period that is spoken of is the latest that half of those have reached who did not end a year before. */
    private function checkNow(Comparison $comparison): void
    {
        $this->now = $comparison->reference;
        $lasts = array_filter(
            array_map(
                fn(string $key): int => $this->last($key),
                array_combine(array_keys($this->compared()), array_keys($this->compared())),
            ),
            static fn(int $last): bool => $last >= 0,
        );
        if ($lasts === []) {
            return;
        }
        $year = $this->first->frequency->perYear() ?? 1;
        $going = array_filter($lasts, static fn(int $last): bool => $last >= max($lasts) - $year);
        $reached = static fn(int $at): int => count(array_filter($going, static fn(int $last): bool => $last >= $at));
        self::assertGreaterThanOrEqual(count($going) / 2, $reached($this->now));
        self::assertLessThan(count($going) / 2, $reached($this->now + 1));
    }

    private function checkHeadline(string $text): void
    {
        if (
            preg_match(
                '/^(\\w+): (\\S+) in (.+); the median of (its|the|all) (\\d+)(?: peers)? is (\\S+)$/u',
                $text,
                $m,
            ) === 1
        ) {
            [, $name, $value, $when, $whose, $count, $median] = $m;
            $peers = [];
            foreach ($this->compared() as $key => $values) {
                if ($key !== 'home' && $values[$this->now] !== null) {
                    $peers[] = $values[$this->now];
                }
            }
            sort($peers);
            $n = count($peers);
            self::assertSame([$this->now, (int) $count], [$this->at($when), $n], $text);
            self::assertSame($name === 'Home' ? 'its' : 'the', $whose, $text);
            self::assertEqualsWithDelta(self::number($value), $this->value($name, $this->now), 0.0501, $text);
            $middle = (($peers[intdiv($n - 1, 2)] ?? NAN) + ($peers[intdiv($n, 2)] ?? NAN)) / 2;
            self::assertEqualsWithDelta(self::number($median), $middle, 0.0501, $text);
            $this->tell('median');
        } elseif (preg_match('/^(\\w+): (\\S+) in (.+), its last value$/u', $text, $m) === 1) {
            $last = $this->last($m[1], $this->now);
            self::assertSame($last, $this->at($m[3]), $text);
            self::assertLessThan($this->now, $last, $text);
            $this->tell('ended');
        } else {
            self::assertMatchesRegularExpression(
                '/^(\\w+: \\S+ in .+|\\w+ has no complete value yet|Flow: \\d lines)$/u',
                $text,
            );
        }
    }

    private function check(string $text): void
    {
        self::assertDoesNotMatchRegularExpression('/[{}]|nan|inf\b/i', $text);
        if (preg_match('/^\w+: .* (accounts? for|is mix)/', $text) === 1) {
            // ContributionsTest restates them.
            return;
        }
        $found = 0;
        foreach (
            [
                'change' => '/^(\w+) has (fallen|risen) by (\S+) ?(%|Ml)? since (.+)$/u',
                'hardly' => '/^(\w+) has hardly changed since (.+)$/u',
                'end' => '/^(\w+) is the (lowest|highest) of all (\d+)(?:, (.+) of (\d+) in (.+))?$/u',
                'moved' =>
                    '/^(\w+) has moved from (joint )?rank (\d+) of (\d+) to (joint )?rank (\d+) of (\d+) ' .
                    'since (.+)$/u',
                'side' => '/^(\w+) has been (below|above) (\w+|the peer median) since (.+)$/u',
                'apart' =>
                    '/^The gap between (\w+) and (\w+|the peer median) is wider in (.+) than (ever before|at any ' .
                    'time since .+)$/u',
                'narrowed' =>
                    '/^The gap between (\w+) and (\w+|the peer median) was widest in (.+) and has narrowed ' .
                    'since$/u',
                'run' => '/^(\w+) has (fallen|risen) for (\d+) (\w+)s in a row$/u',
                'onYear' => '/^(\w+) has been (above|below) the same (\w+) a year before for (\d+) (\w+)s in a row$/u',
                'since' =>
                    '/^(\w+) has been (falling|rising) by (\S+) Ml a (month|year) since ([^(,]+?)' .
                    '(?: \(([^()]+) to ([^()]+)\))?(, apart from .+)?$/u',
                'since-flat' => '/^(\w+) has shown no clear trend since (.+), after (falling|rising) by .+$/u',
                'step' => '/^(\w+): a step (up|down) by (\S+) Ml in ([^(,]+?)(?: \((.+)\))?$/u',
                'record' => '/^(\\w+) is at its (lowest|highest) since (.+?)(, the start of the data)?$/u',
            ] as $kind => $pattern
        ) {
            if (preg_match($pattern, $text, $m, PREG_UNMATCHED_AS_NULL) === 1) {
                // Whoever is spoken of has a value now.
                foreach ($this->series as $key => $values) {
                    if (preg_match('/\b' . ucfirst($key) . '\b/', $text) === 1) {
                        self::assertNotNull($values[$this->now], $text);
                    }
                }
                $this->{'check' . str_replace('-', '', ucfirst($kind))}($m, $text);
                $this->tell($kind);
                $found++;
            }
        }
        self::assertSame(1, $found, "No reader knows what this means: {$text}");
    }

    /** @param array<int, string|null> $m */
    private function checkChange(array $m, string $text): void
    {
        [, $name, $way, $number, $unit, $since] = $m;
        $then = $this->at((string) $since);
        self::assertSame($this->start((string) $name), $then, $text);
        [$before, $now] = [$this->value((string) $name, $then), $this->value((string) $name, $this->now)];
        self::assertSame($way === 'risen', $now > $before, $text);
        $expected = $unit === '%' ? abs($now / $before - 1) * 100 : abs($now - $before);
        self::assertEqualsWithDelta(self::number((string) $number), $expected, 0.501, $text);
        if ($unit === '%') {
            self::assertGreaterThan(0.0, $before, $text);
            self::assertSame(self::number((string) $number) === 100.0 && $way === 'fallen', $now === 0.0, $text);
        }
    }

    /**
     * Since the date the values go the way that is said, by a straight line through them alone; the date is within its
     * interval.
     *
     * @param array<int, string|null> $m
     */
    private function checkSince(array $m, string $text): void
    {
        [, $name, $way, $pace, $per, $since, $low, $high, $apart] = [...$m, null, null, null];
        $at = $this->at((string) $since);
        if ($low !== null && $high !== null) {
            $year = preg_match('/ (\d{4})$/', (string) $since, $found) === 1 ? " {$found[1]}" : '';
            $last = preg_match('/\d{4}$/', $high) === 1 ? $high : $high . $year;
            $first = preg_match('/\d{4}$/', $low) === 1 ? $low : $low . ' ' . substr($last, -4);
            self::assertTrue($this->at($first) <= $at && $at <= $this->at($last), $text);
        }
        // Of less than a year the seasons, which are apart, are most of a line through the bare values.
        $isMonths = $this->first->frequency === Frequency::Month;
        if ($apart === null && (!$isMonths || $this->now - $at >= 12)) {
            $slope = $this->slope((string) $name, $at) * ($isMonths && $per === 'year' ? 12 : 1);
            self::assertSame($way === 'rising', $slope > 0, $text);
            self::assertEqualsWithDelta(self::number((string) $pace), abs($slope), 0.5 * abs($slope) + 0.3, $text);
        }
    }

    /** @param array<int, string|null> $m */
    private function checkSinceflat(array $m, string $text): void
    {
        $at = $this->at((string) preg_replace('/ \(.+\)$/', '', (string) $m[2]));
        self::assertTrue($at > $this->from && $at < $this->now, $text);
    }

    /** @param array<int, string|null> $m */
    private function checkStep(array $m, string $text): void
    {
        [, $name, $way, $size, $in] = $m;
        $at = $this->at((string) $in);
        $values = array_slice($this->series[strtolower((string) $name)], 0, $this->now + 1);
        $mean = static fn(array $part): float => array_sum($part) / max(1, count($part));
        $there = static fn(?float $v): bool => $v !== null;
        // Of a year where there are months, whose seasons are apart.
        $length = $this->first->frequency === Frequency::Month ? 12 : 3;
        $earlier = array_filter(array_slice($values, $this->from, $at - $this->from), $there);
        $before = $mean(array_slice($earlier, -$length));
        $after = $mean(array_slice(array_filter(array_slice($values, $at), $there), 0, $length));
        self::assertSame($way === 'up', $after > $before, $text);
        $change = abs($after - $before);
        self::assertEqualsWithDelta(self::number((string) $size), $change, 0.6 * $change + 6, $text);
    }

    /** Of a straight line through the values of an entity from a position up to now, for a period. */
    private function slope(string $name, int $from): float
    {
        $points = array_filter(
            array_slice($this->series[strtolower($name)], $from, $this->now - $from + 1),
            static fn(?float $v): bool => $v !== null,
        );
        $middle = array_sum(array_keys($points)) / count($points);
        $mean = array_sum($points) / count($points);
        $along = $across = 0.0;
        foreach ($points as $i => $value) {
            $along += ($i - $middle) * ($value - $mean);
            $across += ($i - $middle) ** 2;
        }

        return $along / $across;
    }

    /** @param array<int, string|null> $m */
    private function checkHardly(array $m, string $text): void
    {
        [$before, $now] = [
            $this->value((string) $m[1], $this->at((string) $m[2])),
            $this->value((string) $m[1], $this->now),
        ];
        self::assertSame($this->start((string) $m[1]), $this->at((string) $m[2]), $text);
        self::assertLessThan(0.01 * abs($before) + 1e-9, abs($now - $before), $text);
    }

    /** @param array<int, string|null> $m */
    private function checkEnd(array $m, string $text): void
    {
        [, $name, $end, $of, $then, $ofThen, $when] = $m;
        $values = $this->all($this->now);
        self::assertCount((int) $of, $values, $text);
        $value = $this->value((string) $name, $this->now);
        self::assertSame(
            $end === 'lowest'
                ? -self::most(array_map(static fn(float $v): float => -$v, $values))
                : self::most($values),
            $value,
            $text,
        );
        self::assertCount(1, array_keys($values, $value, true), $text);
        if ($then !== null) {
            $values = $this->all($this->at((string) $when));
            $value = $this->value((string) $name, $this->at((string) $when));
            self::assertCount((int) $ofThen, $values, $text);
            $lowest = str_ends_with($then, 'lowest');
            $beaten = count(array_filter($values, static fn(float $v): bool => $lowest ? $v < $value : $v > $value));
            self::assertMatchesRegularExpression('/^(joint )?(\d+\w\w )?(lowest|highest)$/', $then, $text);
            self::assertSame(max(1, (int) preg_replace('/\D/', '', $then)), $beaten + 1, $text);
            self::assertSame(str_starts_with($then, 'joint'), count(array_keys($values, $value, true)) > 1, $text);
        }
    }

    /** @param array<int, string|null> $m */
    private function checkMoved(array $m, string $text): void
    {
        foreach ([[2, $this->at((string) $m[8])], [5, $this->now]] as [$at, $when]) {
            $values = $this->all($when);
            $value = $this->value((string) $m[1], $when);
            $better = array_filter($values, fn(float $v): bool => $this->lower ? $v < $value : $v > $value);
            self::assertSame(
                [(int) $m[$at + 1], (int) $m[$at + 2], $m[$at] !== null],
                [count($better) + 1, count($values), count(array_keys($values, $value, true)) > 1],
                $text,
            );
        }
    }

    /** @param array<int, string|null> $m */
    private function checkSide(array $m, string $text): void
    {
        [$since, $common] = [$this->at((string) $m[4]), $this->common((string) $m[1], (string) $m[3])];
        self::assertArrayHasKey($since, $common, $text);
        $wished = $m[2] === 'below' ? -1 : 1;
        $before = null;
        foreach ($common as $at => [$own, $other]) {
            if ($at >= $since) {
                self::assertSame($wished, $own <=> $other, $text);
            } else {
                $before = $own <=> $other;
            }
        }
        self::assertNotNull($before, $text);
        self::assertNotSame($wished, $before, $text);
    }

    /** @param array<int, string|null> $m */
    private function checkApart(array $m, string $text): void
    {
        self::assertSame($this->now, $this->at((string) $m[3]), $text);
        $never = str_starts_with((string) $m[4], 'ever');
        $common = $this->common((string) $m[1], (string) $m[2], $never ? 0 : $this->from);
        $gaps = array_map(static fn(array $pair): float => abs($pair[0] - $pair[1]), $common);
        self::assertSame(self::most($gaps), $gaps[$this->now], $text);
        self::assertCount(1, array_keys($gaps, self::most($gaps), true), $text);
    }

    /** @param array<int, string|null> $m */
    private function checkNarrowed(array $m, string $text): void
    {
        $gaps = array_map(
            static fn(array $pair): float => abs($pair[0] - $pair[1]),
            $this->common((string) $m[1], (string) $m[2]),
        );
        $widest = $this->at((string) $m[3]);
        self::assertSame(self::most($gaps), $gaps[$widest], $text);
        $since = array_filter($gaps, static fn(int $at): bool => $at > $widest, ARRAY_FILTER_USE_KEY);
        self::assertLessThanOrEqual(1.1 * min($since ?: [0.0]), $gaps[$this->now], $text);
        self::assertLessThan($gaps[$widest], $gaps[$this->now], $text);
    }

    /** @param array<int, string|null> $m */
    private function checkRun(array $m, string $text): void
    {
        self::assertSame($this->first->frequency->value, $m[4], $text);
        for ($step = 0; $step < (int) $m[3]; $step++) {
            $at = $this->now - $step;
            self::assertSame(
                $m[2] === 'fallen' ? -1 : 1,
                $this->value((string) $m[1], $at) <=> $this->value((string) $m[1], $at - 1),
                $text,
            );
        }
    }

    /** @param array<int, string|null> $m */
    private function checkOnYear(array $m, string $text): void
    {
        self::assertSame([$this->first->frequency->value, $m[3]], ['month', $m[5]], $text);
        for ($step = 0; $step < (int) $m[4]; $step++) {
            $at = $this->now - $step;
            self::assertSame(
                $m[2] === 'below' ? -1 : 1,
                $this->value((string) $m[1], $at) <=> $this->value((string) $m[1], $at - 12),
                $text,
            );
        }
    }

    /** @param array<int, string|null> $m */
    private function checkRecord(array $m, string $text): void
    {
        $since = $this->at((string) $m[3]);
        $now = $this->value((string) $m[1], $this->now);
        foreach ($this->series[strtolower((string) $m[1])] as $at => $value) {
            if ($value === null || $at >= $this->now) {
                continue;
            }
            self::assertTrue($m[4] === null || $at >= $since, "{$text}: figures begin earlier");
            if ($at > $since || $m[4] !== null) {
                self::assertSame($m[2] === 'lowest' ? -1 : 1, $now <=> $value, $text);
            }
        }
    }

    /** @param array<int, float> $values */
    private static function most(array $values): float
    {
        return $values === [] ? self::fail('There are no values to compare.') : max($values);
    }

    private function tell(string $kind): void
    {
        $this->told[$kind] = ($this->told[$kind] ?? 0) + 1;
    }

    private static function number(string $text): float
    {
        return (float) strtr($text, ['−' => '-', '+' => '', ',' => '']);
    }

    /** Position of a period as it is written in a sentence. */
    private function at(string $label): int
    {
        foreach ($this->series['home'] as $at => $value) {
            if ($this->first->plus($at)->label() === $label) {
                return $at;
            }
        }
        self::fail("“{$label}” is no period of the table.");
    }

    private function value(string $name, int $at): float
    {
        return $this->series[strtolower($name)][$at] ?? NAN;
    }

    private function last(string $name, int $until = PHP_INT_MAX): int
    {
        $there = array_filter(
            $this->series[strtolower($name)],
            fn(?float $v, int $at): bool => $v !== null && $at >= $this->from && $at <= min($this->to, $until),
            ARRAY_FILTER_USE_BOTH,
        );

        return array_key_last($there) ?? -1;
    }

    /** From when on a change is told: of months the same month as now, if the data are a year long. */
    private function start(string $name): int
    {
        $values = array_filter($this->series[strtolower($name)], static fn(?float $v): bool => $v !== null);
        $isLong = $this->now - array_key_first($values) >= 12;
        $step = $isLong && $this->first->frequency === Frequency::Month ? 12 : 1;
        foreach (array_keys($values) as $at) {
            if ($at >= $this->from && ($this->now - $at) % $step === 0) {
                return $at;
            }
        }

        return -1;
    }

    /** @return array<string, list<float|null>> all but the benchmark */
    private function compared(): array
    {
        return array_diff_key($this->series, [$this->benchmark => true]);
    }

    /** @return list<float> of all lines that have a value at a position */
    private function all(int $at): array
    {
        $values = [];
        foreach ($this->compared() as $own) {
            if ($own[$at] !== null) {
                $values[] = $own[$at];
            }
        }

        return $values;
    }

    /** @return array<int, array{float, float}> both values by position, up to now, where both have one */
    private function common(string $name, string $other, ?int $from = null): array
    {
        $common = [];
        for ($at = $from ?? $this->from; $at <= $this->now; $at++) {
            $beside = NAN;
            if ($other === 'the peer median') {
                $peers = [];
                foreach ($this->compared() as $key => $values) {
                    if ($key !== 'home' && $values[$at] !== null) {
                        $peers[] = $values[$at];
                    }
                }
                sort($peers);
                $n = count($peers);
                $beside = $n === 0 ? NAN : ($peers[intdiv($n - 1, 2)] + $peers[intdiv($n, 2)]) / 2;
            } else {
                $beside = $this->value($other, $at);
            }
            if (!is_nan($beside) && !is_nan($this->value($name, $at))) {
                $common[$at] = [$this->value($name, $at), $beside];
            }
        }

        return $common;
    }
}
