<?php

declare(strict_types=1);

/*
 * The program, and what it uses of its framework, is compiled once when the server starts, and shared by all its
 * processes. What an optional package would be needed for is left out by PHP itself.
 */
$root = dirname(__DIR__);
$illuminate = "{$root}/vendor/laravel/framework/src/Illuminate";
$folders = [
    "{$root}/core",
    "{$root}/app",
    ...array_map(static fn(string $name): string => "{$illuminate}/{$name}", [
        'Bus',
        'Cache',
        'Collections',
        'Conditionable',
        'Config',
        'Container',
        'Contracts',
        'Cookie',
        'Database',
        'Encryption',
        'Events',
        'Filesystem',
        'Foundation',
        'Hashing',
        'Http',
        'Log',
        'Macroable',
        'Pipeline',
        'Queue',
        'Routing',
        'Session',
        'Support',
        'Translation',
        'Validation',
        'View',
    ]),
    "{$root}/vendor/symfony/http-foundation",
    "{$root}/vendor/symfony/http-kernel",
    "{$root}/vendor/symfony/routing",
];
foreach ($folders as $folder) {
    $files = new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS));
    foreach ($files as $file) {
        $isClass = $file instanceof SplFileInfo && preg_match('/^[A-Z]\w*\.php$/', $file->getFilename()) === 1;
        if ($isClass && !preg_match('#/(Console|Testing|Tests|Commands)/#', $file->getPathname())) {
            opcache_compile_file($file->getPathname());
        }
    }
}
