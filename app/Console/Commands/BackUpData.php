<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Maintenance\Backup;
use DuskRail\Refusal;
use Illuminate\Console\Command;

final class BackUpData extends Command
{
    protected $signature = 'data:backup {file : where it is written, as rail-2026-11-26.duskrail}';

    protected $description = 'Write all data to one file with a checksum, while the program is running';

    public function handle(): int
    {
        $path = (string) $this->argument('file');
        try {
            $sum = Backup::write($path);
        } catch (Refusal $problem) {
            $this->error($problem->getMessage());

            return self::FAILURE;
        }
        $this->line("{$path}, SHA-256 of the database in it: {$sum}");

        return self::SUCCESS;
    }
}
