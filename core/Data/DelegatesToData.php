<?php

declare(strict_types=1);

namespace DuskRail\Data;

/** A data set made of another, `$data`: what a class says nothing of is as it is there. */
trait DelegatesToData
{
    public function measures(): array
    {
        return $this->data->measures();
    }

    public function entities(): array
    {
        return $this->data->entities();
    }

    public function breakdowns(): array
    {
        return $this->data->breakdowns();
    }

    public function peerSets(): array
    {
        return $this->data->peerSets();
    }

    public function splitBy(string $measureKey): array
    {
        return $this->data->splitBy($measureKey);
    }

    public function unsettled(string $measureKey, ?Cell $cell = null): array
    {
        return $this->data->unsettled($measureKey, $cell);
    }

    public function statuses(string $measureKey, ?Cell $cell = null): array
    {
        return $this->data->statuses($measureKey, $cell);
    }

    public function origin(string $measureKey, string $entityKey, int $ordinal, ?Cell $cell = null): ?Origin
    {
        return $this->data->origin($measureKey, $entityKey, $ordinal, $cell);
    }
}
