<?php

declare(strict_types=1);

return [
    'default' => env('LOG_CHANNEL', 'stack'),

    'channels' => [
        // Where nothing can be written, the program goes on without its log.
        'stack' => ['driver' => 'stack', 'channels' => ['daily'], 'ignore_exceptions' => true],
        'daily' => [
            'driver' => 'daily',
            'path' => storage_path('logs/laravel.log'),
            'level' => env('LOG_LEVEL', 'warning'),
            'days' => 14,
        ],
    ],
];
