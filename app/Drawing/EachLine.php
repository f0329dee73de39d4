<?php

declare(strict_types=1);

namespace App\Drawing;

use App\Models\Study;
use DuskRail\Document\Study as StudyOfCore;
use Illuminate\Support\Str;

/** A study once for each entity, which alone is in focus. */
final class EachLine
{
    /** @return array<string, StudyOfCore> by name of the entity */
    public static function of(Study $study, StudyOfCore $document): array
    {
        $data = $study->data();
        $series = $data->table($document->measure)->series;
        $documents = [];
        foreach ($data->entities() as $key => $entity) {
            if (isset($series[$key])) {
                $documents[$entity->name] = $document->about([(string) $key => 1]);
            }
        }

        return $documents;
    }

    /**
     * A name for a file that none before has, however much their names are alike.
     *
     * @param array<string, true> $taken
     */
    public static function fileName(string $name, array &$taken): string
    {
        $slug = Str::slug($name) ?: 'study';
        $free = $slug;
        for ($n = 2; isset($taken[$free]); $n++) {
            $free = "{$slug}-{$n}";
        }
        $taken[$free] = true;

        return $free;
    }
}
