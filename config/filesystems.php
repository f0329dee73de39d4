<?php

declare(strict_types=1);

return [
    'default' => 'local',

    // Nothing of it is handed out by an address of its own.
    'disks' => ['local' => ['driver' => 'local', 'root' => storage_path('app'), 'serve' => false, 'throw' => true]],
];
