<?php

declare(strict_types=1);

/*
 * The texts of the interface, of the language in use: kept with all other settings where they are read once (config:cache),
 * so that no request reads the file of the language.
 */
$language = (string) env('DUSK_RAIL_LANGUAGE', 'en');
$file = dirname(__DIR__) . "/lang/{$language}.json";

return is_file($file) ? [$language => json_decode((string) file_get_contents($file), true)] : [];
