<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Rail\Combinations;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Which calculation is possible after which. */
final class CombinationsTest extends TestCase
{
    #[TestWith(['rolling sum', 'by the year', 'Rolling windows overlap'])]
    #[TestWith(['rolling sum', 'running total', 'Rolling windows overlap'])]
    #[TestWith(['rolling sum', 'rolling sum', 'which overlap'])]
    #[TestWith(['rolling mean', 'by the year', 'Rolling windows overlap'])]
    #[TestWith(['rolling mean', 'per day', 'covers the days of several periods'])]
    #[TestWith(['rolling sum', '÷ a flow', 'The input is a sum of several months'])]
    #[TestWith(['÷ a level', 'share', 'which cannot be summed'])]
    #[TestWith(['÷ a level', '÷ a level', 'The input contains ratios (crowns per 1,000 people per month)'])]
    #[TestWith(['rank', 'rolling mean', 'The input contains ranks'])]
    #[TestWith(['standardise', 'rolling mean', 'The input contains scores'])]
    #[TestWith(['change in per cent', 'index', 'which cannot be indexed'])]
    #[TestWith(['difference from peers', 'change in per cent', 'is misleading'])]
    #[TestWith(['difference from peers', 'index', 'which cannot be indexed'])]
    #[TestWith(['change as difference', 'change in per cent', 'is misleading'])]
    #[TestWith(['share', 'change in per cent', 'is misleading'])]
    #[TestWith(['real terms', 'real terms', 'already at constant prices'])]
    #[TestWith(['running total', 'real terms', 'which mix the prices of several periods'])]
    #[TestWith(['change as difference', 'real terms', 'prices of both'])]
    #[TestWith(['index', 'by the year', 'neither the sum nor the mean'])]
    public function testWhatMisleadsIsRefusedWithItsReason(string $first, string $second, string $reason): void
    {
        [$what, $sentence] = Combinations::tried($first, $second);
        self::assertSame('no', $what, $sentence);
        self::assertStringContainsString($reason, $sentence);
    }

    #[TestWith(['seasonal adjustment', 'by the year'])]
    #[TestWith(['seasonal adjustment', '÷ a level'])]
    #[TestWith(['per day', '÷ a level'])]
    #[TestWith(['per day', 'share'])]
    #[TestWith(['÷ a level', 'per day'])]
    #[TestWith(['rolling sum', '÷ a level'])]
    #[TestWith(['running total', 'by the year'])]
    #[TestWith(['by the year', 'real terms'])]
    #[TestWith(['standardise', 'rank'])]
    #[TestWith(['index', 'change in per cent'])]
    #[TestWith(['change in per cent', 'rank'])]
    public function testWhatMakesSenseIsDone(string $first, string $second): void
    {
        self::assertSame(['yes', ''], Combinations::tried($first, $second));
    }

    /** What is refused for some values is refused for all values of that kind, and nothing else is. */
    #[Group('slow')]
    public function testARefusalNeverDependsOnTheValues(): void
    {
        $others = [
            Combinations::data(static fn(int $entity, int $i): float => $i % 5 === 0 ? -3.0 * $entity : 20.0 - $i),
            Combinations::data(static fn(): float => 0.0),
            Combinations::data(static fn(int $entity, int $i): float => ($entity + $i) % 3 === 0 ? NAN : 7.0),
        ];
        foreach (Combinations::names() as $first) {
            foreach (Combinations::names() as $second) {
                [$what, $reason] = Combinations::tried($first, $second);
                foreach ($others as $number => $data) {
                    [$then, $why] = Combinations::tried($first, $second, $data);
                    self::assertSame(
                        [$what === 'no', $what === 'no' ? $reason : ''],
                        [$then === 'no', $then === 'no' ? $why : ''],
                        "{$second} after {$first}, figures {$number}",
                    );
                }
            }
        }
    }
}
