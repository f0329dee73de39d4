<?php

declare(strict_types=1);

return [
    'name' => 'Dusk Rail',
    'env' => env('APP_ENV', 'production'),
    'debug' => (bool) env('APP_DEBUG', false),
    'url' => env('APP_URL', 'http://127.0.0.1:8000'),
    'timezone' => 'UTC',
    // Of the interface; numbers and months follow the house style.
    'locale' => (string) env('DUSK_RAIL_LANGUAGE', 'en'),
    'fallback_locale' => 'en',
    'cipher' => 'AES-256-CBC',
    'key' => env('APP_KEY'),
    'previous_keys' => [],
    'maintenance' => ['driver' => 'file'],
];
