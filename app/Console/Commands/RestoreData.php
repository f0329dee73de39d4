<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Keeping\Backup;
use DuskRail\Refusal;
use Illuminate\Console\Command;

final class RestoreData extends Command
{
    protected $signature = 'data:restore
        {file : a backup that data:backup has written}
        {--force : do not ask}';

    protected $description = 'Put a backup in place of all data, brought up to date; a copy of what is there is kept';

    public function handle(): int
    {
        $force = $this->option('force') === true;
        if (!$force && !$this->confirm('All data is replaced by what the backup holds. Go on?')) {
            return self::FAILURE;
        }
        try {
            $kept = Backup::restore((string) $this->argument('file'));
        } catch (Refusal $problem) {
            $this->error("{$problem->getMessage()} Nothing was changed.");

            return self::FAILURE;
        }
        $this->line('The backup is in place.' . ($kept === '' ? '' : " What was there is in {$kept}."));

        return self::SUCCESS;
    }
}
