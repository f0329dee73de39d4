<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Study;
use Illuminate\Console\Command;

final class ListStudies extends Command
{
    use SpeaksJson;

    protected $signature = 'study:list {--json : for scripts}';

    protected $description = 'List the studies with their numbers, views and data sets';

    public function handle(): int
    {
        $rows = [];
        foreach (Study::with('dataset')->orderBy('id')->get() as $study) {
            $document = $study->document();
            $rows[] = [
                'id' => $study->id,
                'name' => $study->name,
                'view' => $document->view,
                'measure' => $document->measure,
                'dataset' => $study->dataset->name,
            ];
        }
        if ($this->option('json') === true) {
            $this->json($rows);
        } else {
            $this->table(['id', 'name', 'view', 'measure', 'data set'], $rows);
        }

        return self::SUCCESS;
    }
}
