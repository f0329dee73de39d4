<?php

declare(strict_types=1);

namespace App\View;

use Illuminate\Translation\FileLoader;

/** Texts by language, from the settings where they hold them, and else from the language's file, which is read once. */
final class LanguageFiles extends FileLoader
{
    /** @var array<string, array<array-key, mixed>> by language */
    private array $read = [];

    /**
     * @param string $locale
     * @return array<array-key, mixed>
     */
    protected function loadJsonPaths($locale): array
    {
        $kept = config()->array('texts')[$locale] ?? null;

        return is_array($kept) ? $kept : ($this->read[$locale] ??= parent::loadJsonPaths($locale));
    }
}
