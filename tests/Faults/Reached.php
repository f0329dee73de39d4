<?php

declare(strict_types=1);

namespace Tests\Faults;

use SebastianBergmann\CodeCoverage\CodeCoverage;
use Symfony\Component\Process\Process;

/** Which tests reach a line of the code: no other can notice a fault there. Asks for the extension pcov. */
final readonly class Reached
{
    /** @param array<string, array<int, list<string>|null>> $lines by file below the folder, the tests by line */
    private function __construct(private array $lines) {}

    /** @return list<string> what PHP is called with to find out; none where the extension is not installed */
    public static function options(string $folder): array
    {
        $asked = new Process([PHP_BINARY, '-d', 'extension=pcov.so', '-r', 'exit(extension_loaded("pcov") ? 0 : 1);']);

        return $asked->run() === 0
            ? ['-d', 'extension=pcov.so', '-d', 'pcov.enabled=1', '-d', "pcov.directory={$folder}"]
            : [];
    }

    /** @param string $map what PHPUnit wrote with --coverage-php */
    public static function read(string $map, string $folder): self
    {
        $coverage = require $map;
        assert($coverage instanceof CodeCoverage);
        $lines = [];
        /** @var array<string, array<int, list<string>|null>> $reached */
        $reached = $coverage->getData()->lineCoverage();
        foreach ($reached as $file => $tests) {
            $lines[substr($file, strlen($folder) + 1)] = $tests;
        }

        return new self($lines);
    }

    /** A filter for PHPUnit; null where no test is known to reach the line, so that all have to be asked. */
    public function filter(Fault $fault): ?string
    {
        $methods = [];
        foreach ($this->lines[$fault->file][$fault->line] ?? [] as $test) {
            if (preg_match('/^([\w\\\\]+)::(\w+)/', $test, $m) === 1) {
                $methods[$m[1]][$m[2]] = $m[2];
            }
        }
        $classes = array_map(
            static fn(string $class, array $names): string => preg_quote($class) . '::(' . implode('|', $names) . ')',
            array_keys($methods),
            $methods,
        );

        return $classes === [] ? null : '/^(' . implode('|', $classes) . ')( with data set .*)?$/s';
    }
}
