<?php

declare(strict_types=1);

return [
    'default' => 'sqlite',

    'connections' => [
        'sqlite' => [
            'driver' => 'sqlite',
            'database' => env('DB_DATABASE', database_path('database.sqlite')),
            'prefix' => '',
            'foreign_key_constraints' => true,
            // A reader never waits for a writer, and a killed process leaves the last whole state behind.
            'journal_mode' => 'wal',
            'synchronous' => 'normal',
            'busy_timeout' => 10_000,
            'transaction_mode' => 'IMMEDIATE',
        ],
    ],

    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => true],
];
