<?php

declare(strict_types=1);

namespace App\Console\Commands;

use DuskRail\Document\SettingsGuide;
use DuskRail\Document\StudySchema;
use DuskRail\Rail\Combinations;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\File;

/** Writes the parts of docs that are made from the code, or says whether they are current. */
final class WriteDocs extends Command
{
    protected $signature = 'docs:write {--check : only say whether they are current}';

    protected $description = 'Write what is made from the code: schema, settings, combinations';

    public function handle(): int
    {
        $flags = JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION;
        $stale = [];
        foreach (
            [
                'docs/study.schema.json' => json_encode(StudySchema::write(), $flags | JSON_THROW_ON_ERROR) . "\n",
                'docs/settings.md' => SettingsGuide::write(),
                'docs/combinations.md' => Combinations::write(),
            ] as $path => $content
        ) {
            if ($this->option('check') !== true) {
                File::put(base_path($path), $content);
            } elseif (!File::exists(base_path($path)) || File::get(base_path($path)) !== $content) {
                $stale[] = $path;
            }
        }
        if ($stale !== []) {
            $this->error(implode(', ', $stale) . ' does not match the code. Write it again: php artisan docs:write');
        }

        return $stale === [] ? self::SUCCESS : self::FAILURE;
    }
}
