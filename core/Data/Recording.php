<?php

declare(strict_types=1);

namespace DuskRail\Data;

/** Another data set, noting down which of its measures are asked for. */
final class Recording implements DataSource
{
    /** @var array<string, true> */
    private array $asked = [];

    public function __construct(private readonly DataSource $source) {}

    /** @return list<string> keys of the measures whose values were asked for */
    public function asked(): array
    {
        return array_map(strval(...), array_keys($this->asked));
    }

    public function measures(): array
    {
        return $this->source->measures();
    }

    public function entities(): array
    {
        return $this->source->entities();
    }

    public function breakdowns(): array
    {
        return $this->source->breakdowns();
    }

    public function peerSets(): array
    {
        return $this->source->peerSets();
    }

    public function splitBy(string $measureKey): array
    {
        return $this->source->splitBy($measureKey);
    }

    public function table(string $measureKey, ?Cell $cell = null): SeriesTable
    {
        $table = $this->source->table($measureKey, $cell);
        $this->asked[$measureKey] = true;

        return $table;
    }

    public function unsettled(string $measureKey, ?Cell $cell = null): array
    {
        return $this->source->unsettled($measureKey, $cell);
    }

    public function statuses(string $measureKey, ?Cell $cell = null): array
    {
        return $this->source->statuses($measureKey, $cell);
    }

    public function origin(string $measureKey, string $entityKey, int $ordinal, ?Cell $cell = null): ?Origin
    {
        return $this->source->origin($measureKey, $entityKey, $ordinal, $cell);
    }
}
