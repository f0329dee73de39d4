<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Dataset;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/** Whether the program works, for whoever watches over it: the database answers, and nothing waits for a worker. */
final class UpController
{
    /** Seconds that a job may wait before its worker is taken for dead. */
    private const PATIENCE = 120;

    public function __invoke(): JsonResponse
    {
        Dataset::query()->exists();
        $waits = DB::table('jobs')
            ->whereNull('reserved_at')
            ->where('available_at', '<', Carbon::now()->subSeconds(self::PATIENCE)->getTimestamp())
            ->count();

        return response()->json(
            [
                'database' => 'answers',
                'queue' => $waits === 0 ? 'runs' : "{$waits} wait, and no worker takes them",
                'version' => config()->string('duskrail.version'),
            ],
            $waits === 0 ? 200 : 503,
        );
    }
}
