<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Maintenance\Backup;
use Illuminate\Console\Command;
use Illuminate\Database\Migrations\Migrator;

final class UpgradeData extends Command
{
    protected $signature = 'data:upgrade';

    protected $description = 'Update the database to the program’s version, after a copy; no change if it is current';

    public function handle(Migrator $migrator): int
    {
        $paths = [database_path('migrations')];
        $done = $migrator->repositoryExists() ? $migrator->getRepository()->getRan() : [];
        $waiting = array_diff(array_keys($migrator->getMigrationFiles($paths)), $done);
        if ($waiting === []) {
            return self::SUCCESS;
        }
        $kept = Backup::keep();
        if ($kept !== '') {
            $this->line("A copy of the data is in {$kept}.");
        }

        return $this->call('migrate', ['--force' => true, '--quiet' => true]);
    }
}
