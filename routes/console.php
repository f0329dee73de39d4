<?php

declare(strict_types=1);

use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Schedule;

// By bin/serve, or a timer that runs `php artisan schedule:run` each minute.
Schedule::command('data:cleanup')->dailyAt('03:10');
$folder = config()->string('duskrail.backups');
if ($folder !== '') {
    $file = rtrim($folder, '/') . '/rail-' . Carbon::now()->format('Y-m-d') . '.duskrail';
    Schedule::command('data:backup', [$file])->dailyAt('03:30');
}
