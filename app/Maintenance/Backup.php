<?php

declare(strict_types=1);

namespace App\Maintenance;

use Illuminate\Database\Connection;
use Illuminate\Database\Migrations\Migrator;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use RuntimeException;
use SQLite3;
use ZipArchive;

/**
 * The whole database in one file with its checksum: what it was at one moment, however much is written meanwhile. Files
 * that were brought but not imported are not in it; they can be brought again.
 */
final readonly class Backup
{
    private const DATABASE = 'database.sqlite';

    private const ABOUT = 'about.json';

    /** Writes a backup, and answers the checksum of the database in it. */
    public static function write(string $path): string
    {
        $copy = self::temporary();
        try {
            unlink($copy);
            DB::statement('vacuum into ?', [$copy]);
            $sum = (string) hash_file('sha256', $copy);
            $about = [
                'program' => 'Dusk Rail',
                'version' => config()->string('duskrail.version'),
                'written' => Carbon::now()->toIso8601String(),
                'sha256' => $sum,
            ];
            $zip = new ZipArchive();
            if ($zip->open("{$path}.part", ZipArchive::CREATE | ZipArchive::OVERWRITE) !== true) {
                throw BadBackup::because("“{$path}” cannot be written. Choose another folder.");
            }
            $zip->addFile($copy, self::DATABASE);
            // Quick before small: whoever waits for it is a person.
            $zip->setCompressionName(self::DATABASE, ZipArchive::CM_DEFLATE, 1);
            $zip->addFromString(self::ABOUT, (string) json_encode($about, JSON_PRETTY_PRINT));
            if (!$zip->close() || !rename("{$path}.part", $path)) {
                throw BadBackup::because("“{$path}” could not be written completely. Check the space on the disk.");
            }

            return $sum;
        } finally {
            self::remove($copy);
        }
    }

    /**
     * Looks into a backup: its database as a file of its own, whole and by its checksum.
     *
     * @template T
     *
     * @param callable(string): T $with told the path of the database, which is gone afterwards
     * @return T
     *
     * @throws BadBackup
     */
    public static function opened(string $path, callable $with): mixed
    {
        $copy = self::temporary();
        try {
            self::unpack($path, $copy);

            return $with($copy);
        } finally {
            self::remove($copy);
        }
    }

    /**
     * Puts a backup in place of the database, brought up to date, after a copy of what is there.
     *
     * @return string path of the copy of what was there; nothing where nothing was
     *
     * @throws BadBackup and leaves all as it is
     */
    public static function restore(string $path): string
    {
        return self::opened($path, static function (string $copy): string {
            $database = self::connected($copy);
            $newer = array_diff(self::done($database), self::known());
            if ($newer !== []) {
                throw BadBackup::because(
                    'The backup was written by a newer version of the program. Install that first, then restore.',
                );
            }
            app(Migrator::class)->usingConnection(
                'backup',
                static fn() => app(Migrator::class)->run(database_path('migrations')),
            );
            $problems = (new Check($database))->problems();
            if ($problems !== []) {
                throw BadBackup::because('The database in it is damaged: ' . implode(' ', $problems));
            }
            DB::purge('backup');
            $kept = self::keep();
            self::copyOver($copy, config()->string('database.connections.sqlite.database'));
            DB::purge();
            // Their files are not in a backup.
            DB::table('uploads')->delete();

            return $kept;
        });
    }

    /** A copy of the database beside the others, before something happens to it; nothing where there is none yet. */
    public static function keep(): string
    {
        $tables = DB::select("select name from sqlite_master where type = 'table' and name = 'datasets'");
        if ($tables === []) {
            return '';
        }
        $folder = storage_path('app/backups');
        if (!is_dir($folder)) {
            mkdir($folder, 0o750, true);
        }
        $path =
            "{$folder}/" .
            Carbon::now()->format('Y-m-d-His') .
            '-' .
            substr(bin2hex(random_bytes(2)), 0, 4) .
            '.duskrail';
        self::write($path);

        return $path;
    }

    /** A connection to a file that is not the database in use. */
    public static function connected(string $path): Connection
    {
        config([
            'database.connections.backup' => [...config()->array('database.connections.sqlite'), 'database' => $path],
        ]);
        DB::purge('backup');

        return DB::connection('backup');
    }

    private static function unpack(string $path, string $to): void
    {
        $zip = new ZipArchive();
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            throw BadBackup::because("“{$path}” is not a backup of this program, or is incomplete.");
        }
        $about = json_decode((string) $zip->getFromName(self::ABOUT), true);
        $in = $zip->getStream(self::DATABASE);
        $sum = is_array($about) && is_string($about['sha256'] ?? null) ? $about['sha256'] : '';
        if ($in === false || $sum === '') {
            throw BadBackup::because("“{$path}” is not a backup of this program.");
        }
        file_put_contents($to, $in);
        $zip->close();
        if (!hash_equals($sum, (string) hash_file('sha256', $to))) {
            throw BadBackup::because("“{$path}” is damaged: its checksum does not match. Use another one.");
        }
    }

    /** Page by page over the database in use: whoever has it open sees the old state, then the new one. */
    private static function copyOver(string $from, string $to): void
    {
        $source = new SQLite3($from, SQLITE3_OPEN_READWRITE);
        $source->exec('pragma wal_checkpoint(truncate)');
        $target = new SQLite3($to);
        $target->busyTimeout(30_000);
        if (!$source->backup($target)) {
            throw new RuntimeException('database is locked');
        }
        $target->exec('pragma journal_mode = wal');
        $target->close();
        $source->close();
    }

    /** @return list<string> names of migrations that a database has behind it */
    private static function done(Connection $database): array
    {
        return array_column(Check::rows($database, 'select migration from migrations'), 0);
    }

    /** @return list<string> names of migrations that this program has */
    private static function known(): array
    {
        $paths = glob(database_path('migrations/*.php'));

        return array_map(static fn(string $path): string => basename($path, '.php'), $paths === false ? [] : $paths);
    }

    private static function temporary(): string
    {
        return (string) tempnam(sys_get_temp_dir(), 'dusk-rail-');
    }

    private static function remove(string $copy): void
    {
        DB::purge('backup');
        array_map(unlink(...), array_filter(["{$copy}-wal", "{$copy}-shm", $copy], is_file(...)));
    }
}
