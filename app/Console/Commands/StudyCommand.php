<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Study;
use Illuminate\Console\Command;

/** What commands on studies share: finding one by its number or name, and speaking JSON to scripts. */
abstract class StudyCommand extends Command
{
    /** The study that is named, or null once it was said that there is none. */
    protected function study(): ?Study
    {
        $wanted = (string) $this->argument('study');
        $study = ctype_digit($wanted) ? Study::find((int) $wanted) : Study::where('name', $wanted)->first();
        if ($study === null) {
            $this->error("There is no study “{$wanted}”. `php artisan study:list` names them all.");
        }

        return $study;
    }

    /** @param array<array-key, mixed> $value */
    protected function json(array $value): void
    {
        $this->line(json_encode($value, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR));
    }
}
