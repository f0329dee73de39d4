<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Filesystem\Filesystem;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\ExecutableFinder;
use Symfony\Component\Process\Process;

/** bin/serve: what dies is started again, edits at once are all kept, and a stop leaves nothing running. */
final class ServerTest extends TestCase
{
    private string $folder = '';

    private ?Process $server = null;

    private int $port = 0;

    protected function setUp(): void
    {
        $finder = new ExecutableFinder();
        if (
            $finder->find('nginx', null, ['/usr/sbin']) === null ||
            $finder->find('php-fpm' . PHP_MAJOR_VERSION . '.' . PHP_MINOR_VERSION, null, ['/usr/sbin']) === null
        ) {
            self::markTestSkipped('nginx and php-fpm are not here; bin/serve installs them.');
        }
        $this->folder = sys_get_temp_dir() . '/dusk-rail-server-' . getmypid();
        foreach (['app/uploads', 'framework/cache/data', 'framework/sessions', 'framework/views', 'logs'] as $room) {
            mkdir("{$this->folder}/storage/{$room}", recursive: true);
        }
        touch("{$this->folder}/test.sqlite");
        $this->port = random_int(18_000, 28_000);
        $this->artisan('data:upgrade');
        $this->artisan('demo:load');
        $this->server = new Process(
            ['bin/serve', '--port', (string) $this->port],
            dirname(__DIR__, 2),
            $this->environment(),
        );
        $this->server->setTimeout(null);
        $this->server->disableOutput();
        $this->server->start();
    }

    protected function tearDown(): void
    {
        $this->server?->stop(20, SIGTERM);
        (new Filesystem())->deleteDirectory($this->folder);
    }

    #[Group('slow')]
    public function testWhatDiesIsStartedAgainAndNothingIsLostOrLeftRunning(): void
    {
        self::assertStringContainsString('"database":"answers"', $this->answered());
        // Edits of one study by several at once: every one is among the revisions, and none fails.
        $load = new Process(
            ['php', 'bench/load.php', "http://127.0.0.1:{$this->port}", '2', '20', '48'],
            dirname(__DIR__, 2),
        );
        $load->setTimeout(180);
        $load->mustRun();
        self::assertSame(3, substr_count($load->getOutput(), ' 0 not made'), $load->getOutput());
        self::assertStringContainsString('20 pairs of edits at once: 0 lost', $load->getOutput());
        foreach (['php-fpm: master process (', 'nginx: master process nginx -c', 'artisan queue:work'] as $part) {
            $before = $this->running($part);
            self::assertNotSame([], $before, $part);
            foreach ($before as $pid) {
                posix_kill($pid, SIGKILL);
            }
            $again = [];
            for ($try = 0; $try < 100 && $again === []; $try++) {
                usleep(100_000);
                $again = array_diff($this->running($part), $before);
            }
            self::assertNotSame([], $again, $part);
            self::assertStringContainsString('"database":"answers"', $this->answered());
        }
        $this->server?->signal(SIGTERM);
        for ($try = 0; $try < 300 && $this->server?->isRunning() === true; $try++) {
            usleep(100_000);
        }
        self::assertSame(0, $this->server?->getExitCode());
        foreach (['php-fpm: master', 'nginx: master', 'artisan queue:work', 'artisan schedule:work'] as $part) {
            self::assertSame([], $this->running($part), $part);
        }
    }

    /** @return list<int> processes of this server whose command has a part */
    private function running(string $part): array
    {
        $found = [];
        foreach (glob('/proc/[0-9]*') ?: [] as $process) {
            $command = str_replace("\0", ' ', (string) @file_get_contents("{$process}/cmdline"));
            $environment = (string) @file_get_contents("{$process}/environ");
            // Those that give themselves a name write it over their environment.
            if (str_contains($command, $part) && str_contains($command . $environment, $this->folder)) {
                $found[] = (int) basename($process);
            }
        }

        return $found;
    }

    private function answered(): string
    {
        $said = '';
        for ($try = 0; $try < 600 && !str_contains($said, '"database"'); $try++) {
            usleep(100_000);
            $said = (string) @file_get_contents("http://127.0.0.1:{$this->port}/up");
        }

        return $said;
    }

    private function artisan(string $command): void
    {
        (new Process(['php', 'artisan', $command, '--quiet'], dirname(__DIR__, 2), $this->environment()))
            ->setTimeout(120)
            ->mustRun();
    }

    /** @return array<string, string> */
    private function environment(): array
    {
        return [
            'TMPDIR' => $this->folder,
            'LARAVEL_STORAGE_PATH' => "{$this->folder}/storage",
            'DB_DATABASE' => "{$this->folder}/test.sqlite",
            'APP_ENV' => 'local',
            'SESSION_DRIVER' => 'file',
            'CACHE_STORE' => 'file',
        ];
    }
}
