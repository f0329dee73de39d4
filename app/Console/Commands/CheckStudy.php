<?php

declare(strict_types=1);

namespace App\Console\Commands;

use DuskRail\Outcome\Comparison;
use DuskRail\Refusal;
use DuskRail\Signals\Notice;
use DuskRail\Signals\Signals;

final class CheckStudy extends StudyCommand
{
    protected $signature = 'study:check {study : number or name} {--json : for scripts}';

    protected $description = 'Calculate a study and list its signals; exit code 1 if a stop is not possible';

    public function handle(): int
    {
        $study = $this->study();
        if ($study === null) {
            return self::INVALID;
        }
        try {
            $comparison = Comparison::of($study->document(), $study->data());
        } catch (Refusal $problem) {
            $this->error($problem->getMessage());

            return self::FAILURE;
        }
        $refused = $comparison->run->refused();
        $signals = array_map(static fn(Notice $notice): string => $notice->sentence, Signals::of($comparison));
        if ($this->option('json') === true) {
            $this->json(['study' => $study->name, 'sound' => $refused === null, 'signals' => $signals]);
        } else {
            $this->line($signals === [] ? "{$study->name}: no signals." : "{$study->name}:");
            foreach ($signals as $signal) {
                $this->line("  - {$signal}");
            }
        }

        return $refused === null ? self::SUCCESS : self::FAILURE;
    }
}
