<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Reading\Shapes\Attributes;
use DuskRail\Reading\Shapes\EntitiesAcross;
use DuskRail\Reading\Shapes\EntitiesOfMeasures;
use DuskRail\Reading\Shapes\Events;
use DuskRail\Reading\Shapes\HalvesDown;
use DuskRail\Reading\Shapes\Long;
use DuskRail\Reading\Shapes\MeasuresOfEntities;
use DuskRail\Reading\Shapes\Moment;
use DuskRail\Reading\Shapes\MonthsAcross;
use DuskRail\Reading\Shapes\MonthsDown;
use DuskRail\Reading\Shapes\PeriodsAcross;
use DuskRail\Reading\Shapes\QuartersAcross;
use DuskRail\Reading\Shapes\QuartersDown;
use DuskRail\Reading\Shapes\Shape;
use DuskRail\Reading\Shapes\WeekdaysAcross;
use DuskRail\Reading\Shapes\WeeksDown;

/** Every way that a table can be; a new one is named here. Of two that fit as surely the first is proposed. */
final class TableShapes
{
    /** @var list<class-string<Shape>> */
    private const ALL = [
        Long::class,
        PeriodsAcross::class,
        EntitiesAcross::class,
        MeasuresOfEntities::class,
        EntitiesOfMeasures::class,
        MonthsDown::class,
        QuartersDown::class,
        HalvesDown::class,
        WeeksDown::class,
        MonthsAcross::class,
        QuartersAcross::class,
        WeekdaysAcross::class,
        Events::class,
        Moment::class,
        Attributes::class,
    ];

    /** @return array<string, Shape> by name */
    public static function all(): array
    {
        /** @var array<string, Shape>|null $all */
        static $all = null;
        if ($all === null) {
            $all = [];
            foreach (self::ALL as $class) {
                $shape = new $class();
                $all[$shape->name()] = $shape;
            }
        }

        return $all;
    }

    public static function find(string $name): ?Shape
    {
        return self::all()[$name] ?? null;
    }

    /** @throws UnreadablePlan when there is none of that name */
    public static function named(string $name): Shape
    {
        return self::find($name) ?? throw UnreadablePlan::because('Choose a table layout.');
    }
}
