<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\SeriesTable;
use DuskRail\Rail\Scope;

/** The drivers of AllowFor in words, and the cells that they come from. */
final readonly class DriverWords
{
    public function __construct(private AllowFor $stop) {}

    /** @return list<array{measure: string, ordinal: int}> of the drivers */
    public function observations(SeriesTable $arriving, Scope $scope, int $position): array
    {
        $observations = [];
        foreach ($this->stop->drivers() as $key) {
            $axis = $scope->table($key)->axis;
            if (!$axis->frequency->isFinerThan($arriving->axis->frequency)) {
                $observations[] = [
                    'measure' => $key,
                    'ordinal' => $arriving->axis->period($position)->in($axis->frequency)->ordinal,
                ];
            }
        }

        return $observations;
    }

    /** @return list<string> */
    public function names(Scope $scope): array
    {
        return array_map(
            static fn(string $key): string => mb_strtolower($scope->measures()[$key]->name ?? $key),
            $this->stop->drivers(),
        );
    }
}
