<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Numerals;
use DuskRail\Data\Series;
use DuskRail\Data\SeriesTable;
use DuskRail\Document\Changes\SetMeasure;
use DuskRail\Document\Parts\LinesPart;
use DuskRail\Document\Parts\ScatterPart;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Scattered;
use DuskRail\Outcome\ScatterPoint;
use DuskRail\Rail\Rail;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Rail\Working;
use DuskRail\Time\Frequency;
use DuskRail\Time\PeriodAxis;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A number that is said of entities is a measure with one value for all periods. */
final class AttributesTest extends TestCase
{
    /** @return iterable<string, array{Frequency, string, array<string, string|float>}> */
    public static function uses(): iterable
    {
        foreach ([Frequency::Month, Frequency::Year, Frequency::Number] as $f) {
            yield "area as denominator, {$f->value}" => [$f, 'per-denominator', ['measure' => '*', 'times' => 100.0]];
            yield "area as driver, {$f->value}" => [$f, 'allow-for', ['driver' => '*', 'scale' => 'plain']];
            yield "area in a formula, {$f->value}" => [$f, 'formula', ['text' => 'here ÷ * × 10']];
        }
    }

    /**
     * Random data: the attribute gives what a measure gives that has the same value in each period.
     *
     * @param array<string, string|float> $settings with a star for the key, or in a formula for the name
     */
    #[DataProvider('uses')]
    public function testItGivesWhatAMeasureOfTheSameValuesGives(Frequency $of, string $stop, array $settings): void
    {
        mt_srand(7 + strlen($stop));
        for ($run = 0; $run < 20; $run++) {
            $count = 3 + mt_rand(0, 20);
            $data = self::data($of, $of === Frequency::Month ? 24_230 : 2000, $count);
            $as = static fn(string $key, string $name): Rail => Rail::of()->with(
                StopCatalogue::make(
                    $stop,
                    array_map(
                        static fn(string|float $s): string|float => is_string($s)
                            ? str_replace('*', $stop === 'formula' ? $name : $key, $s)
                            : $s,
                        $settings,
                    ),
                ),
            );
            $study = Study::first('S', 'cost', $data);
            $attribute = Comparison::of($study->withRail($as('about:area (km²)', 'Area')), $data);
            $measure = Comparison::of($study->withRail($as('extent', 'Extent')), $data);
            self::assertNull($attribute->run->refused(), (string) $attribute->run->refused()?->refusal);
            for ($i = 0; $i < 14; $i++) {
                self::assertSame(Make::values($measure->run, "t{$i}"), Make::values($attribute->run, "t{$i}"));
            }
            self::assertSame($measure->run->table()->unit->text(), $attribute->run->table()->unit->text());
            $remarks = $attribute->run->steps[0]->outcome->remarks;
            self::assertStringNotContainsString('copied down', implode(array_column($remarks, 'sentence')));
        }
    }

    /** The horizontal axis of a scatter is chosen like a measure; a study's own measure and its lines are not. */
    public function testItCanBeSetAgainstAMeasureButIsNoLine(): void
    {
        $data = self::data(Frequency::Month, 24_230, 30);
        $study = Study::first('S', 'cost', $data)->withView('scatter');
        $along = static fn(string $key): array => array_map(
            static fn(ScatterPoint $p): array => [$p->line->name, $p->x, $p->y],
            Scattered::of(
                Comparison::of($study->withPart(ScatterPart::from(['measure' => $key, 'at' => 'latest'])), $data),
            )->points,
        );
        self::assertGreaterThan(9, count($along('about:area (km²)')));
        self::assertSame($along('extent'), $along('about:area (km²)'));
        $set = SetMeasure::from(['measure' => 'about:area (km²)']);
        self::assertSame('about:area (km²)', $set->apply($study, $data)->measure);
        $lines = Comparison::of($study->withPart(LinesPart::from(['across' => 'measures'])), $data)->lines;
        self::assertNotContains('m:about:area (km²)', array_map(static fn($line): string => $line->key, $lines));
        // One that is text, that is the same everywhere, or has the name of a measure is none.
        self::assertSame(
            ['cost', 'extent', 'about:area (km²)', 'about:density'],
            array_keys($study->scope($data)->measures()),
        );
        self::assertSame(MeasureKind::Rate, $study->scope($data)->measures()['about:density']->kind);
        self::assertSame('km²', $study->scope($data)->measures()['about:area (km²)']->unit->text());
    }

    public function testTheWorkingSaysThatItIsAnAttribute(): void
    {
        $data = self::data(Frequency::Month, 24_230, 30);
        $rail = Rail::of()->with(StopCatalogue::make('per-denominator', ['measure' => 'about:area (km²)']));
        $comparison = Comparison::of(Study::first('S', 'cost', $data)->withRail($rail), $data);
        self::assertSame('one denominator for all periods', $comparison->run->steps[0]->outcome->note);
        self::assertStringContainsString(
            "\n    Area: an attribute of Town 3",
            Working::of($comparison->run, $comparison->data, 'cost', 't3', 12)->text(),
        );
    }

    /** @return iterable<string, array{list<string>, list<float>|null}> */
    public static function columns(): iterable
    {
        yield 'decimal commas, one of which could be thousands' => [['1,5', '2,125', '3'], [1.5, 2.125, 3.0]];
        yield 'thousands, as no other comma is' => [['1,500', '2,125', '3'], [1500.0, 2125.0, 3.0]];
        yield 'points for thousands beside decimal commas' => [['1.234,5', '2.000', '0,25'], [1234.5, 2000.0, 0.25]];
        yield 'per cent, and one unknown' => [['61 %', '7.5%', 'n/a', '–'], [61.0, 7.5]];
        yield 'codes' => [['007', '012'], null];
        yield 'a text' => [['12', 'rural'], null];
        yield 'both marks' => [['1,5', '1,234.5'], null];
    }

    /**
     * @param list<string> $texts
     * @param list<float>|null $numbers
     */
    #[DataProvider('columns')]
    public function testAColumnIsReadTogether(array $texts, ?array $numbers): void
    {
        self::assertSame($numbers, Numerals::readColumn($texts));
    }

    /** Fourteen towns with costs; their area is an attribute, and as extent also a measure. */
    private static function data(Frequency $frequency, int $first, int $count): DataInMemory
    {
        $axis = PeriodAxis::of($frequency, $first, $count);
        $cost = Measure::of('cost', 'Cost', '€', MeasureKind::Flow, $frequency);
        $extent = Measure::of('extent', 'Extent', 'km²', MeasureKind::Stock, $frequency);
        $entities = $costs = $extents = [];
        for ($i = 0; $i < 14; $i++) {
            $area = mt_rand(100, 9999) / 10;
            $entities[] = new Entity("t{$i}", "Town {$i}", home: $i === 0, attributes: [
                'area (km²)' => number_format($area, 1, ',', '.'),
                'density' => (string) mt_rand(10, 500),
                'cost' => (string) $i,
                'region' => $i % 2 === 0 ? 'North' : 'South',
                'country' => '1',
            ]);
            $value = static fn(): float => mt_rand(0, 9) === 0 ? NAN : mt_rand(1, 999) / 7;
            $costs[] = new Series("t{$i}", array_map($value, range(1, $count)));
            $extents[] = new Series("t{$i}", array_fill(0, $count, $area));
        }

        return new DataInMemory([$cost, $extent], $entities, [
            'cost' => new SeriesTable($axis, $cost->unitEach(), $cost->kind, $costs),
            'extent' => new SeriesTable($axis, $extent->unitEach(), $extent->kind, $extents),
        ]);
    }
}
