<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Dataset;
use App\Models\HouseFinish;
use App\Models\Study;
use DuskRail\Data\Measure;
use DuskRail\Document\Study as StudyOfCore;
use DuskRail\Reading\FirstMeasure;

/** The study that one begins with. */
final class FirstStudy
{
    /** Of the measure that is most likely looked at first. */
    public static function begin(Dataset $dataset): Study
    {
        $data = new StoredData($dataset);
        $measures = array_map(static fn(Measure $m): array => [$m->name, $m->unit->amount], $data->measures());
        $measure = FirstMeasure::of($measures) ?? throw ImportStopped::because('The file holds no measure.');

        return self::of($dataset, $data, (string) $measure);
    }

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
