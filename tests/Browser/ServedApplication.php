<?php

declare(strict_types=1);

namespace Tests\Browser;

use Illuminate\Filesystem\Filesystem;
use RuntimeException;
use Symfony\Component\Process\Process;

/** The application served as bin/demo serves it, on a database and a storage folder of its own that outlive a restart. */
final class ServedApplication
{
    /** @var array<int, string> folders that are made once and copied: without the demo, and with it */
    private static array $prepared = [];

    private ?Process $server = null;

    private function __construct(private readonly string $folder, private readonly int $port) {}

    public static function start(bool $demo): self
    {
        $folder = self::folder();
        (new Filesystem())->copyDirectory(self::$prepared[(int) $demo] ??= self::prepare($demo), $folder);
        $served = new self($folder, self::freePort());
        $served->up();

        return $served;
    }

    /** A folder with a database and compiled templates. */
    private static function prepare(bool $demo): string
    {
        $folder = self::folder();
        foreach (['app/uploads', 'framework/cache/data', 'framework/sessions', 'framework/views', 'logs'] as $room) {
            mkdir("{$folder}/storage/{$room}", recursive: true);
        }
        touch("{$folder}/test.sqlite");
        register_shutdown_function(static fn() => (new Filesystem())->deleteDirectory($folder));
        $served = new self($folder, 0);
        $served->artisan('migrate', '--force');
        if ($demo) {
            $served->artisan('demo:load');
        }
        $served->artisan('view:cache');

        return $folder;
    }

    /** A port that nothing listens on. */
    public static function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: throw new RuntimeException('No port is free.');
        $address = (string) stream_socket_get_name($socket, false);
        fclose($socket);

        return (int) substr($address, (int) strrpos($address, ':') + 1);
    }

    private static function folder(): string
    {
        return sys_get_temp_dir() . '/dusk-rail-test-' . getmypid() . '-' . bin2hex(random_bytes(6));
    }

    public function url(string $path): string
    {
        return "http://127.0.0.1:{$this->port}{$path}";
    }

    public function restart(): void
    {
        // Killed, not asked to stop: what was saved must be saved.
        $this->server?->signal(SIGKILL);
        $this->server?->wait();
        $this->up();
    }

    public function stop(): void
    {
        $this->server?->stop(2);
        (new Filesystem())->deleteDirectory($this->folder);
    }

    private function up(): void
    {
        $this->server = new Process(
            [
                'php',
                '-d',
                'opcache.enable=1',
                // So that the server, too, is told by the environment where its files are.
                '-d',
                'variables_order=EGPCS',
                '-S',
                "127.0.0.1:{$this->port}",
                '../vendor/laravel/framework/src/Illuminate/Foundation/resources/server.php',
            ],
            dirname(__DIR__, 2) . '/public',
            $this->environment(),
            null,
            null,
        );
        $this->server->disableOutput();
        $this->server->start();
        for ($try = 0; $try < 100 && @fsockopen('127.0.0.1', $this->port) === false; $try++) {
            usleep(100_000);
        }
    }

    private function artisan(string ...$arguments): void
    {
        (new Process(
            ['php', 'artisan', ...array_values($arguments), '--quiet'],
            dirname(__DIR__, 2),
            $this->environment(),
        ))->mustRun();
    }

    /** @return array<string, string> */
    private function environment(): array
    {
        return [
            'LARAVEL_STORAGE_PATH' => "{$this->folder}/storage",
            'DB_DATABASE' => "{$this->folder}/test.sqlite",
            'APP_ENV' => 'local',
            'APP_DEBUG' => 'true',
            'SESSION_DRIVER' => 'file',
            'CACHE_STORE' => 'file',
        ];
    }
}
