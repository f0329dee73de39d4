<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\PeerSetRules;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Rail\Rail;
use DuskRail\Rail\Remark;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Settings\InvalidSetting;
use PHPUnit\Framework\TestCase;

/** What an entity cannot help is allowed for by a fit across its peers. */
final class AllowForTest extends TestCase
{
    /** Twelve peers on the line 3 + 2 × density but one; home, at 20, is expected at 43 and has 50. */
    public function testAValueStandsBesideWhatIsExpectedOfIt(): void
    {
        $data = self::towns(static fn(float $density): float => 3 + 2 * $density, 20.0, 50.0);
        self::assertSame(7.0, self::end($data, ['scale' => 'plain']));
        self::assertSame(round(50 / 43, 9), self::end($data, ['scale' => 'plain', 'as' => 'ratio']));
        self::assertSame(7.0, self::end($data, ['scale' => 'plain', 'over' => 'all', 'method' => 'medians']));
        $run = self::compared($data, ['driver' => 'density', 'scale' => 'plain'])->run;
        self::assertSame('R² 1.00, 12 peers', $run->steps[0]->outcome->note);
        $how = $run->steps[0]->placed->stop->explain(
            $run->origin,
            $run->table(),
            self::compared($data, ['driver' => 'density'])->data,
            'home',
            0,
        );
        self::assertSame(
            '50 − (3 + 2 × 20 (density)); R² 1.00, 12 peers; without any one peer, expected 43 to 43',
            $how->text,
        );
        // Beyond all peers, what is expected is said to be drawn on.
        self::assertSame(
            ['Home lies 67 % above the highest peer in Density; what is expected of it is extrapolated in 2020'],
            array_map(static fn(Remark $r): string => $r->sentence, $run->steps[0]->outcome->remarks),
        );
        $low = self::towns(static fn(float $density): float => 3 + 2 * $density, 0.5, 4.0);
        self::assertSame(
            'Home lies 50 % below the lowest peer in Density; what is expected of it is extrapolated in 2020',
            self::compared($low, ['driver' => 'density', 'scale' => 'plain'])->run->steps[0]->outcome->remarks[0]
                ->sentence,
        );
    }

    /** A line that falls is written as one; places have nothing expected of them, and differences no ratio. */
    public function testWhatIsExpectedIsWrittenWithItsSignAndRefusedOfWhatIsNoAmount(): void
    {
        $data = self::towns(static fn(float $density): float => 100 - 2 * $density, 6.0, 90.0);
        $comparison = self::compared($data, ['driver' => 'density', 'scale' => 'plain']);
        $step = $comparison->run->steps[0];
        $how = $step->placed->stop->explain($step->arriving, $step->outcome->table, $comparison->data, 'home', 0);
        self::assertStringStartsWith('90 − (100 − 2 × 6 (density))', $how->text);
        $after = static function (string $stop, array $settings, string $as) use ($data): string {
            $rail = Rail::of()
                ->with(StopCatalogue::make($stop, $settings))
                ->with(StopCatalogue::make('allow-for', ['driver' => 'density', 'as' => $as]));

            return (string) Comparison::of(Study::first('S', 'cost', $data)->withRail($rail), $data)->run->refused()
                ?->refusal;
        };
        self::assertStringContainsString('no expected value', $after('rank', [], 'difference'));
        self::assertStringContainsString('Use the difference', $after('against', ['as' => 'difference'], 'ratio'));
        self::assertSame('', $after('against', ['as' => 'difference'], 'difference'));
    }

    /** Ten times the density is a hundred times the cost: a line in logarithms, asked for by the scales. */
    public function testLogarithmsAreTakenWhereTheScalesAskForThem(): void
    {
        $data = self::towns(static fn(float $density): float => 5 * $density ** 2, 6.0, 360.0);
        $comparison = self::compared($data, ['driver' => 'density', 'as' => 'ratio']);
        self::assertEqualsWithDelta(2.0, $comparison->line('home')->values[0] ?? NAN, 1e-9);
        $plain = self::compared($data, ['driver' => 'density', 'as' => 'ratio', 'scale' => 'plain']);
        self::assertGreaterThan(0.1, abs(2.0 - ($plain->line('home')->values[0] ?? NAN)));
    }

    public function testTheFitIsOfTheSetAndFewPeersAreRefused(): void
    {
        $towns = self::towns(static fn(float $density): float => 3 + 2 * $density, 5.0, 13.0);
        // One more that is far off, and is not of the set.
        $data = self::towns(static fn(float $density): float => 3 + 2 * $density, 5.0, 13.0, ['odd' => [5.0, 9000.0]]);
        $settings = ['driver' => 'density', 'scale' => 'plain'];
        self::assertEqualsWithDelta(0.0, self::compared($towns, $settings)->line('home')->values[0] ?? NAN, 1e-9);
        self::assertLessThan(-100.0, self::compared($data, $settings)->line('home')->values[0] ?? NAN);
        $set = self::compared($data, $settings, 'set:plain');
        self::assertEqualsWithDelta(0.0, $set->line('home')->values[0] ?? NAN, 1e-9);
        self::assertEqualsWithDelta(8987.0, $set->line('odd')->values[0] ?? NAN, 1e-6);
        self::assertSame(
            '9 peers have all values; a fit needs at least 10 per driver. Use fewer drivers, or a larger peer set.',
            self::compared($towns, $settings, off: ['t1', 't2', 't3'])->run->refused()?->refusal,
        );
        self::assertStringContainsString(
            '12 peers have all values',
            (string) self::compared($towns, [...$settings, 'second' => 'noise'])->run->refused()?->refusal,
        );
        $noise = self::compared($towns, ['driver' => 'noise', 'scale' => 'plain']);
        self::assertStringContainsString(
            'Noise explain next to nothing in 2020',
            $noise->run->steps[0]->outcome->remarks[0]->sentence,
        );
        $this->expectException(InvalidSetting::class);
        $this->expectExceptionMessage('the same driver is chosen twice');
        StopCatalogue::make('allow-for', ['driver' => 'density', 'second' => 'density']);
    }

    /** What one adds first is the driver that explains most. */
    public function testTheFirstDriverIsTheOneThatExplainsMost(): void
    {
        $data = self::towns(static fn(float $d): float => 3 + 2 * $d + (fmod($d, 3.0) - 1.0), 5.0, 13.0);
        $study = Study::first('S', 'cost', $data);
        $scope = $study->scope($data);
        $usual = StopCatalogue::named('allow-for')::default($scope->table('cost'), $scope);
        self::assertSame('density', $usual->settings()['driver']);
        // Without one or the other of peers that are not on one line, something else is expected.
        $step = self::compared($data, ['driver' => 'density', 'scale' => 'plain'])->run->steps[0];
        $how = $step->placed->stop->explain($step->arriving, $step->outcome->table, $scope, 'home', 0);
        preg_match('/expected ([\d.]+) to ([\d.]+)$/', $how->text, $found);
        self::assertLessThan((float) ($found[2] ?? 0), (float) ($found[1] ?? 0));
    }

    /** @param array<string, mixed> $settings */
    private static function end(DataInMemory $data, array $settings): float
    {
        $comparison = self::compared($data, ['driver' => 'density', ...$settings]);

        return round($comparison->line('home')->values[0] ?? NAN, 9);
    }

    /**
     * @param array<string, mixed> $settings
     * @param list<string> $off
     */
    private static function compared(DataInMemory $data, array $settings, string $set = '', array $off = []): Comparison
    {
        $study = Study::first('S', 'cost', $data)
            ->withOff($off)
            ->withPart(new PeersPart($set))
            ->withRail(Rail::of()->with(StopCatalogue::make('allow-for', $settings)));

        return Comparison::of($study, $data);
    }

    /**
     * @param callable(float): float $cost of a density from 1 to 12
     * @param array<string, array{float, float}> $more density and cost of others
     */
    private static function towns(callable $cost, float $density, float $own, array $more = []): DataInMemory
    {
        $costs = ['home' => [$own]];
        $densities = ['home' => [$density]];
        $noise = ['home' => [3.0]];
        foreach (range(1, 12) as $n) {
            $costs["t{$n}"] = [$cost((float) $n)];
            $densities["t{$n}"] = [(float) $n];
            // As high on both sides, so that no line goes through it.
            $noise["t{$n}"] = [(float) [1, 5, 2, 6, 3, 4, 4, 3, 6, 2, 5, 1][$n - 1]];
        }
        foreach ($more as $key => [$one, $other]) {
            [$densities[$key], $costs[$key], $noise[$key]] = [[$one], [$other], [3.0]];
        }
        $measures = $tables = [];
        foreach (['cost' => $costs, 'density' => $densities, 'noise' => $noise] as $key => $series) {
            $measures[] = $measure = Make::measure($key, 'kr', MeasureKind::Stock, '2020');
            $tables[$key] = Make::table($measure, '2020', $series);
        }
        $entities = array_map(
            static fn(string $k): Entity => new Entity($k, ucfirst($k), home: $k === 'home'),
            array_keys($costs),
        );
        $plain = array_map(static fn(int $n): string => "t{$n}", range(1, 12));
        $set = PeerSetRules::from(['key' => 'plain', 'name' => 'Plain', 'hand' => ['home', ...$plain]]);

        return new DataInMemory($measures, $entities, $tables, peerSets: ['plain' => $set]);
    }
}
