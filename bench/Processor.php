<?php

declare(strict_types=1);

namespace Bench;

/**
 * How fast this machine is at this moment. Budgets are ratios to it, so that they hold on any machine: a slow minute
 * makes the yardstick longer, too.
 */
final readonly class Processor
{
    private function __construct(private int $used, private int $stolen) {}

    /** Reads /proc/stat (proc(5)): ticks in user and system mode, and stolen, since the machine started. */
    public static function now(): self
    {
        $stat = is_readable('/proc/stat') ? (string) file_get_contents('/proc/stat', false, null, 0, 400) : '';
        $ticks = array_map(intval(...), preg_split('/\s+/', strtok($stat, "\n") ?: '') ?: []);

        return new self(array_sum(array_slice($ticks, 1, 3)), $ticks[8] ?? 0);
    }

    /**
     * Milliseconds of one pass of plain PHP over a million values, which reads each and writes one; the least of three.
     */
    public static function pass(): float
    {
        $values = range(1.0, 1_000_000.0);
        $least = INF;
        for ($try = 0; $try < 3; $try++) {
            $written = $values;
            $start = hrtime(true);
            for ($i = 0; $i < 1_000_000; $i++) {
                $written[$i] = $values[$i] * 1.01 + 1.0;
            }
            $least = min($least, (hrtime(true) - $start) / 1e6);
            assert($written[999_999] > 1e6);
        }

        return $least;
    }

    /**
     * Milliseconds of some work, the middle of so many times.
     *
     * @param callable(): mixed $work
     */
    public static function middle(int $times, callable $work): float
    {
        $took = [];
        for ($i = 0; $i < $times; $i++) {
            $start = hrtime(true);
            $work();
            $took[] = (hrtime(true) - $start) / 1e6;
        }
        sort($took);

        return $took[intdiv($times, 2)];
    }

    /** Share of the time that was wanted, 0 to 1. */
    public function stolenSince(): float
    {
        $now = self::now();
        $stolen = $now->stolen - $this->stolen;

        return $stolen / max(1, $now->used - $this->used + $stolen);
    }
}
