<?php

declare(strict_types=1);

namespace Tests\Feature;

use Bench\BenchData;
use LogicException;
use PDO;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** A process that is killed in the middle of an import leaves the database as it was before. */
final class KilledImportTest extends TestCase
{
    public function testAnImportThatIsKilledLeavesNothingBehind(): void
    {
        $folder = sys_get_temp_dir().'/dusk-rail-killed-'.getmypid();
        mkdir($folder);
        touch("{$folder}/test.sqlite");
        $root = dirname(__DIR__, 2);
        $environment = ['DB_DATABASE' => "{$folder}/test.sqlite"];
        (new Process(['php', 'artisan', 'migrate', '--force', '--quiet'], $root, $environment))->mustRun();
        $small = BenchData::csv("{$folder}/small.csv", 3, 24);
        (new Process(['php', 'bench/import.php', $small], $root, $environment))->mustRun();
        $large = BenchData::csv("{$folder}/large.csv", 3_000, 120);
        $database = new PDO("sqlite:{$folder}/test.sqlite");
        $count = static fn(string $table): int => (int) ($database->query("select count(*) from {$table}") ?: throw new \RuntimeException())->fetchColumn();
        $killed = 0;
        // The writing starts when the log of the database grows; it is killed a little later each time.
        foreach ([0, 60_000, 150_000] as $later) {
            $import = new Process(['php', '-d', 'memory_limit=1G', 'bench/import.php', $large], $root, $environment, null, 60);
            $before = (int) @filesize("{$folder}/test.sqlite-wal");
            $import->start();
            while ($import->isRunning()) {
                clearstatcache();
                if ((int) @filesize("{$folder}/test.sqlite-wal") > $before + 40_000) {
                    usleep($later);
                    // It may have come to its end meanwhile; then there is nothing to kill.
                    try {
                        $import->signal(SIGKILL);
                        $killed++;
                    } catch (LogicException) {
                    }
                    break;
                }
                usleep(2_000);
            }
            $import->wait();
            if ($import->isSuccessful()) {
                continue;
            }
            self::assertSame([1, 3, 3], [$count('datasets'), $count('entities'), $count('series')]);
            $check = $database->query('pragma integrity_check');
            self::assertSame('ok', $check === false ? '' : $check->fetchColumn());
        }
        self::assertGreaterThan(0, $killed);
        unset($database, $check);
        array_map(unlink(...), glob("{$folder}/*") ?: []);
        rmdir($folder);
    }
}
