<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Maintenance\Backup;
use App\Maintenance\Check;
use DuskRail\Refusal;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

final class CheckData extends Command
{
    protected $signature = 'data:check {file? : a backup; the data in use without}';

    protected $description = 'Check the data or a backup; exit code 1 if they are damaged';

    public function handle(): int
    {
        $file = $this->argument('file');
        try {
            $problems = is_string($file)
                ? Backup::opened(
                    $file,
                    static fn(string $path): array => (new Check(Backup::connected($path)))->problems(),
                )
                : (new Check(DB::connection()))->problems();
        } catch (Refusal $problem) {
            $problems = [$problem->getMessage()];
        }
        foreach ($problems as $problem) {
            $this->error($problem);
        }
        if ($problems === []) {
            $this->line('No errors.');
        }

        return $problems === [] ? self::SUCCESS : self::FAILURE;
    }
}
