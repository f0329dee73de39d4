<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Reading\NotATable;
use Illuminate\Contracts\Cache\LockTimeoutException;
use Illuminate\Support\Facades\Cache;
use Symfony\Component\Process\Exception\ProcessTimedOutException;
use Symfony\Component\Process\Process;

/**
 * Writes a table of a packed file out as text, in a process of its own with limits on memory, time and bytes, one at a
 * time: whatever the file does to its reader, the program goes on.
 */
final readonly class Unpacker
{
    private const SECONDS = 240;

    /** Kilobytes of address space; a workbook of a million rows takes less than half of it. */
    private const MEMORY = 3_000_000;

    /** Kilobytes of one file that is written. */
    private const WRITTEN = 1_500_000;

    /**
     * @param string|null $table the likeliest without
     * @param int $patience seconds that another file is waited for
     * @return array{list<string>, string} names of the tables, and of the one that is written
     *
     * @throws NotATable
     * @throws UnpackerBusy
     */
    public static function write(string $path, string $to, ?string $table = null, int $patience = 45): array
    {
        $lock = Cache::lock('unpacking', self::SECONDS + 10);
        try {
            $lock->block($patience);
        } catch (LockTimeoutException) {
            throw UnpackerBusy::now();
        }
        try {
            return self::run($path, $to, $table);
        } finally {
            $lock->release();
        }
    }

    /** @return array{list<string>, string} */
    private static function run(string $path, string $to, ?string $table): array
    {
        $limits = 'ulimit -v ' . self::MEMORY . ' -f ' . self::WRITTEN . ' -t ' . self::SECONDS . '; exec "$@"';
        // The server's own PHP may be one that takes no commands.
        $php = PHP_SAPI === 'fpm-fcgi' ? 'php' : PHP_BINARY;
        $jit = 'opcache.jit=' . config()->string('duskrail.jit');
        $settings = ['opcache.enable_cli=1', $jit, 'opcache.jit_buffer_size=64M', 'memory_limit=1G'];
        $options = array_merge(...array_map(static fn(string $one): array => ['-d', $one], $settings));
        $command = [$php, ...$options, base_path('artisan')];
        $process = new Process(
            ['sh', '-c', $limits, 'sh', ...$command, 'table:unpack', $path, $to, ...$table === null ? [] : [$table]],
            base_path(),
            timeout: self::SECONDS,
        );
        try {
            $process->run();
        } catch (ProcessTimedOutException) {
            throw self::tooMuch();
        }
        $said = json_decode($process->getOutput(), true);
        if (is_array($said) && is_string($said['refused'] ?? null)) {
            throw NotATable::because($said['refused'], '');
        }
        if (!$process->isSuccessful() || !is_array($said) || !is_array($said['tables'] ?? null)) {
            throw self::tooMuch();
        }

        return [
            array_values(array_filter($said['tables'], is_string(...))),
            is_string($said['table'] ?? null) ? $said['table'] : '',
        ];
    }

    private static function tooMuch(): NotATable
    {
        return NotATable::because(
            'The file needs too much memory or time to read.',
            'Save the sheet with the values as CSV, and upload it.',
        );
    }
}
