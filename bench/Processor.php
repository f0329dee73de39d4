<?php

declare(strict_types=1);

namespace Bench;

/**
 * How much processor time other machines on the same host took away: while they do, values say little of the program.
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
     * Milliseconds of the same simple loop, the least of three: a host can be slow, and no count of it says so.
     */
    public static function loop(): float
    {
        $least = INF;
        for ($try = 0; $try < 3; $try++) {
            $start = hrtime(true);
            $sum = 0.0;
            for ($i = 1; $i <= 1_000_000; $i++) {
                $sum += 1.0 / $i;
            }
            assert($sum > 14.0);
            $least = min($least, (hrtime(true) - $start) / 1e6);
        }

        return $least;
    }

    /** Share of the time that was wanted, 0 to 1. */
    public function stolenSince(): float
    {
        $now = self::now();
        $stolen = $now->stolen - $this->stolen;

        return $stolen / max(1, $now->used - $this->used + $stolen);
    }
}
