<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Maintenance\Cleanup;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

final class CleanUpData extends Command
{
    protected $signature = 'data:cleanup';

    protected $description = 'Delete what is no longer needed: old items of the bin, unused files, old revisions';

    public function handle(): int
    {
        foreach (Cleanup::all() as $what => $count) {
            $this->line("{$count} {$what}");
        }

        DB::statement('pragma optimize');
        DB::statement('pragma wal_checkpoint(truncate)');

        return self::SUCCESS;
    }
}
