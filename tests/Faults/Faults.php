<?php

declare(strict_types=1);

namespace Tests\Faults;

use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\Finder\Finder;
use Symfony\Component\Process\Process;

/** Tries faults on copies of the project, a few at a time. */
final class Faults
{
    /** Folders of code that faults are put into; demo data and commands that write it are not the program. */
    private const CODE = ['core', 'app'];

    private const LEFT_OUT = ['.git', 'node_modules', 'storage/logs', 'storage/framework/cache'];

    /** Seconds after which a run has hung, which is noticed. */
    private const HANGS = 180;

    private const ENOUGH = 85;

    /** They start servers and workers of their own, and take longer than all others. */
    private const SLOW =
        'KilledImport|AMillionRows|UnpacksToTooMuch|fifty megabytes|' . 'TenThousandMutations|ServerTest|KeepingTest';

    /** @var list<Fault> */
    private array $chosen;

    /** Where the extension for it is installed. */
    private ?Reached $reached = null;

    /** @param list<string> $places beginnings of `file:line` that alone are tried; none for all */
    public function __construct(
        private readonly string $root,
        private readonly int $count,
        private readonly int $seed,
        array $places = [],
    ) {
        $this->chosen = array_values(
            array_filter(
                $this->choose(),
                static fn(Fault $fault): bool => $places === [] ||
                    array_filter(
                        $places,
                        static fn(string $place): bool => str_starts_with("{$fault->file}:{$fault->line}", $place),
                    ) !== [],
            ),
        );
    }

    public function list(): int
    {
        foreach ($this->chosen as $fault) {
            echo $fault->text(), "\n";
        }

        return 0;
    }

    public function try(): int
    {
        $workers = max(1, (int) trim((string) shell_exec('nproc')));
        $folders = array_map($this->copy(...), range(1, $workers));
        if (!$this->passes($folders[0])) {
            fwrite(STDERR, "The tests fail without any fault, so nothing can be told. Mend them first.\n");
            $this->remove($folders);

            return 2;
        }
        $waiting = $this->chosen;
        $running = $unnoticed = [];
        $done = 0;
        try {
            while ($waiting !== [] || $running !== []) {
                foreach ($folders as $folder) {
                    if (!isset($running[$folder]) && $waiting !== []) {
                        $running[$folder] = $this->begun($folder, array_shift($waiting));
                    }
                }
                usleep(50_000);
                foreach ($running as $folder => [$fault, $run, $left, $code]) {
                    if ($run->isRunning() && microtime(true) - $run->getStartTime() < self::HANGS) {
                        continue;
                    }
                    $noticed = $run->isRunning() || $run->getExitCode() !== 0;
                    if (!$noticed && $left !== []) {
                        $next = array_shift($left);
                        $running[$folder] = [$fault, $this->tests($folder, $next), $left, $code];
                        continue;
                    }
                    $run->stop(0);
                    file_put_contents("{$folder}/{$fault->file}", $code);
                    unset($running[$folder]);
                    if (!$noticed) {
                        $unnoticed[] = $fault;
                    }
                    printf("%3d  %s  %s\n", ++$done, $noticed ? 'noticed  ' : 'UNNOTICED', $fault->text());
                }
            }
        } finally {
            $this->remove($folders);
        }

        return $this->report($unnoticed);
    }

    /** Whether the tests pass as the code is; else every fault would seem to be noticed. */
    private function passes(string $folder): bool
    {
        $options = Reached::options($folder);
        $map = "{$folder}/storage/reached.php";
        $run = $this->tests(
            $folder,
            ['--testsuite', 'Core,Reference,Feature', ...$options === [] ? [] : ['--coverage-php', $map]],
            $options,
        );
        $passed = $run->wait() === 0;
        if ($passed && $options !== []) {
            $this->reached = Reached::read($map, $folder);
        }

        return $passed;
    }

    /** @param list<string> $folders */
    private function remove(array $folders): void
    {
        (new Process(['rm', '-rf', ...$folders]))->run();
    }

    /** @param list<Fault> $unnoticed */
    private function report(array $unnoticed): int
    {
        $count = count($this->chosen);
        $share = $count === 0 ? 0.0 : (($count - count($unnoticed)) / $count) * 100.0;
        printf("\n%d faults, seed %d: %.1f %% noticed.\n", $count, $this->seed, $share);
        $reasons = require __DIR__ . '/reasons.php';
        foreach ($unnoticed as $fault) {
            $reason = is_array($reasons) ? $reasons[$fault->name()] ?? null : null;
            printf("\n%s\n    %s\n", $fault->text(), is_string($reason) ? $reason : 'No reason is known.');
        }

        return $share >= self::ENOUGH ? 0 : 1;
    }

    /** @return list<Fault> of every kind in turn, as long as there are some, and no two of one line */
    private function choose(): array
    {
        $byKind = [];
        $random = new Randomizer(new Mt19937($this->seed));
        $folders = array_map(fn(string $folder): string => "{$this->root}/{$folder}", self::CODE);
        foreach (Finder::create()->in($folders)->name('*.php')->notName('*Demo*')->sortByName() as $file) {
            $name = substr($file->getPathname(), strlen($this->root) + 1);
            foreach (FaultFinder::in($name, $file->getContents()) as $fault) {
                $byKind[$fault->kind][] = $fault;
            }
        }
        ksort($byKind);
        $byKind = array_map(static fn(array $faults): array => $random->shuffleArray($faults), $byKind);
        $chosen = [];
        while (count($chosen) < $this->count && $byKind !== []) {
            foreach ($byKind as $kind => $faults) {
                $fault = array_shift($faults);
                $byKind[$kind] = $faults;
                if ($fault === null) {
                    unset($byKind[$kind]);
                } elseif (count($chosen) < $this->count) {
                    $chosen["{$fault->file}:{$fault->line}"] ??= $fault;
                }
            }
        }

        return array_values($chosen);
    }

    private function copy(int $number): string
    {
        $folder = sys_get_temp_dir() . '/dusk-rail-faults-' . getmypid() . "-{$number}";
        mkdir($folder);
        $left = array_map(static fn(string $name): string => "--exclude=./{$name}", self::LEFT_OUT);
        (new Process(['sh', '-c', 'tar cf - "$@" . | tar xf - -C "$0"', $folder, ...$left], $this->root))->mustRun();
        symlink("{$this->root}/node_modules", "{$folder}/node_modules");
        foreach (['storage/logs', 'storage/framework/cache/data'] as $needed) {
            @mkdir("{$folder}/{$needed}", 0o755, true);
        }

        return $folder;
    }

    /**
     * @return array{Fault, Process, list<list<string>>, string} with the runs that are left if the first notices
     *     nothing, and the code without the fault
     */
    private function begun(string $folder, Fault $fault): array
    {
        // Of the copy, so that the folder can be worked in meanwhile.
        $code = (string) file_get_contents("{$folder}/{$fault->file}");
        file_put_contents("{$folder}/{$fault->file}", $fault->in($code));
        $runs = [['--testsuite', 'Core,Reference'], ['--testsuite', 'Feature']];
        $filter = $this->reached?->filter($fault);
        if ($filter !== null) {
            $runs = array_map(static fn(array $run): array => [...$run, '--filter', $filter], $runs);
        }
        $related = $filter === null ? $this->related($fault) : [];
        if ($related !== []) {
            array_unshift($runs, $related);
        }
        $first = array_shift($runs);

        return [$fault, $this->tests($folder, $first), $runs, $code];
    }

    /** @return list<string> files of tests that name the class with the fault: what notices it is most likely there */
    private function related(Fault $fault): array
    {
        $class = basename($fault->file, '.php');
        $tests = Finder::create()
            ->in(["{$this->root}/tests/Core", "{$this->root}/tests/Feature", "{$this->root}/tests/Reference"])
            ->name('*Test.php')
            ->contains("/\\b{$class}\\b/")
            ->sortByName();

        return array_map(
            fn(string $path): string => substr($path, strlen($this->root) + 1),
            array_keys(iterator_to_array($tests)),
        );
    }

    /**
     * @param list<string> $which
     * @param list<string> $options of PHP
     */
    private function tests(string $folder, array $which, array $options = []): Process
    {
        $run = new Process(
            [
                PHP_BINARY,
                '-d',
                'memory_limit=1G',
                ...$options,
                'vendor/bin/phpunit',
                '--stop-on-defect',
                '--do-not-cache-result',
                '--exclude-filter',
                self::SLOW,
                ...$which,
            ],
            $folder,
        );
        $run->setTimeout(null);
        $run->disableOutput();
        $run->start();

        return $run;
    }
}
