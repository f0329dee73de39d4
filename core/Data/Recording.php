<?php

declare(strict_types=1);

namespace DuskRail\Data;

/** Another data set, noting down which of its measures are asked for. */
final class Recording implements DataSource
{
    use DelegatesToData;

    /** @var array<string, true> */
    private array $asked = [];

    public function __construct(private readonly DataSource $data) {}

    /** @return list<string> keys of the measures whose values were asked for */
    public function asked(): array
    {
        return array_map(strval(...), array_keys($this->asked));
    }

    public function table(string $measureKey, ?Cell $cell = null): SeriesTable
    {
        $table = $this->data->table($measureKey, $cell);
        $this->asked[$measureKey] = true;

        return $table;
    }
}
