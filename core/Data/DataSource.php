<?php

declare(strict_types=1);

namespace DuskRail\Data;

/** One version of a data set, as calculations see it. */
interface DataSource
{
    /** @return array<string, Measure> by key */
    public function measures(): array;

    /** @return array<string, Entity> by key, in the order of the data set */
    public function entities(): array;

    /** @return array<string, Breakdown> what values are split by, by key; none as a rule */
    public function breakdowns(): array;

    /** @return array<string, PeerSetRules> peer sets that were defined for it, by key */
    public function peerSets(): array;

    /** @return list<string> keys of the breakdowns that a measure is split by */
    public function splitBy(string $measureKey): array;

    /**
     * Every entity's series of a measure on one common axis.
     *
     * @param Cell|null $cell the category of each breakdown, as far as the measure is split by it; the usual one of
     *     those that are not named
     *
     * @throws UnknownMeasure
     */
    public function table(string $measureKey, ?Cell $cell = null): SeriesTable;

    /**
     * Entities whose latest values of a measure are provisional or estimated, and the ordinal of the first of those.
     *
     * @return array<string, int> by entity key
     */
    public function unsettled(string $measureKey, ?Cell $cell = null): array;

    /**
     * What is said of values that are not plainly measured.
     *
     * @return array<string, array<int, Status>> by entity key and ordinal
     */
    public function statuses(string $measureKey, ?Cell $cell = null): array;

    /** Where an observation was read, if that is known. */
    public function origin(string $measureKey, string $entityKey, int $ordinal, ?Cell $cell = null): ?Origin;
}
