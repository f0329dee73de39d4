<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Data\Better;
use DuskRail\Data\MeasureKind;
use DuskRail\Rail\Formula\Expression;
use DuskRail\Rail\Formula\InvalidFormula;
use DuskRail\Rail\Pool;
use DuskRail\Rail\Rail;
use DuskRail\Rail\Scope;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Rail\Working;
use DuskRail\Settings\InvalidSetting;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Formulas as they are read: precedence, names with spaces, and what is written out again. */
final class FormulaTest extends TestCase
{
    private const NAMES = ['a' => 'Water', 'b' => 'Water supplied', 'c' => 'CO2 (direct)', 'd' => 'here'];

    private const VALUES = ['a' => 3.0, 'b' => 7.0, 'c' => 0.5, 'd' => 11.0];

    /** Random expressions: what is read comes to what PHP makes of the same, and reads back from what is written. */
    public function testAnExpressionMeansWhatArithmeticMeansByIt(): void
    {
        mt_srand(21);
        for ($round = 0; $round < 2_000; $round++) {
            [$text, $expected] = self::expression(mt_rand(0, 4));
            $read = Expression::parse($text, self::NAMES);
            self::assertEqualsWithDelta($expected, self::value($read), 1e-9 * max(1.0, abs($expected)), $text);
            $written = $read->written(static fn(string $key): string => self::NAMES[$key]);
            self::assertEqualsWithDelta(
                $expected,
                self::value(Expression::parse($written, self::NAMES)),
                1e-4 * max(1.0, abs($expected)),
                "{$text} as {$written}",
            );
        }
    }

    public function testTheLongerOfTwoNamesIsMeantAndANameEndsWithItsWord(): void
    {
        self::assertSame(['b'], Expression::parse('water SUPPLIED', self::NAMES)->measures());
        self::assertSame(['a', 'c'], Expression::parse('Water-CO2 (direct)', self::NAMES)->measures());
        foreach (
            [
                'Waters' =>
                    '“Waters” (character 1) is neither a measure nor a number. Available measures: CO2 (direct), ' .
                    'Water, Water supplied, here.',
                'Water supply' => '“supply” (character 7)',
                '1 + €' => '“€” (character 5)',
                '3 4' => '“4” (character 3)',
                ')' => '“)” (character 1)',
            ] as $text => $said
        ) {
            try {
                Expression::parse($text, self::NAMES);
                self::fail("{$text} was read.");
            } catch (InvalidFormula $problem) {
                self::assertStringContainsString($said, $problem->getMessage());
            }
        }
        $this->expectExceptionMessage('Split it into two stops');
        Expression::parse(str_repeat('(', 200) . '1' . str_repeat(')', 200), self::NAMES);
    }

    public function testWhatIsPrintedOfAFormulaComesToWhatIsPlotted(): void
    {
        $data = Make::data([
            'leakage' => ['Ml', MeasureKind::Flow, '2023-11', ['home' => [12, 15, 18, 21], 'marl' => [2, 0, 4, 5]]],
            'supply' => ['Ml', MeasureKind::Flow, '2023-11', ['home' => [100, 120, 90, 0], 'marl' => [10, 10, 20, 20]]],
            'people' => ['people', MeasureKind::Stock, '2023', ['home' => [1000, 1200], 'marl' => [100, 90]]],
        ]);
        $run = Make::run($data, 'formula', ['text' => '(Supply - here) / People * 1000']);
        self::assertSame([88.0, 105.0, 60.0, -17.5], Make::values($run, 'home'));
        self::assertSame('Ml per 1,000 people per month', $run->table()->unit->text());
        $step = Working::of($run, Scope::all($data), 'leakage', 'home', 2)->steps[1];
        self::assertSame(
            ['(90 (Supply) − 18) ÷ 1,200 (People) × 1,000', '60 Ml per 1,000 people per month'],
            [$step->equation, $step->result],
        );
        self::assertCount(2, $step->cells);
        self::assertStringStartsWith('People, 2024', $step->cells[1]);
        // Divided by zero nothing comes out, and it is said of whom.
        $divided = Make::run($data, 'formula', ['text' => 'here ÷ Supply']);
        self::assertNull(Make::values($divided, 'home')[3]);
        self::assertSame(
            'Home: the formula divides by zero in some periods; no value there.',
            $divided->steps[0]->outcome->remarks[0]->sentence,
        );
        // What it is first put in as: per cent of another measure in the same unit.
        $usual = StopCatalogue::all()['formula']::default($data->table('leakage'), Scope::all($data));
        self::assertSame('here ÷ Supply × 100', $usual->settings()['text']);
    }

    /** @return array{string, float} a formula, and what it comes to */
    private static function expression(int $depth): array
    {
        if ($depth === 0) {
            $key = array_rand(self::NAMES);
            $number = mt_rand(1, 9_999) / 10;

            return mt_rand(0, 1) === 0
                ? [self::NAMES[$key], self::VALUES[$key]]
                : [number_format($number, 1), round($number, 1)];
        }
        [$a, $x] = self::expression(mt_rand(0, $depth - 1));
        [$b, $y] = self::expression(mt_rand(0, $depth - 1));
        $space = str_repeat(' ', mt_rand(0, 2));

        return match (mt_rand(0, 4)) {
            0 => ["({$a}{$space}+{$space}{$b})", $x + $y],
            1 => ["({$a}{$space}−{$space}{$b})", $x - $y],
            2 => ["({$a}){$space}×{$space}({$b})", $x * $y],
            3 => abs($y) < 1e-3 ? [$a, $x] : ["({$a}) / ({$b})", $x / $y],
            default => ["-({$a})", -$x],
        };
    }

    private static function value(Expression $expression): float
    {
        return $expression->fold(
            static fn(float $number): float => $number,
            static fn(string $key): float => self::VALUES[$key],
            static fn(string $sign, float $a, float $b): float => match ($sign) {
                '+' => $a + $b,
                '−' => $a - $b,
                '×' => $a * $b,
                default => $a / $b,
            },
        );
    }

    public function testAGroupIsWorkedOutOfTheMembersThatHaveAllPartsAndNotAtAllWhenDividedTwice(): void
    {
        $data = Make::data([
            'leak' => ['Ml', MeasureKind::Flow, '2024', ['a' => [10], 'b' => [20], 'c' => [70]]],
            'supplied' => ['Ml', MeasureKind::Flow, '2024', ['a' => [100], 'b' => [100], 'c' => [null]]],
            'people' => ['people', MeasureKind::Stock, '2024', ['a' => [1], 'b' => [2], 'c' => [4]]],
            'length' => ['km', MeasureKind::Stock, '2024', ['a' => [100], 'b' => [1], 'c' => [5]]],
        ]);
        $scope = Scope::of($data, [], [], Better::Neither, [Pool::sum('g:all', 'All', ['a', 'b', 'c'])]);
        $group = static function (string ...$texts) use ($scope): array {
            $rail = Rail::of();
            foreach ($texts as $text) {
                $rail = $rail->with(StopCatalogue::make('formula', ['text' => $text]));
            }
            $run = $rail->run($scope->table('leak'), $scope);
            $values = Make::values($run, 'g:all');

            return [$run->refused()?->refusal, ...$values, count($run->steps[count($texts) - 1]->outcome->remarks)];
        };
        self::assertSame([null, 15.0, 0], $group('here ÷ Supplied × 100'));
        self::assertSame([null, 85.0, 0], $group('100 − here ÷ Supplied × 100'));
        // 10 + 20 + 70 over 1 + 2 + 4.
        self::assertSame([null, 14.285714, 0], $group('here ÷ People'));
        self::assertSame([null, null, 1], $group('here ÷ People ÷ Length'));
        self::assertSame([null, null, 1], $group('here ÷ People', 'here ÷ Length'));
    }

    #[TestWith(['kg', 'here ÷ 1000', 't per year'])]
    #[TestWith(['t', 'here × 1,000', 'kg per year'])]
    #[TestWith(['t', 'here ÷ 1000000', 'Mt per year'])]
    #[TestWith(['Ml', 'here × 1000000', 'l per year'])]
    #[TestWith(['Wh', 'here ÷ 1000 ÷ 1000', 'MWh per year'])]
    #[TestWith(['crowns', 'here ÷ 1000', 'thousand crowns per year'])]
    #[TestWith(['thousand crowns', 'here × 1000', 'crowns per year'])]
    #[TestWith(['crowns thousand', 'here ÷ 1000', 'million crowns per year'])]
    #[TestWith(['crowns', 'here × 2', 'crowns per year'])]
    #[TestWith(['kg', 'here × 5', 'kg per year'])]
    #[TestWith(['kg', 'here × 700', 'kg per year'])]
    #[TestWith(['crowns', 'here × 0.01', 'crowns per year'])]
    #[TestWith(['kg', 'Each × People ÷ 1000', 't'])]
    #[TestWith(['kg', '1000 × here ÷ People', 'g per person per year'])]
    public function testAPowerOfTenGoesIntoTheUnit(string $unit, string $text, string $expected): void
    {
        $data = Make::data([
            'flow' => [$unit, MeasureKind::Flow, '2024', ['a' => [10], 'b' => [20]]],
            'people' => ['people', MeasureKind::Stock, '2024', ['a' => [1], 'b' => [2]]],
            'each' => ['kg per person', MeasureKind::Rate, '2024', ['a' => [400], 'b' => [500]]],
        ]);
        $run = Make::run($data, 'formula', ['text' => $text]);
        self::assertNull($run->refused()?->refusal);
        self::assertSame($expected, $run->table()->unit->text());
    }

    #[TestWith([''])]
    #[TestWith([1_000])]
    public function testAFormulaIsNeitherEmptyNorEndless(string|int $text): void
    {
        $this->expectException(InvalidSetting::class);
        $this->expectExceptionMessage('characters, for example “here ÷ 2”');
        StopCatalogue::make('formula', ['text' => is_int($text) ? 'here' . str_repeat(' + 1', $text) : $text]);
    }
}
