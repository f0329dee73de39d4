<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Dataset;
use App\Models\HouseStyle;
use App\Models\Study;
use DuskRail\Data\Benchmark;
use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Document\Study as StudyOfCore;
use DuskRail\Reading\FirstMeasure;
use DuskRail\Reading\Observations;
use DuskRail\Reading\ReadMeasure;

/** The study that one begins with. */
final class FirstStudy
{
    /** Of the measure that is most likely looked at first. */
    public static function begin(Dataset $dataset): Study
    {
        $data = new StoredData($dataset);
        $measures = array_map(static fn(Measure $m): array => [$m->name, $m->unit->amount], $data->measures());
        $measure = FirstMeasure::of($measures) ?? throw ImportStopped::because('The file contains no measure.');

        return self::of($dataset, $data, (string) $measure);
    }

    /** Of one measure, in the finish of the house. */
    public static function of(Dataset $dataset, StoredData $data, string $measure): Study
    {
        $name = RevisionWriter::unusedName($dataset, $data->measures()[$measure]->name);
        $study = StudyOfCore::first($name, $measure, $data);
        $isOfOne = $data->table($measure)->axis->count === 1 && count($data->measures()) > 1;

        return RevisionWriter::begin($dataset, self::finished($study, $isOfOne));
    }

    /** What begin() would begin with once a file is stored as a data set. */
    public static function foreseen(Observations $read, Matching $matching, string $home): StudyOfCore
    {
        $measures = array_map(static fn(ReadMeasure $m): array => [$m->name, $m->unit], $read->measures);
        $n = (int) (FirstMeasure::of($measures) ?? throw ImportStopped::because('The file contains no measure.'));
        $entities = (static function () use ($read, $matching, $home): iterable {
            foreach ($read->entities as $number => $name) {
                $about = array_filter([Benchmark::ATTRIBUTE => $matching->benchmark($read, $number)]);
                yield new Entity($matching->entityKeys[$number], $name, home: $name === $home, attributes: $about);
            }
        })();
        $study = StudyOfCore::opening(
            $matching->named[$n]->name,
            $matching->measureKeys[$n],
            $entities,
            $read->spacing($n)->isIrregular,
        );
        [$first, $last] = $read->spans()[$n] ?? [0, 0];

        return self::finished($study, $first === $last && count($read->measures) > 1);
    }

    /** Figures of a single period are no lines; two measures of it can be set against each other. */
    private static function finished(StudyOfCore $study, bool $isOfOnePeriod): StudyOfCore
    {
        return HouseStyle::current()->givenTo($isOfOnePeriod ? $study->withView('scatter') : $study);
    }
}
