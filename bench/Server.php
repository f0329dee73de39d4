<?php

declare(strict_types=1);

namespace Bench;

use CurlHandle;
use Illuminate\Filesystem\Filesystem;
use RuntimeException;
use Symfony\Component\Process\Process;

/** The application on a database of its own, asked over HTTP as a browser asks it. */
final class Server
{
    private string $token = '';

    /** Fingerprints of the regions of the last page. */
    private string $regions = '';

    /** Bytes of the last answer as they came over the wire. */
    private int $sent = 0;

    /** Kept from one request to the next, with the connection. */
    private CurlHandle $curl;

    private function __construct(
        public readonly string $folder,
        private readonly Process $process,
        private readonly int $port,
    ) {
        $this->curl = curl_init();
    }

    /** Starts bin/serve, as an office runs it. */
    public static function start(): self
    {
        $folder = sys_get_temp_dir() . '/dusk-rail-bench-' . getmypid();
        foreach (['app/uploads', 'framework/cache/data', 'framework/sessions', 'framework/views', 'logs'] as $room) {
            mkdir("{$folder}/storage/{$room}", recursive: true);
        }
        touch("{$folder}/bench.sqlite");
        $root = dirname(__DIR__);
        $port = 8790 + (getmypid() % 100);
        $process = new Process(['bin/serve', '--port', (string) $port], $root, self::environment($folder));
        $process->setTimeout(null);
        $process->disableOutput();
        $process->start();
        for ($try = 0; $try < 200 && @file_get_contents("http://127.0.0.1:{$port}/up") === false; $try++) {
            usleep(50_000);
        }

        return new self($folder, $process, $port);
    }

    /** @return array<string, string> */
    private static function environment(string $folder): array
    {
        return [
            'TMPDIR' => $folder,
            'LARAVEL_STORAGE_PATH' => "{$folder}/storage",
            'DB_DATABASE' => "{$folder}/bench.sqlite",
        ];
    }

    /** Seconds of processor time that the server and all that it started have used (proc(5): utime and stime). */
    private function used(): float
    {
        $ticks = $parents = [];
        foreach (glob('/proc/[0-9]*/stat') ?: [] as $file) {
            $stat = (string) @file_get_contents($file);
            $rest = explode(' ', substr($stat, (int) strrpos($stat, ')') + 2));
            $pid = (int) basename(dirname($file));
            $parents[$pid] = (int) ($rest[1] ?? 0);
            $ticks[$pid] = (int) ($rest[11] ?? 0) + (int) ($rest[12] ?? 0);
        }
        $sum = 0;
        foreach ($ticks as $pid => $count) {
            for ($up = $pid; $up > 1 && $up !== $this->process->getPid(); $up = $parents[$up] ?? 0) {
            }
            $sum += $up > 1 ? $count : 0;
        }

        return $sum / 100;
    }

    /** @return array{seconds: float, megabytes: float} */
    public function import(string $file): array
    {
        // As the worker of bin/serve is run.
        $compiled = ['opcache.enable_cli=1', 'opcache.jit=disable', 'memory_limit=1G'];
        $process = new Process(
            [
                'php',
                ...array_merge(...array_map(static fn(string $one): array => ['-d', $one], $compiled)),
                'bench/import.php',
                $file,
            ],
            dirname(__DIR__),
            self::environment($this->folder),
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
     * @param list<string> $more stops after a rolling mean and an index
     * @return array{p50: float, p95: float, processor: float, kilobytes: float} milliseconds from request to whole
     *     answer, those of processor time of an edit, and the 95th percentile of answers as they were sent
     */
    public function edits(string $file, int $count, array $more = []): array
    {
        $study = $this->studies($file, 1);
        $edits = [
            ['change' => 'add-stop', 'stop' => 'rolling'],
            ['change' => 'add-stop', 'stop' => 'index'],
            ...array_map(static fn(string $stop): array => ['change' => 'add-stop', 'stop' => $stop], $more),
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
        $took = $sent = [];
        // Every process of the server has been asked once.
        for ($i = 0; $i < 12; $i++) {
            $this->ask('GET', "/studies/{$study}");
        }
        $used = $this->used();
        foreach ($edits as $edit) {
            $start = hrtime(true);
            $this->ask('POST', "/studies/{$study}/changes", $edit);
            $took[] = (hrtime(true) - $start) / 1e6;
            $sent[] = $this->sent;
        }
        $used = $this->used() - $used;
        sort($took);
        sort($sent);

        return [
            'p50' => $took[intdiv(count($took), 2)],
            'p95' => $took[(int) ceil(0.95 * count($took)) - 1],
            'processor' => ($used * 1e3) / count($took),
            'kilobytes' => $sent[(int) ceil(0.95 * count($sent)) - 1] / 1e3,
        ];
    }

    /** Imports a file and makes studies of it; answers the number of the last. */
    private function studies(string $file, int $count): int
    {
        $this->import($file);
        $latest = function (string $pattern): int {
            preg_match_all($pattern, $this->ask('GET', '/'), $found);

            return (int) max([0, ...array_map(intval(...), $found[1])]);
        };
        $dataset = $latest('#/datasets/(\d+)/studies#');
        for ($i = 0; $i < $count; $i++) {
            $this->ask('POST', "/datasets/{$dataset}/studies", ['measure' => 'flow']);
        }

        return $latest('#/studies/(\d+)#');
    }

    /** @return array{float, float} milliseconds of the first page with so many studies, 50th and 95th percentile */
    public function firstPage(int $studies, int $count): array
    {
        $this->studies(BenchData::csv("{$this->folder}/many.csv", 24, 118), $studies);
        $took = [];
        for ($i = 0; $i < $count; $i++) {
            $start = hrtime(true);
            $this->ask('GET', '/');
            $took[] = (hrtime(true) - $start) / 1e6;
        }
        sort($took);

        return [$took[intdiv($count, 2)], $took[(int) ceil(0.95 * $count) - 1]];
    }

    public function demo(): void
    {
        $this->artisan('demo:load', '--quiet');
    }

    /** Milliseconds from request to whole picture of a slide, with so many times its pixels; the middle of 15. */
    public function png(int $times): float
    {
        $study = $this->demoStudies()[0];

        $path = "/studies/{$study}/hand-over/png?size=slide&times={$times}";

        return Processor::middle(15, fn() => $this->ask('GET', $path));
    }

    /** Milliseconds of a request that starts PHP and the framework and asks for nothing; the middle of 40. */
    public function emptyRequest(): float
    {
        return Processor::middle(40, fn() => $this->ask('GET', '/up'));
    }

    /** Seconds for a brief of six studies, written for each of the demo's 24 utilities. */
    public function briefs(): float
    {
        $this->ask('POST', '/briefs', ['name' => 'Bench']);
        preg_match_all('#/briefs/(\d+)"#', $this->ask('GET', '/'), $briefs);
        $brief = (string) max(array_map(intval(...), $briefs[1]) ?: [0]);
        foreach ($this->demoStudies() as $study) {
            $this->ask('PUT', "/briefs/{$brief}", ['study' => $study]);
        }
        $pdf = "{$this->folder}/pdf";
        mkdir($pdf);
        $start = hrtime(true);
        $this->artisan('brief:render', $brief, '--each', "--out={$pdf}", '--json');
        $seconds = (hrtime(true) - $start) / 1e9;
        (new Filesystem())->deleteDirectory($pdf);

        return $seconds;
    }

    /** @return list<string> numbers of the demo's six, which were made last and come first */
    private function demoStudies(): array
    {
        preg_match_all('#/studies/(\d+)">#', $this->ask('GET', '/'), $found);

        return array_slice(array_values(array_unique($found[1])), 0, 6);
    }

    private function artisan(string ...$arguments): void
    {
        $command = ['php', 'artisan', ...array_values($arguments)];
        (new Process($command, dirname(__DIR__), self::environment($this->folder), null, 300))->mustRun();
    }

    /** Kilobytes that a browser fetches for the first view of a study, compressed, but for fonts. */
    public function firstView(): float
    {
        preg_match_all('#/studies/(\d+)">#', $this->ask('GET', '/'), $found);
        $this->regions = '';
        $page = $this->ask('GET', "/studies/{$found[1][0]}");
        $bytes = $this->sent;
        preg_match_all('#(?:href|src)="http://[^/"]+(/[^"]+\.(?:css|js))"#', $page, $parts);
        foreach (array_unique($parts[1]) as $part) {
            $this->ask('GET', $part);
            $bytes += $this->sent;
        }

        return $bytes / 1e3;
    }

    public function stop(): void
    {
        $this->process->stop(20, SIGTERM);
        (new Filesystem())->deleteDirectory($this->folder);
    }

    /** @param array<string, mixed> $fields */
    private function ask(string $method, string $path, array $fields = []): string
    {
        curl_reset($this->curl);
        curl_setopt_array(
            $this->curl,
            [
                CURLOPT_URL => "http://127.0.0.1:{$this->port}{$path}",
                CURLOPT_RETURNTRANSFER => true,
                CURLOPT_COOKIEFILE => '',
                CURLOPT_ENCODING => 'gzip',
                CURLOPT_CUSTOMREQUEST => $method ?: 'GET',
                // As a page does: which regions it has already.
                CURLOPT_HTTPHEADER => ["X-CSRF-TOKEN: {$this->token}", "X-Has: {$this->regions}"],
            ] + ($method === 'GET' ? [] : [CURLOPT_POSTFIELDS => http_build_query($fields)]),
        );
        $answer = curl_exec($this->curl);
        $status = curl_getinfo($this->curl, CURLINFO_RESPONSE_CODE);
        $this->sent = (int) curl_getinfo($this->curl, CURLINFO_SIZE_DOWNLOAD_T);
        if (!is_string($answer) || $status >= 400) {
            throw new RuntimeException("{$method} {$path} answered {$status}.");
        }
        if (preg_match_all('/data-region="(\w+)"/', $answer, $regions) > 0) {
            $this->regions = implode(',', $regions[1]);
        }
        if (preg_match('/X-CSRF-TOKEN&quot;: &quot;(\w+)|X-CSRF-TOKEN": "(\w+)/', $answer, $m) === 1) {
            $this->token = end($m);
        }

        return $answer;
    }
}
