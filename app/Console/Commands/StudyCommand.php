<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Drawing\HouseNotation;
use App\Models\Study;
use Illuminate\Console\Command;

/** What commands on studies share: finding one by its number or name. */
abstract class StudyCommand extends Command
{
    use SpeaksJson;

    /** The study that is named, or null once it was said that there is none. */
    protected function study(): ?Study
    {
        HouseNotation::apply();
        $wanted = (string) $this->argument('study');
        $study = ctype_digit($wanted) ? Study::find((int) $wanted) : Study::where('name', $wanted)->first();
        if ($study === null) {
            $this->error("There is no study “{$wanted}”. `php artisan study:list` lists them.");
        }

        return $study;
    }
}
