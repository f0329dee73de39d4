<?php

declare(strict_types=1);

namespace DuskRail\Peers;

use DuskRail\Data\DataSource;
use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Nearness;
use DuskRail\Data\PeerSetRules;

/** The peer set that is proposed for an entity: those of its own size, which is what makes most values alike. */
final class NearestPeers
{
    /** Characteristics that are proposed at most. */
    private const MOST = 4;

    private const PEERS = 12;

    public static function home(DataSource $data): PeerSetRules
    {
        $entities = $data->entities();
        $home = array_keys(array_filter($entities, static fn(Entity $e): bool => $e->home));

        return self::of($data, (string) ($home[0] ?? (array_key_first($entities) ?? '')));
    }

    public static function of(DataSource $data, string $entity): PeerSetRules
    {
        $name = $data->entities()[$entity]->name ?? $entity;
        $first = explode(' ', $name)[0];
        $isAlone =
            [] ===
            array_filter(
                $data->entities(),
                static fn(Entity $e): bool => $e->key !== $entity && str_starts_with($e->name, $first),
            );
        $others = count(array_filter($data->entities(), static fn(Entity $e): bool => !$e->isApart())) - 1;

        return new PeerSetRules(
            '',
            'Like ' . ($isAlone && mb_strlen($first) > 3 ? $first : $name),
            nearest: new Nearness($entity, max(1, min(self::PEERS, intdiv($others, 2))), self::sizes($data)),
        );
    }

    /**
     * What says how large an entity is: stocks first, such as people served; then attributes that are numbers; then
     * whatever is measured.
     *
     * @return array<string, float>
     */
    private static function sizes(DataSource $data): array
    {
        $like = new Characteristics($data);
        $measures = array_filter($data->measures(), static fn(Measure $m): bool => !$m->isAttribute());
        $stocks = array_filter($measures, static fn(Measure $m): bool => $m->kind === MeasureKind::Stock);
        $sizes = array_map(static fn(int|string $key): string => "measure:{$key}", array_keys($stocks));
        foreach (array_keys($like->all()) as $of) {
            if (str_starts_with($of, 'about:') && $like->isNumber($of)) {
                $sizes[] = $of;
            }
        }
        if ($sizes === []) {
            $sizes = array_map(static fn(int|string $key): string => "measure:{$key}", array_keys($measures));
        }

        return array_fill_keys(array_slice($sizes, 0, self::MOST), 1.0);
    }
}
