<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Database\Demo\Generator;
use Illuminate\Console\Command;

final class WriteDemoFiles extends Command
{
    protected $signature = 'demo:files {folder? : folder to write to; database/demo/files if not given}';

    protected $description = 'Write the files of the demo scenario, the same every time';

    public function handle(Generator $generator): int
    {
        $argument = $this->argument('folder');
        $folder = is_string($argument) ? $argument : database_path('demo/files');
        if (!is_dir($folder)) {
            mkdir($folder, 0o755, true);
        }
        foreach ($generator->files() as $name => $rows) {
            $file = fopen("{$folder}/{$name}", 'wb');
            if ($file === false) {
                $this->error("{$folder}/{$name} cannot be written.");

                return self::FAILURE;
            }
            foreach ($rows as $row) {
                fputcsv($file, $row, ',', '"', '');
            }
            fclose($file);
            $this->line("{$folder}/{$name}: " . (count($rows) - 1) . ' rows');
        }

        return self::SUCCESS;
    }
}
