<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Dataset;

/** The data set that an option names. */
trait FindsDataset
{
    /** @return Dataset|false|null null where none is named, false where there is none of that name, which is said */
    private function dataset(): Dataset|false|null
    {
        $wanted = (string) $this->option('to');
        if ($wanted === '') {
            return null;
        }
        $dataset = ctype_digit($wanted) ? Dataset::find((int) $wanted) : Dataset::where('name', $wanted)->first();
        if ($dataset === null) {
            $there = Dataset::pluck('name')->implode(', ') ?: 'none';
            $this->error("There is no data set “{$wanted}”. There are: {$there}.");

            return false;
        }

        return $dataset;
    }
}
