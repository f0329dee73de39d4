<?php

declare(strict_types=1);

namespace DuskRail\Rail;

/** Every calculation there is, in the order in which they are offered. A new stop is registered here. */
final class StopCatalogue
{
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
        foreach (self::STOPS as $class) {
            $byType[$class::type()] = $class;
        }

        return $byType;
    }

    /**
     * @param array<string, mixed> $settings
     *
     * @throws InvalidSetting
     */
    public static function make(string $type, array $settings): Stop
    {
        $class = self::all()[$type] ?? throw InvalidSetting::unknownStop($type);

        return $class::from($settings);
    }
}
