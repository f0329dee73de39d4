<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Maintenance\Backup;
use DuskRail\Refusal;
use Illuminate\Console\Command;

final class RestoreData extends Command
{
    protected $signature = 'data:restore
        {file : a backup that data:backup has written}
        {--force : do not ask}';

    protected $description = 'Replace all data with a backup; a copy of the current data is kept';

    public function handle(): int
    {
        $force = $this->option('force') === true;
        if (!$force && !$this->confirm('All data will be replaced with the backup. Continue?')) {
            return self::FAILURE;
        }
        try {
            $kept = Backup::restore((string) $this->argument('file'));
        } catch (Refusal $problem) {
            $this->error("{$problem->getMessage()} Nothing was changed.");

            return self::FAILURE;
        }
        $this->line('The backup was restored.' . ($kept === '' ? '' : " The previous data are in {$kept}."));

        return self::SUCCESS;
    }
}
