<?php

declare(strict_types=1);

// The core is compiled once when the server starts, and shared by all its processes.
$core = new RecursiveDirectoryIterator(dirname(__DIR__) . '/core', FilesystemIterator::SKIP_DOTS);
foreach (new RecursiveIteratorIterator($core) as $file) {
    if ($file instanceof SplFileInfo && $file->getExtension() === 'php') {
        opcache_compile_file($file->getPathname());
    }
}
