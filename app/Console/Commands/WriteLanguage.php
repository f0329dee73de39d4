<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\View\Texts;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\File;

final class WriteLanguage extends Command
{
    protected $signature = 'language:write {language : as in DUSK_RAIL_LANGUAGE, for example de}';

    protected $description = 'Write a language file with every text of the interface; translations that it has stay';

    public function handle(): int
    {
        $language = $this->argument('language');
        if (preg_match('/^[a-z]{2,3}([-_][A-Za-z]{2,8})?$/D', $language) !== 1) {
            $this->error("“{$language}” is not a language code. Enter one like de or pt_BR.");

            return self::FAILURE;
        }
        $path = lang_path("{$language}.json");
        $translated = File::exists($path) ? (array) File::json($path) : [];
        $texts = [];
        foreach (Texts::all() as $text) {
            $texts[$text] = is_string($translated[$text] ?? null) ? $translated[$text] : $text;
        }
        File::ensureDirectoryExists(dirname($path));
        $flags = JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR;
        File::put($path, json_encode($texts, $flags) . "\n");
        $this->line(count($texts) . " texts are in {$path}.");

        return self::SUCCESS;
    }
}
