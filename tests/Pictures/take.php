<?php

declare(strict_types=1);

use Tests\Pictures\Pictures;

require __DIR__ . '/../../vendor/autoload.php';

$names = array_slice($argv, 1);
if ($names === ['--outdated']) {
    $outdated = Pictures::outdated();
    if ($outdated !== []) {
        echo 'Drawn by other code than now: ' . implode(', ', $outdated) . ". Take them: bin/pictures\n";
    }
    exit(0);
}
$unknown = Pictures::take($names);
if ($unknown !== []) {
    fwrite(STDERR, 'There is no picture ' . implode(', ', $unknown) . ".\n");
    exit(1);
}
