<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Settings\Extensible;
use DuskRail\Settings\InvalidSetting;

/** Every calculation there is, in the order in which they are offered. A new stop is named here. */
final class StopCatalogue
{
    /** @use Extensible<Stop> */
    use Extensible;

    /** @var list<class-string<Stop>> */
    private const STOPS = [
        Stops\ChangeOfPeriod::class,
        Stops\PerDay::class,
        Stops\PerDenominator::class,
        Stops\RealTerms::class,
        Stops\Rolling::class,
        Stops\IndexToBase::class,
        Stops\Change::class,
        Stops\RunningTotal::class,
        Stops\Share::class,
        Stops\ContributionToChange::class,
        Stops\AllowFor::class,
        Stops\Against::class,
        Stops\Rank::class,
        Stops\Standardise::class,
        Stops\Seasonal::class,
        Stops\Formula::class,
    ];

    /** @return array<string, class-string<Stop>> by type */
    public static function all(): array
    {
        $byType = [];
        foreach ([...self::STOPS, ...self::$more] as $class) {
            $byType[$class::type()] = $class;
        }

        return $byType;
    }

    /**
     * @return class-string<Stop>
     *
     * @throws UnknownStop
     */
    public static function named(string $type): string
    {
        return self::all()[$type] ?? throw UnknownStop::called($type, array_keys(self::all()));
    }

    /**
     * @param array<array-key, mixed> $settings
     *
     * @throws UnknownStop|InvalidSetting
     */
    public static function make(string $type, array $settings): Stop
    {
        return self::named($type)::from($settings);
    }
}
