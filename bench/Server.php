<?php

declare(strict_types=1);

namespace Bench;

use RuntimeException;
use Symfony\Component\Process\Process;

/** The application on a database of its own, asked over HTTP as a browser asks it. */
final class Server
{
    private string $token = '';

    private function __construct(
        public readonly string $folder,
        private readonly Process $process,
        private readonly int $port,
    ) {}

    public static function start(): self
    {
        $folder = sys_get_temp_dir() . '/dusk-rail-bench-' . getmypid();
        mkdir($folder);
        touch("{$folder}/bench.sqlite");
        $environment = ['DB_DATABASE' => "{$folder}/bench.sqlite"];
        $root = dirname(__DIR__);
        (new Process(['php', 'artisan', 'migrate', '--force', '--quiet'], $root, $environment))->mustRun();
        $port = 8790 + (getmypid() % 100);
        $process = new Process(
            [
                'php',
                '-d',
                'opcache.enable=1',
                '-d',
                'opcache.revalidate_freq=10',
                '-d',
                'opcache.jit=tracing',
                '-d',
                'opcache.jit_buffer_size=64M',
                '-d',
                'memory_limit=512M',
                '-d',
                'upload_max_filesize=200M',
                '-d',
                'post_max_size=210M',
                '-S',
                "127.0.0.1:{$port}",
                '../vendor/laravel/framework/src/Illuminate/Foundation/resources/server.php',
            ],
            "{$root}/public",
            $environment,
            null,
            null,
        );
        $process->disableOutput();
        $process->start();
        for ($try = 0; $try < 100 && @fsockopen('127.0.0.1', $port) === false; $try++) {
            usleep(50_000);
        }

        return new self($folder, $process, $port);
    }

    /** @return array{seconds: float, megabytes: float} */
    public function import(string $file): array
    {
        $process = new Process(
            ['php', '-d', 'memory_limit=1G', 'bench/import.php', $file],
            dirname(__DIR__),
            ['DB_DATABASE' => "{$this->folder}/bench.sqlite"],
            null,
            300,
        );
        $process->mustRun();
        /** @var array{seconds: float, megabytes: float} $figures */
        $figures = json_decode($process->getOutput(), true, 8, JSON_THROW_ON_ERROR);

        return $figures;
    }

    /**
     * Imports a file and edits its study many times: focus, peers, stops, windows, bases, ranges, words.
     *
     * @return array{p50: float, p95: float, kilobytes: float} milliseconds from request to whole answer, and the
     *     largest answer
     */
    public function edits(string $file, int $count): array
    {
        $this->import($file);
        $dataset = $this->ask('GET', '/');
        preg_match_all('#/datasets/(\d+)/studies#', $dataset, $sets);
        $id = (int) array_reduce($sets[1], static fn(int $m, string $id): int => max($m, (int) $id), 0);
        $this->ask('POST', "/datasets/{$id}/studies", ['measure' => 'flow']);
        preg_match_all('#/studies/(\d+)#', $this->ask('GET', '/'), $found);
        $study = (int) array_reduce($found[1], static fn(int $m, string $id): int => max($m, (int) $id), 0);
        $edits = [
            ['change' => 'add-stop', 'stop' => 'rolling'],
            ['change' => 'add-stop', 'stop' => 'index'],
            ...array_map(
                static fn(int $i): array => match ($i % 6) {
                    0 => [
                        'change' => 'state',
                        'entity' => 'entity-' . $i % 20,
                        'state' => $i % 12 === 0 ? 'focus' : 'off',
                    ],
                    1 => [
                        'change' => 'change-stop',
                        'id' => 's1',
                        'settings' => ['window' => (string) (3 + ($i % 10))],
                    ],
                    2 => [
                        'change' => 'change-stop',
                        'id' => 's2',
                        'settings' => ['base' => (string) (2012 + ($i % 6))],
                    ],
                    3 => ['change' => 'range', 'range' => '2011-0' . (1 + ($i % 9)) . '..2018-12'],
                    4 => ['change' => 'words', 'part' => 'headline', 'text' => "Message {$i}"],
                    default => ['change' => 'bypass-stop', 'id' => 's2', 'bypassed' => (string) (intdiv($i, 6) % 2)],
                },
                range(1, $count),
            ),
        ];
        $took = [];
        $largest = 0;
        $this->ask('GET', "/studies/{$study}");
        foreach ($edits as $edit) {
            $start = hrtime(true);
            $answer = $this->ask('POST', "/studies/{$study}/changes", $edit);
            $took[] = (hrtime(true) - $start) / 1e6;
            $largest = max($largest, strlen((string) gzencode($answer, 6)));
        }
        // The first two warm the caches.
        $took = array_slice($took, 2);
        sort($took);

        return [
            'p50' => $took[intdiv(count($took), 2)],
            'p95' => $took[(int) ceil(0.95 * count($took)) - 1],
            'kilobytes' => $largest / 1e3,
        ];
    }

    /**
     * With the demo data: a study drawn as a slide, and a brief of six studies written for each of its 24 utilities.
     *
     * @return array{png: list<float>, briefs: float} milliseconds from request to whole picture, plain and with
     *     twice the pixels, and seconds for all briefs
     */
    public function rendered(): array
    {
        $artisan = fn(string ...$arguments) => (new Process(
            ['php', 'artisan', ...array_values($arguments)],
            dirname(__DIR__),
            ['DB_DATABASE' => "{$this->folder}/bench.sqlite"],
            null,
            300,
        ))->mustRun();
        $artisan('demo:load', '--quiet');
        preg_match_all('#/studies/(\d+)">#', $this->ask('GET', '/'), $found);
        // The demo's, which were made last and come first.
        $studies = array_slice(array_values(array_unique($found[1])), 0, 6);
        $png = [];
        foreach ([1, 2] as $times) {
            $took = [];
            for ($i = 0; $i < 5; $i++) {
                $start = hrtime(true);
                $this->ask('GET', "/studies/{$studies[0]}/hand-over/png?size=slide&times={$times}");
                $took[] = (hrtime(true) - $start) / 1e6;
            }
            sort($took);
            $png[] = $took[2];
        }
        $this->ask('POST', '/briefs', ['name' => 'Bench']);
        preg_match_all('#/briefs/(\d+)"#', $this->ask('GET', '/'), $briefs);
        $brief = (string) max(array_map(intval(...), $briefs[1]) ?: [0]);
        foreach ($studies as $study) {
            $this->ask('PUT', "/briefs/{$brief}", ['study' => $study]);
        }
        mkdir("{$this->folder}/pdf");
        $start = hrtime(true);
        $artisan('brief:render', $brief, '--each', "--out={$this->folder}/pdf", '--json');
        $seconds = (hrtime(true) - $start) / 1e9;
        array_map(unlink(...), glob("{$this->folder}/pdf/*") ?: []);
        rmdir("{$this->folder}/pdf");

        return ['png' => $png, 'briefs' => $seconds];
    }

    public function stop(): void
    {
        $this->process->stop(1);
        foreach (glob("{$this->folder}/*") ?: [] as $file) {
            unlink($file);
        }
        rmdir($this->folder);
    }

    /** @param array<string, mixed> $fields */
    private function ask(string $method, string $path, array $fields = []): string
    {
        $curl = curl_init("http://127.0.0.1:{$this->port}{$path}");
        assert($curl !== false);
        curl_setopt_array(
            $curl,
            [
                CURLOPT_RETURNTRANSFER => true,

                CURLOPT_COOKIEJAR => "{$this->folder}/cookies",
                CURLOPT_COOKIEFILE => "{$this->folder}/cookies",
                CURLOPT_CUSTOMREQUEST => $method ?: 'GET',
                CURLOPT_HTTPHEADER => ["X-CSRF-TOKEN: {$this->token}"],
            ] + ($method === 'GET' ? [] : [CURLOPT_POSTFIELDS => http_build_query($fields)]),
        );
        $answer = curl_exec($curl);
        $status = curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
        curl_close($curl);
        if (!is_string($answer) || $status >= 400) {
            throw new RuntimeException("{$method} {$path} answered {$status}.");
        }
        if (preg_match('/X-CSRF-TOKEN&quot;: &quot;(\w+)|X-CSRF-TOKEN": "(\w+)/', $answer, $m) === 1) {
            $this->token = end($m);
        }

        return $answer;
    }
}
