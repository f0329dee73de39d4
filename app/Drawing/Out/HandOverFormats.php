<?php

declare(strict_types=1);

namespace App\Drawing\Out;

use DuskRail\Settings\Extensible;

/** Every format that a study can be handed over in, in the order in which they are offered. A new one is named here. */
final class HandOverFormats
{
    /** @use Extensible<HandOverFormat> */
    use Extensible;

    /** @var list<class-string<HandOverFormat>> */
    private const FORMATS = [
        Png::class,
        Svg::class,
        Pdf::class,
        Zip::class,
        Html::class,
        Csv::class,
        Xlsx::class,
        StudyWithoutData::class,
        StudyWithData::class,
    ];

    /** @return array<string, class-string<HandOverFormat>> by name */
    public static function all(): array
    {
        $formats = [];
        foreach ([...self::FORMATS, ...self::$more] as $class) {
            $formats[$class::name()] = $class;
        }

        return $formats;
    }

    /** @return list<class-string<HandOverFormat>> */
    public static function in(HandOverGroup $group): array
    {
        return array_values(array_filter(self::all(), static fn(string $one): bool => $one::group() === $group));
    }
}
