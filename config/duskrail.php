<?php

declare(strict_types=1);

return [
    // The version of the program; CHANGELOG.md says what is in it.
    'version' => '0.19.0',

    // Names under which it answers, beside those of the loopback and the one in APP_URL.
    'hosts' => array_values(array_filter(array_map(trim(...), explode(',', (string) env('DUSK_RAIL_HOSTS', ''))))),

    // Addresses of proxies in front of it, whose word on HTTPS and on the client is believed.
    'proxies' => array_values(array_filter(array_map(trim(...), explode(',', (string) env('DUSK_RAIL_PROXIES', ''))))),

    // How PHP compiles what unpacks large workbooks (opcache.jit); bin/lib.sh runs the worker likewise.
    'jit' => (string) env('DUSK_RAIL_JIT', 'disable'),

    // Folder that a backup of every day is written to; none without.
    'backups' => (string) env('DUSK_RAIL_BACKUPS', ''),

    // The largest file that can be brought in, in bytes. bin/demo gives PHP the same limit.
    'largest_upload' => 200 * 1024 * 1024,

    // How many rows of a large file the preview looks at; the rest is read, and checked, on import.
    'preview_rows' => 20_000,

    // Files from so many bytes on are read by a worker of the queue, where there is one, while the user does something
    // else.
    'queued_from' => 3_000_000,

    // TrueType files for pictures that are drawn on the server, and for measuring text.
    'fonts' => resource_path('fonts'),
];
