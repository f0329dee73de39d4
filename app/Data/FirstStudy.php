<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Dataset;
use App\Models\HouseFinish;
use App\Models\Study;
use DuskRail\Document\Study as StudyOfCore;

/** The study that one begins with. */
final class FirstStudy
{
    /** Of one measure, in the finish of the house. */
    public static function of(Dataset $dataset, StoredData $data, string $measure): Study
    {
        $study = StudyOfCore::first($data->measures()[$measure]->name, $measure, $data);
        // Figures of a single period are no lines; two measures of it can be set against each other.
        if ($data->table($measure)->axis->count === 1 && count($data->measures()) > 1) {
            $study = $study->withView('scatter');
        }

        return RevisionWriter::begin($dataset, HouseFinish::current()->givenTo($study));
    }
}
